import { useMemo, useState } from 'react';
import type { Stretch } from '@bienestar/core/house/actions';
import type { Step } from '@bienestar/core/house/house';
import type { StepId } from '@bienestar/core/house/ids';
import type { NewLine } from '@bienestar/core/protocol/addSteps';
import { lineToAdd } from '@bienestar/core/stepLine/applyLine';
import { joinLines, parseLines } from '@bienestar/core/stepLine/parseLines';
import type { Vocabulary } from '@bienestar/core/stepLine/vocabulary';
import { counted } from '../../format/figures';
import { Button } from '../../parts/Button';
import { INPUT_LOOK, LABEL_LOOK } from '../../parts/FieldFrame';
import { Sheet } from '../../parts/Sheet';
import { NEW_IDS } from './newStep';

interface PasteSheetProps {
  /** what was pasted; nothing while the sheet is away */
  readonly text: string | undefined;
  readonly words: Vocabulary;
  /** the line in hand */
  readonly after: StepId | undefined;
  readonly onClose: () => void;
  readonly onAdd: (lines: readonly NewLine<Step>[]) => void;
}

/** Many lines at once: what each is understood as is shown before any becomes a step. */
export function PasteSheet(props: PasteSheetProps) {
  return props.text === undefined ? null : <Lines key={props.text} {...props} text={props.text} />;
}

function Lines({
  text,
  words,
  after,
  onClose,
  onAdd,
}: PasteSheetProps & { readonly text: string }) {
  const [typed, setTyped] = useState(text);
  const lines = useMemo(() => parseLines(typed, words), [typed, words]);
  const good = lines.filter((line) => line.faults.length === 0);
  const bad = lines.filter((line) => line.faults.length > 0);
  /* What cannot be added yet comes, once it is right, after the line of its stretch that stood before it. */
  const [follows, setFollows] = useState<readonly (StepId | undefined)[]>([]);
  const add = (): void => {
    const lastOf = new Map<Stretch, StepId>();
    const left: (StepId | undefined)[] = [];
    const made = lines.flatMap((line, at): NewLine<Step>[] => {
      const what = lineToAdd(line, NEW_IDS, line.stretch);
      const stretch = what.stretch ?? 'visit';
      if (line.faults.length > 0) {
        left.push(lastOf.get(stretch) ?? follows[at] ?? after);
        return [];
      }
      lastOf.set(stretch, what.line.id);
      const before = follows[at];
      return [{ ...what, ...(before !== undefined && { follows: before }) }];
    });
    onAdd(made);
    if (bad.length === 0) {
      onClose();
      return;
    }
    setFollows(left);
    setTyped(joinLines(bad));
  };
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Many steps at once"
      description="A line is a step. Set-up:, Visit: and Reset: are headings; a line that begins with + lies beside the step before it."
      actions={
        <>
          <Button onClick={onClose}>Leave it</Button>
          <Button weight="main" disabled={good.length === 0} onClick={add}>
            {good.length === 0
              ? 'Nothing to add yet'
              : bad.length === 0
                ? `Add ${counted(good.length, 'step')}`
                : `Add the ${counted(good.length, 'step')} that ${good.length === 1 ? 'is' : 'are'} clear`}
          </Button>
        </>
      }
    >
      <div className="grid grid-cols-2 gap-6">
        <label className="flex flex-col gap-1">
          <span className={LABEL_LOOK}>Lines</span>
          <textarea
            className={`${INPUT_LOOK} h-80 py-2 font-sans text-sm leading-6 whitespace-pre`}
            spellCheck={false}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <ol aria-label="Understood" className="h-80 overflow-y-auto text-sm" tabIndex={0}>
          {lines.map(({ line, number, faults: [fault], understood, said, stretch, beside }, at) => (
            <li key={at} className="border-b border-line py-1">
              {fault ? (
                <span className="text-clay">
                  <span aria-hidden>▲ </span>
                  line {number}: <strong>{line.slice(fault.from, fault.to)}</strong> {fault.message}
                </span>
              ) : (
                <>
                  {beside && <span className="text-palm italic">meanwhile </span>}
                  <strong>{said.name ?? said.action}</strong>
                  <span className="text-ink-soft">
                    {stretch !== undefined && ` (${stretch})`}
                    {understood.map(({ from, to }) => ` · ${line.slice(from, to)}`)}
                  </span>
                </>
              )}
            </li>
          ))}
          {lines.length === 0 && <li className="text-ink-soft">Nothing yet.</li>}
        </ol>
      </div>
    </Sheet>
  );
}
