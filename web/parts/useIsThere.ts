import { useEffect, useRef, type RefObject } from 'react';

/** Whether a part is still drawn: what is answered late finds it gone, and has nothing to say to it. */
export function useIsThere(): RefObject<boolean> {
  const isThere = useRef(true);
  useEffect(() => {
    isThere.current = true;
    return () => {
      isThere.current = false;
    };
  }, []);
  return isThere;
}
