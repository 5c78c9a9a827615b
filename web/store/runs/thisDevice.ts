import { nanoid } from '@reduxjs/toolkit';

const KEPT_IN = 'bienestar/device';
let own: string | undefined;

/** What tells this tablet from every other: made once, and kept by the browser. */
export function thisDevice(): string {
  try {
    own ??= localStorage.getItem(KEPT_IN) ?? undefined;
    if (own === undefined) {
      own = nanoid(12);
      localStorage.setItem(KEPT_IN, own);
    }
  } catch {
    /* A browser that keeps nothing is another tablet each time. */
    own ??= nanoid(12);
  }
  return own;
}
