import { computeAccessibleName, getRole, isInaccessible } from 'dom-accessibility-api';

/* Runs in the page: finds things as a screen reader tells of them. */

/** Elements that have a role without saying so. */
const IMPLICIT = {
  button: 'button, input[type=button], input[type=submit], summary',
  checkbox: 'input[type=checkbox]',
  columnheader: 'th',
  combobox: 'select, input[list]',
  /* Chromium's word for a field for a day; ARIA has none. */
  Date: 'input[type=date]',
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

declare global {
  interface Window {
    byRole: typeof byRole;
  }
}

/** The first thing of that role and name that is not hidden from a screen reader. */
function byRole(role: string, name: string): Element | null {
  const implicit = Object.entries(IMPLICIT).find(([of]) => of === role);
  const selector = implicit ? `[role=${role}], ${implicit[1]}` : `[role=${role}]`;
  for (const element of document.querySelectorAll(selector)) {
    if (roleOf(element) !== role || computeAccessibleName(element) !== name) continue;
    if (!isInaccessible(element) && element.closest('[inert]') === null) return element;
  }
  return null;
}
window.byRole = byRole;

function roleOf(element: Element): string | null {
  return element.matches(IMPLICIT.Date) ? 'Date' : getRole(element);
}
