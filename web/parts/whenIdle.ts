const AT_LAST_MS = 2_000;

/** Does something when the screen stands and nobody types; soon in any case. */
export function whenIdle(work: () => void): () => void {
  const handle = requestIdleCallback(work, { timeout: AT_LAST_MS });
  return () => cancelIdleCallback(handle);
}
