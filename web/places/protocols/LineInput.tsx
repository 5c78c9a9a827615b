import { useMemo, useState, type KeyboardEvent, type Ref } from 'react';
import { completionsAt, type Completion } from '@bienestar/core/stepLine/completions';
import type { ParsedLine } from '@bienestar/core/stepLine/parseStepLine';
import type { Vocabulary } from '@bienestar/core/stepLine/vocabulary';
import { INPUT_LOOK } from '../../parts/FieldFrame';

interface LineInputProps {
  readonly id: string;
  readonly line: string;
  readonly parsed: ParsedLine;
  readonly words: Vocabulary;
  readonly placeholder?: string;
  /** where a new step will stand */
  readonly place?: string;
  readonly inputRef?: Ref<HTMLInputElement>;
  readonly onChange: (line: string) => void;
  readonly onEnter: () => void;
  readonly onLeave?: () => void;
  /** several lines were pasted at once */
  readonly onPasteMany?: (text: string) => void;
}

/** A step line as it is typed: what can follow, what was understood, and what was not, at its place. */
export function LineInput({
  id,
  line,
  parsed,
  words,
  placeholder,
  place,
  inputRef,
  onChange,
  onEnter,
  onLeave,
  onPasteMany,
}: LineInputProps) {
  const [at, setAt] = useState(line.length);
  const [chosen, setChosen] = useState(-1);
  const [open, setOpen] = useState(false);
  const completions = useMemo(
    () => (open ? completionsAt(line, at, words) : []),
    [at, line, open, words],
  );
  const listed = open && line.trim() !== '' && completions.length > 0;
  const [fault] = parsed.faults;

  const complete = ({ words: said, from, to }: Completion): void => {
    const after = line.slice(to);
    const next = `${line.slice(0, from)}${said}${after.startsWith(' ') ? '' : ' '}`;
    onChange(`${next}${after}`);
    setAt(next.length);
    setChosen(-1);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const last = completions.length - 1;
    if (listed && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
      event.preventDefault();
      setChosen(event.key === 'ArrowDown' ? Math.min(last, chosen + 1) : Math.max(-1, chosen - 1));
      return;
    }
    const picked = listed
      ? completions[event.key === 'Tab' ? Math.max(0, chosen) : chosen]
      : undefined;
    if (
      picked &&
      ((event.key === 'Enter' && chosen >= 0) || (event.key === 'Tab' && !event.shiftKey))
    ) {
      event.preventDefault();
      complete(picked);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      setOpen(false);
      onEnter();
    } else if (event.key === 'Escape' && listed) {
      event.preventDefault();
      event.stopPropagation();
      setOpen(false);
    }
  };
  return (
    <div className="relative min-w-52 flex-1 max-xl:basis-full">
      <input
        id={id}
        ref={inputRef}
        type="text"
        role="combobox"
        autoComplete="off"
        spellCheck={false}
        aria-expanded={listed}
        aria-controls={`${id}-list`}
        aria-autocomplete="list"
        aria-activedescendant={chosen >= 0 ? `${id}-${chosen}` : undefined}
        aria-invalid={fault !== undefined && line.trim() !== ''}
        aria-describedby={`${id}-note`}
        placeholder={placeholder}
        className={INPUT_LOOK}
        value={line}
        onChange={(event) => {
          onChange(event.target.value);
          setAt(event.target.selectionStart ?? event.target.value.length);
          setChosen(-1);
          setOpen(true);
        }}
        onSelect={(event) => setAt(event.currentTarget.selectionStart ?? 0)}
        onBlur={() => {
          setOpen(false);
          onLeave?.();
        }}
        onPaste={(event) => {
          const text = event.clipboardData.getData('text/plain');
          if (!onPasteMany || !/\S\s*\n\s*\S/u.test(text)) return;
          event.preventDefault();
          onPasteMany(text);
        }}
        onKeyDown={onKeyDown}
      />
      {listed && (
        <ul
          id={`${id}-list`}
          role="listbox"
          aria-label="Can follow"
          className="absolute bottom-full left-0 z-30 mb-1 max-h-56 w-full overflow-y-auto border border-line-strong bg-sheet shadow-sheet"
        >
          {completions.map((completion, order) => (
            <li
              key={completion.words}
              id={`${id}-${order}`}
              role="option"
              aria-selected={order === chosen}
              className={`cursor-pointer px-3 py-1 text-sm ${order === chosen ? 'bg-palm-wash font-semibold' : 'hover:bg-sunk'}`}
              onPointerDown={(event) => {
                event.preventDefault();
                complete(completion);
              }}
            >
              {completion.words}
            </li>
          ))}
        </ul>
      )}
      <LineNote id={`${id}-note`} line={line} parsed={parsed} place={place} />
    </div>
  );
}

interface LineNoteProps {
  readonly id: string;
  readonly line: string;
  readonly parsed: ParsedLine;
  readonly place: string | undefined;
}

/** The line once more, with what it was understood as under each part; or what is wrong with it. */
function LineNote({ id, line, parsed, place }: LineNoteProps) {
  if (line.trim() === '') {
    return (
      <p id={id} className="mt-1 text-xs text-ink-soft">
        {place === undefined
          ? 'Enter takes it over.'
          : `Enter adds it ${place}; with + in front it is done meanwhile.`}
      </p>
    );
  }
  const [fault] = parsed.faults;
  if (fault) {
    return (
      <p id={id} className="mt-1 text-xs text-clay" role="status">
        <span aria-hidden>▲ </span>
        {fault.to > fault.from && <strong>{line.slice(fault.from, fault.to)}: </strong>}
        {fault.message}
      </p>
    );
  }
  return (
    <p id={id} className="mt-1 text-xs text-palm" role="status">
      {place !== undefined && <strong>{place} · </strong>}
      {parsed.understood
        .map(({ from, to, as }) => {
          const said = line.slice(from, to);
          return said.toLowerCase() === as.toLowerCase() ? said : `${as}: ${said}`;
        })
        .join(' · ')}
    </p>
  );
}
