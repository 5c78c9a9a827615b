import type { ButtonHTMLAttributes } from 'react';

type Look = 'main' | 'plain' | 'stop' | 'answer';

const LOOKS: Readonly<Record<Look, string>> = {
  main: 'border-palm bg-palm text-on-fill',
  plain: 'border-line-strong bg-sheet text-ink',
  stop: 'border-clay bg-clay text-on-fill',
  answer: 'border-line-strong bg-sheet text-ink text-2xl',
};

interface KnuckleButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: Look;
}

/** A button for a knuckle or a gloved finger: 64 px high at least. */
export function KnuckleButton({ look = 'plain', className = '', ...rest }: KnuckleButtonProps) {
  return (
    <button
      type="button"
      className={`min-h-16 min-w-16 rounded-md border-2 px-5 py-2 text-xl font-semibold disabled:opacity-45 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
