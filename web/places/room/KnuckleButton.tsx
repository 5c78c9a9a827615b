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

/**
 * A button for a knuckle or a gloved finger: 64 px high at least. Pressed by a pointer it does not keep the keyboard,
 * so that the next press of the pedal goes on and does not press it again.
 */
export function KnuckleButton(props: KnuckleButtonProps) {
  const { look = 'plain', className = '', onClick, ...rest } = props;
  return (
    <button
      type="button"
      onClick={(event) => {
        if (event.detail > 0) event.currentTarget.blur();
        onClick?.(event);
      }}
      className={`min-h-16 min-w-16 rounded-md border-2 px-5 py-2 text-xl font-semibold disabled:opacity-45 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
