import type { ExternalToast } from 'sonner';

/* Short notes at the foot of the screen. What shows them is loaded when the first view stands, so a note that
   comes before waits. */

type Kind = 'plain' | 'success' | 'error';
type Show = (kind: Kind, words: string, options?: ExternalToast) => void;

let show: Show | undefined;
const waiting: Parameters<Show>[] = [];

function tell(...note: Parameters<Show>): void {
  if (show) show(...note);
  else waiting.push(note);
}

/** Shows a short note, with an action if there is one. */
export function toast(words: string, options?: ExternalToast): void {
  tell('plain', words, options);
}

/** Shows what was done. */
toast.success = (words: string, options?: ExternalToast): void => tell('success', words, options);

/** Shows what went wrong. */
toast.error = (words: string, options?: ExternalToast): void => tell('error', words, options);

/** From now on notes are shown by this; those that waited are shown at once. */
export function showToastsBy(by: Show): void {
  show = by;
  for (const note of waiting.splice(0)) by(...note);
}
