import { useState } from 'react';

/** State that this browser keeps for the next time; what cannot be read is as if it was not there. */
export function useKept<T>(key: string, initial: T): [T, (next: T) => void] {
  const [value, setValue] = useState<T>(() => {
    const kept = localStorage.getItem(key);
    if (kept === null) return initial;
    try {
      return JSON.parse(kept) as T;
    } catch {
      return initial;
    }
  });
  return [
    value,
    (next) => {
      setValue(next);
      localStorage.setItem(key, JSON.stringify(next));
    },
  ];
}
