import { nanoid } from '@reduxjs/toolkit';

/*
 * A write whose answer never came may have been done. Sent again it carries the same id, by which the
 * server knows it and answers as it did: so it is done once, and one's own write is never taken for that of
 * somebody else. Ids outlive a reload, since a write does, too.
 */

const KEPT_IN = 'bienestar/writes';
const MOST_KEPT = 200;

interface Sent {
  readonly digest: string;
  readonly id: string;
}

/** What is asked, as a digest. */
export async function digestOf(method: string, url: string, body: unknown): Promise<string> {
  const bytes = new TextEncoder().encode(`${method} ${url}\n${JSON.stringify(body ?? null)}`);
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes));
  return Array.from(digest, (byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** The id of a write: the one with which it was sent before, if its answer never came. */
export function writeIdFor(digest: string): string {
  const open = unanswered();
  const known = open.find((sent) => sent.digest === digest);
  if (known) return known.id;
  const id = nanoid(24);
  keep([...open, { digest, id }].slice(-MOST_KEPT));
  return id;
}

/** A write was answered, so the next one like it is another one. */
export function wasAnswered(digest: string): void {
  keep(unanswered().filter((sent) => sent.digest !== digest));
}

let held: readonly Sent[] | undefined;

function unanswered(): readonly Sent[] {
  if (held) return held;
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEPT_IN) ?? '[]');
    held = Array.isArray(kept) ? (kept as readonly Sent[]) : [];
  } catch {
    held = [];
  }
  return held;
}

function keep(open: readonly Sent[]): void {
  held = open;
  try {
    localStorage.setItem(KEPT_IN, JSON.stringify(open));
  } catch {
    /* A full or forbidden store loses the ids with the window, and nothing else. */
  }
}
