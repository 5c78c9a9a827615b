import { ListPlus } from 'lucide-react';
import { useId, useMemo, useState, type Ref } from 'react';
import type { Line, Step, Writing } from '@bienestar/core/house/house';
import { placeOfNew, type NewLine } from '@bienestar/core/protocol/addSteps';
import { lineToAdd } from '@bienestar/core/stepLine/applyLine';
import { parseStepLine } from '@bienestar/core/stepLine/parseStepLine';
import type { Vocabulary } from '@bienestar/core/stepLine/vocabulary';
import { IconButton } from '../../parts/Button';
import { LineInput } from './LineInput';
import { NEW_IDS } from './newStep';
import { placeWords } from './placeWords';

interface StepLineBarProps {
  readonly words: Vocabulary;
  readonly protocol: Writing;
  /** the line in hand, where there is any yet */
  readonly after: Line | undefined;
  /** puts a step where its line says, or after the one in hand */
  readonly onSay: (what: NewLine<Step>) => void;
  readonly onPasteMany: (text: string) => void;
  readonly inputRef: Ref<HTMLInputElement>;
}

const EXAMPLE = 'cleanse 3 pumps cleansing milk on face, neck 2-3 min then warm towel';

/** Where a step is typed as it is said, and what of it is understood. */
export function StepLineBar(props: StepLineBarProps) {
  const { words, protocol, after, onSay, onPasteMany, inputRef } = props;
  const [line, setLine] = useState('');
  const parsed = useMemo(() => parseStepLine(line, words), [line, words]);
  const id = useId();
  const ready = line.trim() !== '' && parsed.faults.length === 0;
  const say = (): void => {
    if (!ready) return;
    onSay(lineToAdd(parsed, NEW_IDS));
    setLine('');
  };
  const place = useMemo(
    () => placeWords(protocol, placeOfNew(protocol, lineToAdd(parsed, NEW_IDS), after)),
    [after, parsed, protocol],
  );
  return (
    <>
      <label htmlFor={id} className="sr-only">
        Say a step
      </label>

      <LineInput
        id={id}
        line={line}
        parsed={parsed}
        words={words}
        placeholder={`Say a step: ${EXAMPLE}`}
        place={place}
        inputRef={inputRef}
        onChange={setLine}
        onEnter={say}
        onPasteMany={onPasteMany}
      />
      <IconButton label="Paste many lines" onClick={() => onPasteMany('')}>
        <ListPlus aria-hidden size={18} />
      </IconButton>
    </>
  );
}
