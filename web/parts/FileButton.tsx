import { useRef, type ReactNode } from 'react';
import { Button } from './Button';

interface FileButtonProps {
  /** how a screen reader names the field behind the button */
  readonly label: string;
  /** as a file dialog is told */
  readonly accept: string;
  readonly onFile: (file: File) => void;
  /** the words of the button */
  readonly children: ReactNode;
}

/** A button that lets a file be chosen; the same one may be chosen again. */
export function FileButton({ label, accept, onFile, children }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => input.current?.click()}>{children}</Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
    </>
  );
}
