/**
 * The first field of a form that holds something which could not be taken over, put in hand; what it holds is not
 * what would be entered.
 * @returns what is said of it; nothing when all is right
 */
export function firstFault(form: HTMLElement | null): string | undefined {
  const field = form?.querySelector<HTMLInputElement>('[aria-invalid=true]');
  if (!field) return undefined;
  field.focus();
  const name = field.labels?.[0]?.textContent ?? field.getAttribute('aria-label') ?? '';
  return `Nothing was entered: put “${name}” right first.`;
}
