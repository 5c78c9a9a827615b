import { createContext, useContext, type ReactNode } from 'react';

interface FieldFrameProps {
  readonly id: string;
  readonly label: string;
  readonly labelHidden?: boolean;
  readonly hint?: string;
  readonly error?: string;
  readonly className?: string;
  readonly children: ReactNode;
}

/** A field with its label above, and below it what it asks for or what is wrong. */
export function FieldFrame({
  id,
  label,
  labelHidden = false,
  hint,
  error,
  className = '',
  children,
}: FieldFrameProps) {
  return (
    <div className={`flex min-w-0 flex-col gap-1 ${className}`}>
      <label htmlFor={id} className={labelHidden ? 'sr-only' : LABEL_LOOK}>
        <Label text={label} />
      </label>
      {children}
      <FieldNote id={id} hint={hint} error={error} />
    </div>
  );
}

/** The name of the thing that all fields around are about, and that stands above them. */
export const NamedAbove = createContext<string | undefined>(undefined);

/** A label; what stands above it already is read out and not shown again. */
function Label({ text }: { readonly text: string }) {
  const name = useContext(NamedAbove);
  const said = name && [` of ${name}`, `, ${name}`].find((words) => text.includes(words));
  if (said === undefined || said === '') return text;
  const [before, after] = text.split(said);
  return (
    <>
      {before}
      <span className="sr-only">{said}</span>
      {after}
    </>
  );
}

export const LABEL_LOOK = 'text-xs font-semibold text-ink-soft';

/** The look of what is typed into; ruled below like a form on paper. */
export const INPUT_LOOK =
  'h-9 w-full min-w-0 rounded-sm border border-line-strong bg-sheet px-2.5 placeholder:text-ink-soft aria-invalid:border-2 aria-invalid:border-clay';

interface FieldNoteProps {
  readonly id: string;
  readonly hint?: string;
  readonly error?: string;
}

/** What stands below a field; `noteId` is how the field refers to it. */
export function FieldNote({ id, hint, error }: FieldNoteProps) {
  if (error === undefined && hint === undefined) return null;
  return (
    <div id={noteId(id)} className="text-xs">
      {error !== undefined && (
        <p role="alert" className="font-semibold text-clay">
          <span aria-hidden>▲ </span>
          {error}
        </p>
      )}
      {hint !== undefined && <p className="text-ink-soft">{hint}</p>}
    </div>
  );
}

/** The id of the note of a field. */
export function noteId(id: string): string {
  return `${id}-note`;
}
