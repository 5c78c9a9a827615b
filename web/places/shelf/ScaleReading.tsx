import { useState } from 'react';
import { number } from '../../format/figures';
import { Button } from '../../parts/Button';
import { FormFault } from '../../parts/FormFault';
import { NumberField } from '../../parts/NumberField';
import { useRightForm } from '../../parts/useRightForm';
import { useScaleQuery, useZeroScaleMutation } from '../../store/scaleApi';
import { refusalWords } from '../../store/refusals';
import { StandInScale } from './StandInScale';

const ASKED_EVERY_MS = 400;

interface ScaleReadingProps {
  readonly action: string;
  readonly onTake: (grams: number) => void;
  /** grams that the simulated scale offers to lay on it */
  readonly pour?: number;
}

/** What the bench scale says now; a weight can also be typed, when there is no scale or it fails. */
export function ScaleReading({ action, onTake, pour }: ScaleReadingProps) {
  const { data: scale, error } = useScaleQuery(undefined, { pollingInterval: ASKED_EVERY_MS });
  const [zero] = useZeroScaleMutation();
  const [typed, setTyped] = useState<number>();
  const { form, fault, setFault, isRight } = useRightForm();
  const shown = error === undefined ? scale : undefined;
  const stable = shown?.state === 'stable' ? shown.grams : undefined;
  const setZero = async (): Promise<void> => {
    const answer = await zero();
    if (!answer.error) return setFault(undefined);
    setFault(refusalWords(answer.error));
  };
  return (
    <div ref={form} className="flex flex-col gap-2">
      <div className="flex items-center gap-3">
        <output
          aria-label="Bench scale"
          className={`min-w-36 border border-line-strong px-3 py-1.5 text-right font-serif text-2xl ${stable === undefined ? 'text-ink-soft' : ''}`}
        >
          {shown?.state === 'stable' && `${number(shown.grams)} g`}
          {shown?.state === 'settling' && `~ ${number(shown.grams)} g`}
          {shown?.state === 'overload' && 'too heavy'}
          {(shown === undefined || shown.state === 'away') && '– g'}
        </output>
        <Button
          disabled={stable === undefined}
          onClick={() => stable !== undefined && onTake(stable)}
        >
          {action}
        </Button>
        <Button weight="quiet" disabled={stable === undefined} onClick={() => void setZero()}>
          Set to zero
        </Button>
      </div>
      <p role="status" className="text-sm text-ink-soft">
        {shown?.state === 'away' && <span className="text-clay">▲ {shown.message}</span>}
        {shown?.state === 'overload' && (
          <span className="text-clay">▲ Too heavy for the scale: take something off.</span>
        )}
        {shown?.state === 'settling' && 'Still moving: wait until it settles.'}
        {shown?.state === 'stable' && 'Stable.'}
      </p>
      <FormFault fault={fault} />
      <div className="flex items-end gap-3">
        <NumberField
          className="w-36"
          label="Or type the weight"
          unit="g"
          value={typed}
          onCommit={setTyped}
          onClear={() => setTyped(undefined)}
        />
        <Button
          weight="quiet"
          disabled={typed === undefined}
          onClick={() => {
            if (!isRight()) return;
            if (typed !== undefined) onTake(typed);
            setTyped(undefined);
          }}
        >
          Take what I typed
        </Button>
      </div>
      {shown !== undefined && (shown.state === 'away' || shown.simulated) && (
        <StandInScale pour={pour} />
      )}
    </div>
  );
}
