import { useState } from 'react';
import { KnuckleButton } from './KnuckleButton';

/** What is noted most often: each is one tap. */
const USUAL_NOTES = [
  'firmer next time',
  'softer next time',
  'left side more sensitive',
  'right side more sensitive',
  'felt cold',
  'felt too warm',
  'wants less scent',
  'more time on the neck',
  'fell asleep',
  'came late',
] as const;

interface NoteTapsProps {
  readonly notes: readonly string[];
  readonly onNote: (words: string) => void;
}

/** Notes by a tap: nothing is typed with gloves on. */
export function NoteTaps({ notes, onNote }: NoteTapsProps) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <div className={`flex flex-col gap-2 ${isOpen ? 'w-full' : ''}`}>
      <KnuckleButton
        aria-expanded={isOpen}
        className="self-start"
        onClick={() => setIsOpen(!isOpen)}
      >
        Note{notes.length === 0 ? '' : ` (${notes.length})`}
      </KnuckleButton>
      {isOpen && (
        <div className="flex flex-wrap gap-2">
          {USUAL_NOTES.map((words) => {
            const isNoted = notes.includes(words);
            return (
              <KnuckleButton
                key={words}
                aria-pressed={isNoted}
                disabled={isNoted}
                onClick={() => onNote(words)}
              >
                {isNoted ? `✓ ${words}` : words}
              </KnuckleButton>
            );
          })}
        </div>
      )}
    </div>
  );
}
