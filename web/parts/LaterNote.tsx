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
      className="fixed bottom-4 left-6 z-30 flex max-w-md items-center gap-4 border-l-4 border-clay bg-sheet px-4 py-3 text-sm shadow-sheet print:hidden"
    >
      <p>{words}</p>
      <Button onClick={onChoose}>Choose</Button>
    </div>
  );
}
