import { useLayoutEffect, useState, useSyncExternalStore, type RefObject } from 'react';

/** How wide an element is drawn, in pixels; nothing before it is. */
export function useWidth(of: RefObject<HTMLElement | null>): number | undefined {
  return useMeasured(of, 'width');
}

/** How wide the window is, in pixels. */
export function useWindowWidth(): number {
  return useSyncExternalStore(listenToWindow, () => window.innerWidth);
}

function listenToWindow(changed: () => void): () => void {
  window.addEventListener('resize', changed);
  return () => window.removeEventListener('resize', changed);
}

/** How high an element is drawn, in pixels; nothing before it is. */
export function useHeight(of: RefObject<HTMLElement | null>): number | undefined {
  return useMeasured(of, 'height');
}

function useMeasured(
  of: RefObject<HTMLElement | null>,
  side: 'width' | 'height',
): number | undefined {
  const [size, setSize] = useState<number>();
  /* Before the first picture: nothing is seen in a size that it does not keep. */
  useLayoutEffect(() => {
    const element = of.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setSize(Math.floor(entry.contentRect[side]));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [of, side]);
  return size;
}
