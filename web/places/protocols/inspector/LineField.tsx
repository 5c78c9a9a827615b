import { useId, useMemo, useState } from 'react';
import type { Step, Writing } from '@bienestar/core/house/house';
import { changedByLine } from '@bienestar/core/stepLine/applyLine';
import { parseStepLine } from '@bienestar/core/stepLine/parseStepLine';
import type { Vocabulary } from '@bienestar/core/stepLine/vocabulary';
import { aroundStep, writeStepLine } from '@bienestar/core/stepLine/writeStepLine';
import { LABEL_LOOK } from '../../../parts/FieldFrame';
import { LineInput } from '../LineInput';
import { NEW_IDS } from '../newStep';
import type { EditProtocol } from '../useDraft';

interface LineFieldProps {
  readonly protocol: Writing;
  readonly step: Step;
  readonly words: Vocabulary;
  readonly edit: EditProtocol;
}

/** The step in hand as the line that says it; the line can be changed, and the step follows. */
export function LineField({ protocol, step, words, edit }: LineFieldProps) {
  const [typed, setTyped] = useState<string>();
  const id = useId();
  const line = writeStepLine(step, words, aroundStep(protocol, step));
  if (typed === undefined) {
    return (
      <div className="flex flex-col gap-1">
        <span className={LABEL_LOOK}>As it is said</span>
        <button
          type="button"
          aria-label={`${line}. Change the line`}
          className="border border-dashed border-line-strong px-2.5 py-1.5 text-left text-sm text-ink-soft hover:bg-sunk hover:text-ink"
          onClick={() => setTyped(line)}
        >
          {line}
        </button>
      </div>
    );
  }
  return (
    <Typed
      id={id}
      typed={typed}
      words={words}
      onType={setTyped}
      onTake={(parsed) => {
        edit((before) => changedByLine(before, step, parsed, NEW_IDS));
        setTyped(undefined);
      }}
      onLeave={() => setTyped(undefined)}
    />
  );
}

interface TypedProps {
  readonly id: string;
  readonly typed: string;
  readonly words: Vocabulary;
  readonly onType: (line: string) => void;
  readonly onTake: (said: ReturnType<typeof parseStepLine>['said']) => void;
  readonly onLeave: () => void;
}

function Typed({ id, typed, words, onType, onTake, onLeave }: TypedProps) {
  const parsed = useMemo(() => parseStepLine(typed, words), [typed, words]);
  const isRight = parsed.faults.length === 0;
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className={LABEL_LOOK}>
        As it is said
      </label>
      <LineInput
        id={id}
        line={typed}
        parsed={parsed}
        words={words}
        inputRef={(input) => input?.focus()}
        onChange={onType}
        onEnter={() => isRight && onTake(parsed.said)}
        onLeave={() => {
          /* A line that does not fit stays as it was typed, with what is wrong. */
          if (isRight) onTake(parsed.said);
          else if (typed.trim() === '') onLeave();
        }}
      />
    </div>
  );
}
