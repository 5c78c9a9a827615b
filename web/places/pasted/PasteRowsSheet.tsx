import { nanoid } from '@reduxjs/toolkit';
import Papa from 'papaparse';
import { useMemo, useState, type ReactNode } from 'react';
import type { MaterialKind } from '@bienestar/core/house/house';
import type { RowChoice } from '@bienestar/core/pasted/fromRows';
import {
  FIELDS_OF,
  layoutOf,
  rowsBy,
  type PastedColumns,
  type PastedField,
  type PastedKind,
} from '@bienestar/core/pasted/pastedRows';
import { counted, number } from '../../format/figures';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Sheet } from '../../parts/Sheet';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { KIND_WORDS, KINDS } from '../shelf/materialWords';
import { becomes, type Becomes } from './becomes';
import { useWriteRows } from './useWriteRows';

const LONGEST = 400_000;
const MOST_ROWS = 2_000;
/** Two choices a row take long to draw: the first rows tell whether all were read right. */
const SHOWN_AT_FIRST = 100;
const SHOWN_MORE = 500;
const NOWHERE = 'none';

const WORDS: Readonly<
  Record<PastedKind, { readonly title: string; readonly one: string; readonly example: string }>
> = {
  materials: {
    title: 'Materials from a spreadsheet',
    one: 'material',
    example: 'Name; Pack; Price; Supplier',
  },
  services: {
    title: 'Services from a spreadsheet',
    one: 'service',
    example: 'Service; Minutes; Price',
  },
  people: { title: 'People from a spreadsheet', one: 'person', example: 'Name; Role; Pay' },
  visits: {
    title: 'Planned visits from a spreadsheet',
    one: 'line of the plan',
    example: 'Service; Visits a week',
  },
};
const MANY: Readonly<Record<PastedKind, string>> = {
  materials: 'materials',
  services: 'services',
  people: 'people',
  visits: 'lines of the plan',
};
const FIELD_WORDS: Readonly<Record<PastedField, string>> = {
  name: 'Name',
  pack: 'Pack',
  price: 'Price',
  supplier: 'Supplier',
  kind: 'Kind',
  minutes: 'Minutes',
  role: 'Role',
  pay: 'Pay by the hour',
  visits: 'Visits a week',
};

interface PasteRowsSheetProps {
  readonly kind: PastedKind;
  readonly onClose: () => void;
}

/** Rows of any spreadsheet become things of the house: what each becomes is shown before anything is written. */
export function PasteRowsSheet({ kind, onClose }: PasteRowsSheetProps) {
  const house = useSnapshot();
  const [text, setText] = useState('');
  const [moved, setMoved] = useState<PastedColumns>({});
  const [choices, setChoices] = useState<ReadonlyMap<number, RowChoice>>(new Map());
  const { write, isWriting, fault } = useWriteRows();
  const cells = useMemo(() => cellsOf(text), [text]);
  const layout = useMemo(() => {
    const found = layoutOf(cells, kind);
    return { ...found, columns: { ...found.columns, ...moved } };
  }, [cells, kind, moved]);
  const rows = useMemo(() => rowsBy(cells, layout), [cells, layout]);
  const made: Becomes = useMemo(
    () => becomes(kind, rows, house, choices, () => nanoid(12)),
    [choices, house, kind, rows],
  );
  const { needed, also } = FIELDS_OF[kind];
  const fields = [...needed, ...also];
  const missing = needed.filter((field) => layout.columns[field] === undefined);
  const { one, title, example } = WORDS[kind];
  const isTooMany = rows.length > MOST_ROWS;
  const isReady =
    made.lines.length > 0 && made.faults.length === 0 && missing.length === 0 && !isTooMany;
  const add = async (): Promise<void> => {
    if (await write(made, counted(made.lines.length, one, MANY[kind]))) onClose();
  };
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title={title}
      description="Copy the rows where they are, with or without their headings, and paste them here. Nothing is written before you say so."
      actions={
        <>
          <Button onClick={onClose}>Leave it</Button>
          <Button weight="main" disabled={!isReady || isWriting} onClick={() => void add()}>
            {made.lines.length === 0
              ? 'Add them'
              : `Add ${counted(made.lines.length, one, MANY[kind])}`}
          </Button>
        </>
      }
    >
      <div className="flex flex-col gap-4">
        <TextField
          label="Rows"
          lines={text === '' ? 8 : 4}
          longest={LONGEST}
          hint={
            text === '' ? `Such as ${example}; a tab, semicolon or comma between cells.` : undefined
          }
          value={text}
          onCommit={(typed) => {
            setText(typed);
            setMoved({});
            setChoices(new Map());
          }}
        />
        {isTooMany && (
          <p role="alert" className="text-sm font-semibold text-clay">
            ▲ These are more than {MOST_ROWS} rows: paste a part of them.
          </p>
        )}
        {rows.length > 0 && (
          <>
            <div className="flex flex-wrap gap-3">
              {fields.map((field) => (
                <Choice
                  key={field}
                  className="w-40"
                  label={`${FIELD_WORDS[field]} is in`}
                  value={String(layout.columns[field] ?? NOWHERE)}
                  options={[
                    { value: NOWHERE, label: 'no column' },
                    ...(cells[0] ?? []).map((cell, at) => ({
                      value: String(at),
                      label: `${at + 1}: ${cell}`,
                    })),
                  ]}
                  onChoose={(column) =>
                    setMoved({
                      ...moved,
                      [field]: column === NOWHERE ? undefined : Number(column),
                    })
                  }
                />
              ))}
            </div>
            {missing.length > 0 && (
              <p role="alert" className="text-sm font-semibold text-clay">
                ▲ Say which column holds: {missing.map((field) => FIELD_WORDS[field]).join(', ')}.
              </p>
            )}
            {missing.length === 0 && made.faults.length > 0 && (
              <ul role="alert" className="border-l-2 border-clay bg-clay-wash px-3 py-2 text-sm">
                {made.faults.map(({ row, field, message }) => (
                  <li key={`${row} ${field ?? ''} ${message}`}>
                    Row {row}
                    {field !== undefined && `, ${FIELD_WORDS[field].toLowerCase()}`}: {message}
                  </li>
                ))}
              </ul>
            )}
            <Preview
              made={made}
              onChoose={(row, choice) =>
                setChoices(new Map(choices).set(row, { ...choices.get(row), ...choice }))
              }
            />
          </>
        )}
        {fault !== undefined && (
          <p role="alert" className="text-sm font-semibold text-clay">
            ▲ Nothing was written. {fault}
          </p>
        )}
      </div>
    </Sheet>
  );
}

interface PreviewProps {
  readonly made: Becomes;
  readonly onChoose: (row: number, choice: RowChoice) => void;
}

/** What each row becomes; what was guessed can be chosen otherwise. */
function Preview({ made, onChoose }: PreviewProps): ReactNode {
  const { suppliers } = useSnapshot();
  const [shown, setShown] = useState(SHOWN_AT_FIRST);
  const left = made.lines.length - shown;
  return (
    <>
      <ul aria-label="What the rows become" className="border-t border-line">
        {made.lines.slice(0, shown).map(({ row, name, words, guess }) => (
          <li
            key={row}
            className="grid grid-cols-[2.5rem_minmax(0,1fr)] items-center gap-2 border-b border-line py-1.5 text-sm sm:grid-cols-[2.5rem_minmax(0,1fr)_11rem_11rem]"
          >
            <span className="text-right text-ink-soft">{row}</span>
            <span>
              <span className="font-semibold">{name}</span>
              <span className="block text-ink-soft">{words}</span>
            </span>
            {guess && (
              <>
                <Choice<MaterialKind>
                  label={`Kind of ${name}`}
                  labelHidden
                  value={guess.kind}
                  options={KINDS.map((kind) => ({
                    value: kind,
                    label: `${guess.isKindGuessed && kind === guess.kind ? 'guessed: ' : ''}${KIND_WORDS[kind].one}`,
                  }))}
                  onChoose={(kind) => onChoose(row, { kind })}
                />
                {guess.supplier && (
                  <Choice
                    label={`Supplier of ${name}`}
                    labelHidden
                    value={String(guess.supplier.id)}
                    options={[
                      ...suppliers.map(({ id, name: supplier }) => ({
                        value: String(id),
                        label: `${guess.isSupplierGuessed && id === guess.supplier?.id ? 'guessed: ' : ''}${supplier}`,
                      })),
                      ...(suppliers.some(({ id }) => id === guess.supplier?.id)
                        ? []
                        : [
                            {
                              value: String(guess.supplier.id),
                              label: `new: ${guess.supplier.name}`,
                            },
                          ]),
                    ]}
                    onChoose={(id) => {
                      const supplier = suppliers.find((each) => each.id === id);
                      if (supplier) onChoose(row, { supplierId: supplier.id });
                    }}
                  />
                )}
              </>
            )}
          </li>
        ))}
      </ul>
      {left > 0 && (
        <Button weight="quiet" onClick={() => setShown(shown + SHOWN_MORE)}>
          Show {number(Math.min(left, SHOWN_MORE))} more
        </Button>
      )}
    </>
  );
}

/** Cells of pasted text: tabs where there are any, as spreadsheets copy them. */
function cellsOf(text: string): readonly (readonly string[])[] {
  if (text.trim() === '') return [];
  const delimiter = text.includes('\t') ? '\t' : '';
  /* A first cell may be empty: what stands before it is no room to be cut. */
  const { data } = Papa.parse<string[]>(text.replace(/^[\r\n]+/, '').trimEnd(), {
    delimiter,
    delimitersToGuess: [';', ',', '|'],
  });
  /* The headings, and one row more than may be. */
  return data.slice(0, MOST_ROWS + 2);
}
