import { useState } from 'react';
import type { StandInOrder } from '@bienestar/contract/api';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { useTellStandInMutation } from '../../store/scaleApi';

type Fault = Extract<StandInOrder, { fault: string }>['fault'];

const FAULT_WORDS: Record<Fault, string> = {
  none: 'works',
  unplugged: 'unplugged',
  overload: 'overloaded',
  unstable: 'does not settle',
};
const SCATTER = 0.05;

/** What lies on the simulated scale: it stands in for one until a real scale is plugged in. */
export function StandInScale({ pour }: { readonly pour?: number }) {
  const [tell] = useTellStandInMutation();
  const [grams, setGrams] = useState(100);
  const [fault, setFault] = useState<Fault>('none');
  return (
    <details className="border-l-2 border-line pl-3 text-sm">
      <summary className="text-ink-soft">This scale is simulated: say what lies on it</summary>
      <div className="mt-2 flex items-end gap-3">
        <NumberField
          className="w-28"
          label="Grams on it"
          unit="g"
          value={grams}
          onCommit={setGrams}
        />
        <Button onClick={() => void tell({ put: grams })}>Lay on</Button>
        {pour !== undefined && (
          <Button
            onClick={() => void tell({ add: pour * (1 + SCATTER * (2 * Math.random() - 1)) })}
          >
            Dispense into the cup
          </Button>
        )}
        <Choice<Fault>
          className="w-40"
          label="The scale"
          value={fault}
          options={(Object.keys(FAULT_WORDS) as Fault[]).map((value) => ({
            value,
            label: FAULT_WORDS[value],
          }))}
          onChoose={(next) => {
            setFault(next);
            void tell({ fault: next });
          }}
        />
      </div>
    </details>
  );
}
