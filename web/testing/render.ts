import type { ReactNode } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { flushSync } from 'react-dom';

const roots: Root[] = [];

/** Draws something as the app does, in a document of its own. */
export function render(element: ReactNode): void {
  const place = document.createElement('div');
  document.body.append(place);
  const root = createRoot(place);
  roots.push(root);
  flushSync(() => root.render(element));
}

/** Takes everything away that was drawn. */
export function cleanup(): void {
  for (const root of roots.splice(0)) flushSync(() => root.unmount());
  document.body.replaceChildren();
}
