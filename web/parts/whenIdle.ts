const AT_LAST_MS = 2_000;
const WITHOUT_ASKING_MS = 200;

/** Does something when the screen stands and nobody types; soon in any case. */
export function whenIdle(work: () => void): () => void {
  /* Many tablets cannot tell when they are idle. */
  if (!('requestIdleCallback' in globalThis)) {
    const timer = setTimeout(work, WITHOUT_ASKING_MS);
    return () => clearTimeout(timer);
  }
  const handle = requestIdleCallback(work, { timeout: AT_LAST_MS });
  return () => cancelIdleCallback(handle);
}
