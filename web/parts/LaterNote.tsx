import { Button } from './Button';

interface LaterNoteProps {
  readonly words: string;
  readonly onChoose: () => void;
}

/** A choice that was put off, and the way back to it. */
export function LaterNote({ words, onChoose }: LaterNoteProps) {
  return (
    <div
      role="status"
      className="flex items-center gap-4 border-b border-clay bg-clay-wash px-6 py-2 text-sm print:hidden"
    >
      <p>{words}</p>
      <Button onClick={onChoose}>Choose</Button>
    </div>
  );
}
