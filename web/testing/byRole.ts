import { computeAccessibleName, getRole, isInaccessible } from 'dom-accessibility-api';

/* Finds things as a screen reader tells of them, in a browser and in jsdom. */

/** Elements that have a role without saying so. */
const IMPLICIT = {
  button: 'button, input[type=button], input[type=submit], summary',
  checkbox: 'input[type=checkbox]',
  columnheader: 'th',
  combobox: 'select, input[list]',
  dialog: 'dialog',
  group: 'fieldset, details',
  heading: 'h1, h2, h3, h4',
  link: 'a[href]',
  option: 'option',
  radio: 'input[type=radio]',
  region: 'section',
  searchbox: 'input[type=search]',
  slider: 'input[type=range]',
  textbox: 'input:not([type]), input[type=text], textarea',
} as const;

/** The first thing of that role and name that is not hidden from a screen reader. */
export function byRole(role: string, name: string): Element | undefined {
  const implicit = Object.entries(IMPLICIT).find(([of]) => of === role);
  const selector = implicit ? `[role=${role}], ${implicit[1]}` : `[role=${role}]`;
  for (const element of document.querySelectorAll(selector)) {
    if (getRole(element) !== role || !mayBeCalled(element, name)) continue;
    if (computeAccessibleName(element) !== name) continue;
    if (!isInaccessible(element) && element.closest('[inert]') === null) return element;
  }
  return undefined;
}

/** Whether it may be worth computing the name, which takes long: not where its label or words are others. */
function mayBeCalled(element: Element, name: string): boolean {
  if (element.hasAttribute('aria-labelledby')) return true;
  const label = element.getAttribute('aria-label');
  if (label !== null && label !== '') return label === name;
  const { labels } = element as Partial<HTMLInputElement>;
  if (labels && labels.length > 0) return labels.length > 1 || mayRead(labels[0], name);
  const isNamedByWords = element.matches('button, a, th, summary, [role=option], [role=radio]');
  return !isNamedByWords || mayRead(element, name);
}

/** Whether the words of an element may be read as that: others can only be heard where something has its own name. */
function mayRead(element: Element | undefined, name: string): boolean {
  if (!element || element.querySelector('[aria-label], [aria-hidden], img, svg, select, textarea'))
    return true;
  return inOneWord(element.textContent) === inOneWord(name);
}

function inOneWord(text: string): string {
  return text.replaceAll(/\s/g, '');
}
