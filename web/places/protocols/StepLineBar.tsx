import { ListPlus } from 'lucide-react';
import { useId, useMemo, useState, type Ref } from 'react';
import type { Step } from '@bienestar/core/house/house';
import { applyLine } from '@bienestar/core/stepLine/applyLine';
import { parseStepLine } from '@bienestar/core/stepLine/parseStepLine';
import type { Vocabulary } from '@bienestar/core/stepLine/vocabulary';
import { IconButton } from '../../parts/Button';
import { LineInput } from './LineInput';
import { NEW_IDS } from './newStep';

interface StepLineBarProps {
  readonly words: Vocabulary;
  /** puts a step after the one in hand; beside it, where the line says so */
  readonly onSay: (step: Step, beside: boolean) => void;
  readonly onPasteMany: (text: string) => void;
  readonly inputRef: Ref<HTMLInputElement>;
}

const EXAMPLE = 'cleanse 3 pumps cleansing milk on face, neck 2-3 min then warm towel';

/** Where a step is typed as it is said, and what of it is understood. */
export function StepLineBar({ words, onSay, onPasteMany, inputRef }: StepLineBarProps) {
  const [line, setLine] = useState('');
  const parsed = useMemo(() => parseStepLine(line, words), [line, words]);
  const id = useId();
  const ready = line.trim() !== '' && parsed.faults.length === 0;
  const say = (): void => {
    if (!ready) return;
    onSay(applyLine(parsed.said, undefined, NEW_IDS), parsed.beside);
    setLine('');
  };
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
