import { useState } from 'react';
import type { Material } from '@bienestar/core/house/house';
import type { Taken } from '@bienestar/core/run/used';
import { takenByWeight } from '@bienestar/core/stock/weighed';
import { number } from '../../format/figures';
import { useScaleQuery } from '../../store/scaleApi';
import { KnuckleButton } from './KnuckleButton';

const ASKED_EVERY_MS = 400;

interface WeighTakenProps {
  readonly taken: Taken;
  readonly material: Material;
  readonly onScale: (grams: number) => void;
  readonly onTook: (quantity: number) => void;
}

/** What was taken by the bench scale: the container before, and after. */
export function WeighTaken({ taken, material, onScale, onTook }: WeighTakenProps) {
  const { data, error } = useScaleQuery(undefined, { pollingInterval: ASKED_EVERY_MS });
  const [fault, setFault] = useState<string>();
  const scale = error === undefined ? data : undefined;
  const grams = scale?.state === 'stable' ? scale.grams : undefined;
  const { onScale: before } = taken;
  const after = (): void => {
    if (grams === undefined || before === undefined) return;
    const weighed = takenByWeight({ beforeG: before, afterG: grams }, material, {
      materialId: material.id,
    });
    setFault(weighed.ok ? undefined : weighed.problems[0]?.message);
    if (weighed.ok) onTook(weighed.value);
  };
  return (
    <div className="flex flex-wrap items-center gap-3 border-l-4 border-line-strong pl-4">
      <output aria-label="Bench scale" className="min-w-32 text-right text-2xl">
        {grams === undefined ? '– g' : `${number(grams)} g`}
      </output>
      <KnuckleButton
        disabled={grams === undefined}
        onClick={() => grams !== undefined && onScale(grams)}
      >
        {before === undefined ? 'Before' : `Before: ${number(before)} g`}
      </KnuckleButton>
      <KnuckleButton disabled={grams === undefined || before === undefined} onClick={after}>
        After
      </KnuckleButton>
      <p role="status" className="text-lg text-clay">
        {fault !== undefined && `▲ ${fault}`}
        {fault === undefined && scale?.state === 'away' && `▲ ${scale.message}`}
        {fault === undefined && scale?.state === 'overload' && '▲ Too heavy for the scale.'}
      </p>
    </div>
  );
}
