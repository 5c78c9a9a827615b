import type { ButtonHTMLAttributes, ReactNode, Ref } from 'react';

type Weight = 'main' | 'plain' | 'quiet' | 'remove' | 'danger';

const LOOK: Record<Weight, string> = {
  main: 'border-palm bg-palm text-on-fill hover:brightness-110',
  plain: 'border-line-strong bg-sheet text-ink hover:bg-sunk',
  quiet: 'border-transparent text-ink hover:bg-sunk',
  remove: 'border-transparent text-clay hover:bg-clay-wash',
  danger: 'border-clay bg-clay text-on-fill hover:brightness-110',
};

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly weight?: Weight;
  readonly ref?: Ref<HTMLButtonElement>;
}

/** A button with words. */
export function Button({ weight = 'plain', className = '', ...rest }: ButtonProps) {
  return (
    <button
      type="button"
      className={`inline-flex h-9 items-center gap-2 rounded-sm border px-3.5 text-sm font-semibold whitespace-nowrap disabled:opacity-45 ${LOOK[weight]} ${className}`}
      {...rest}
    />
  );
}

interface IconButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly label: string;
  readonly children: ReactNode;
  readonly ref?: Ref<HTMLButtonElement>;
}

/** A button with a sign; its label is read out and shown on hovering. */
export function IconButton({ label, className = '', ...rest }: IconButtonProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className={`inline-flex size-8 items-center justify-center rounded-sm text-ink-soft hover:bg-sunk hover:text-ink disabled:opacity-40 ${className}`}
      {...rest}
    />
  );
}
