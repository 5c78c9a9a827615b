import { useEffect, useRef, useState } from 'react';
import { KnuckleButton } from './KnuckleButton';

const HELD_MS = 1_000;

interface HeldButtonProps {
  readonly words: string;
  readonly onHeld: () => void;
}

/** What is not done by accident: it is held for a second, by a finger or a key. */
export function HeldButton({ words, onHeld }: HeldButtonProps) {
  const [isHeld, setIsHeld] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const letGo = (): void => {
    clearTimeout(timer.current);
    setIsHeld(false);
  };
  const hold = (): void => {
    clearTimeout(timer.current);
    setIsHeld(true);
    timer.current = setTimeout(() => {
      setIsHeld(false);
      onHeld();
    }, HELD_MS);
  };
  useEffect(() => () => clearTimeout(timer.current), []);
  return (
    <KnuckleButton
      onPointerDown={hold}
      onPointerUp={letGo}
      onPointerLeave={letGo}
      onPointerCancel={letGo}
      onKeyDown={(event) => {
        if ((event.key === ' ' || event.key === 'Enter') && !event.repeat) hold();
      }}
      onKeyUp={letGo}
      onBlur={letGo}
      className={isHeld ? 'bg-clay-wash' : ''}
    >
      {words}
      <span className="block text-sm font-normal text-ink-soft">
        {isHeld ? 'keep holding' : 'hold for a second'}
      </span>
    </KnuckleButton>
  );
}
