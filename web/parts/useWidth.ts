import { useEffect, useState, type RefObject } from 'react';

/** How wide an element is drawn, in pixels; nothing before it is. */
export function useWidth(of: RefObject<HTMLElement | null>): number | undefined {
  const [width, setWidth] = useState<number>();
  useEffect(() => {
    const element = of.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setWidth(Math.floor(entry.contentRect.width));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [of]);
  return width;
}
