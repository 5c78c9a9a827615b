/** Which way keys lead that undo and redo everywhere: Ctrl+Z, and Ctrl+Y or Ctrl+Shift+Z. */
export function wayOfKeys(event: KeyboardEvent): 'back' | 'forth' | undefined {
  if (!(event.ctrlKey || event.metaKey) || event.altKey) return undefined;
  const key = event.key.toLowerCase();
  if (key === 'z') return event.shiftKey ? 'forth' : 'back';
  return key === 'y' ? 'forth' : undefined;
}

/** Whether keys go into a field, whose own they are then. */
export function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.matches('input, textarea, [contenteditable]');
}
