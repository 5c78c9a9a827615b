import { useContext, useId, useState } from 'react';
import { usualRange } from '@bienestar/core/quantity/triple';
import { parseDecimal } from '../format/decimal';
import { editable } from '../format/figures';
import { Button } from './Button';
import { FieldNote, INPUT_LOOK, LABEL_LOOK, noteId } from './FieldFrame';
import { notANumber } from './NumberField';
import { UsualSpread } from './usualSpread';

type Three<T> = readonly [T, T, T];

interface TripleFieldProps {
  readonly legend: string;
  readonly legendHidden?: boolean;
  /** such as low, usual, high */
  readonly labels: Three<string>;
  readonly values: Three<number>;
  readonly onCommit: (values: Three<number>) => void;
  readonly unit: string;
  /** 0 is allowed for every bound; otherwise only for the first */
  readonly zeroAllowed?: boolean;
  readonly largest: number;
  readonly parse?: (text: string) => number | undefined;
}

/**
 * A usual figure, and bounds beside it once they differ or are asked for: then they are filled by how much the
 * house usually varies. While the three are alike, typing the middle one changes all: a fixed figure stays
 * fixed. What is typed stays, also when it does not fit.
 */
export function TripleField({
  legend,
  legendHidden = false,
  labels,
  values,
  onCommit,
  unit,
  zeroAllowed = false,
  largest,
  parse = parseDecimal,
}: TripleFieldProps) {
  const id = useId();
  const [texts, setTexts] = useState(() => textsOf(values));
  const [shown, setShown] = useState(values);
  const [fault, setFault] = useState<string>();
  const [isUnfolded, setIsUnfolded] = useState(false);
  const usualSpread = useContext(UsualSpread);
  const isRange = isUnfolded || values[0] !== values[1] || values[1] !== values[2];
  const unfold = (): void => {
    setIsUnfolded(true);
    const { low, usual, high } = usualRange(values[1], usualSpread);
    if (high <= largest && low < high) onCommit([low, usual, high]);
  };
  if (shown.some((value, at) => value !== values[at])) {
    setShown(values);
    if (texts.some((text, at) => parse(text) !== values[at])) setTexts(textsOf(values));
    setFault(undefined);
  }

  const type = (at: number, text: string): void => {
    const fixed = at === 1 && texts.every((each) => each === texts[1]);
    const next = texts.map((each, which) =>
      fixed || which === at ? text : each,
    ) as unknown as Three<string>;
    setTexts(next);
    const typed = next.map(parse);
    const missing = typed.findIndex((number) => number === undefined);
    if (missing !== -1) {
      setFault(notANumber(values[missing]));
      return;
    }
    const numbers = typed as unknown as Three<number>;
    const wrong = orderFault(numbers, labels, zeroAllowed, largest, values);
    setFault(wrong);
    if (wrong === undefined && numbers.some((number, which) => number !== values[which]))
      onCommit(numbers);
  };

  return (
    <fieldset className="min-w-0" aria-describedby={fault ? noteId(id) : undefined}>
      <legend className={legendHidden ? 'sr-only' : `${LABEL_LOOK} mb-1`}>
        {legend} <span className="font-normal">({unit})</span>
      </legend>
      <div className="flex">
        {texts.map((text, at) =>
          at !== 1 && !isRange ? null : (
            <label key={labels[at]} className="relative -ml-px flex min-w-0 flex-1 first:ml-0">
              {isRange && (
                <span className="pointer-events-none absolute top-1 left-2 text-[0.6875rem] text-ink-soft">
                  {labels[at]}
                </span>
              )}
              <input
                type="text"
                inputMode="decimal"
                autoComplete="off"
                aria-label={`${legend}, ${labels[at]}`}
                aria-invalid={fault !== undefined}
                aria-describedby={fault ? noteId(id) : undefined}
                className={`${INPUT_LOOK} text-right focus:z-10 ${isRange ? 'h-12 pt-4' : ''} ${at === 1 ? 'font-semibold' : ''}`}
                value={text}
                onChange={(event) => type(at, event.target.value)}
                onBlur={() => fault === undefined && setTexts(textsOf(values))}
              />
            </label>
          ),
        )}
        {!isRange && (
          <Button
            weight="quiet"
            className="ml-1 font-normal"
            aria-label={`${legend}: ${labels[0]} and ${labels[2]}`}
            onClick={unfold}
          >
            {labels[0]} and {labels[2]}
          </Button>
        )}
      </div>
      <FieldNote id={id} error={fault} />
    </fieldset>
  );
}

function textsOf(values: Three<number>): Three<string> {
  return values.map((value) => editable(value)) as unknown as Three<string>;
}

function orderFault(
  [low, usual, high]: Three<number>,
  labels: Three<string>,
  zeroAllowed: boolean,
  largest: number,
  counted: Three<number>,
): string | undefined {
  const still = `Still counted with ${editable(counted[1])}.`;
  if (low < 0 || usual < 0 || high < 0) return `Must not be below 0. ${still}`;
  if (!zeroAllowed && usual === 0) return `Must be more than 0. ${still}`;
  if (high > largest || usual > largest || low > largest)
    return `Must be at most ${largest}. ${still}`;
  if (low > usual || usual > high) return `Put ${labels.join(', ')} in order. ${still}`;
  return undefined;
}
