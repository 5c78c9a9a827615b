import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import { toSecond } from '@bienestar/core/days/instants';
import { asId, type EntryId } from '@bienestar/core/house/ids';
import type { LogbookVisit, ToldAmount } from '@bienestar/core/house/logbook';
import { drawsThatCame } from '@bienestar/core/logbook/cameOut';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { FormFault } from '../../parts/FormFault';
import { Button } from '../../parts/Button';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { toast } from '../../parts/toast';
import { useRightForm } from '../../parts/useRightForm';
import { refusalWords } from '../../store/refusals';
import { useHouse } from '../../store/house';
import { useCorrectVisitMutation } from '../../store/logbookApi';
import { readLogbook } from './useLogbook';

interface CorrectAmountsProps {
  readonly visit: LogbookVisit;
  readonly onDone: () => void;
}

/** Amounts that were others than stands there: what stood there stays, and the ledger gets counter-entries. */
export function CorrectAmounts({ visit, onDone }: CorrectAmountsProps) {
  const house = useHouse();
  const { plan, entry } = visit;
  const [quantities, setQuantities] = useState<Readonly<Record<number, number>>>({});
  const [why, setWhy] = useState('');
  const { form, fault, setFault, isRight } = useRightForm<HTMLElement>();
  /* One id for as long as the form is open: sent twice it counts once. */
  const [id] = useState(() => asId<EntryId>(nanoid(16)));
  const [correct, { isLoading }] = useCorrectVisitMutation();
  const came = drawsThatCame(visit);
  const labels = toldApart(
    came.map(({ draw }) => {
      const act = plan.acts[draw.act];
      const name = house.materials.find(({ id: of }) => of === draw.materialId)?.name ?? 'Gone';
      const layer = act?.layer === undefined ? undefined : `layer ${act.layer}`;
      return [name, act?.name, layer].filter(Boolean).join(', ');
    }),
  );
  const told = came.flatMap(({ draw, quantity: before }): ToldAmount[] => {
    const place = plan.draws.indexOf(draw);
    const quantity = quantities[place];
    /* Changed and changed back it is no other. */
    return quantity === undefined || quantity === before
      ? []
      : [{ draw: place, quantity, by: 'counted' }];
  });
  const save = async (): Promise<void> => {
    if (!isRight()) return;
    if (told.length === 0) return setFault('Say an amount that was another.');
    if (why.trim() === '') return setFault('Say in a word why it is corrected.');
    const correction = { id, at: toSecond(new Date()), why: why.trim(), told };
    const answer = await correct({ id: entry.id, correction });
    if (answer.error) return setFault(refusalWords(answer.error));
    toast.success('Corrected: what stood there stays in the logbook.');
    readLogbook(house);
    return onDone();
  };
  return (
    <section ref={form} aria-label="Correct amounts" className="border-l-4 border-clay pl-4">
      <h3 className="text-lg">What it really was</h3>
      <div className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-3">
        {came.map(({ draw, quantity }, at) => {
          const place = plan.draws.indexOf(draw);
          const material = house.materials.find((each) => each.id === draw.materialId);
          return (
            <NumberField
              key={place}
              label={labels[at] ?? ''}
              value={quantities[place] ?? quantity}
              unit={material?.unit}
              check={within(LIMITS.runTook)}
              onCommit={(typed) => setQuantities({ ...quantities, [place]: typed })}
            />
          );
        })}
      </div>
      <TextField
        label="Why"
        value={why}
        onCommit={setWhy}
        longest={LONGEST_NOTE}
        className="mt-3"
      />
      <FormFault fault={fault} className="mt-2 text-sm" />
      <div className="mt-3 flex gap-2">
        <Button weight="main" disabled={isLoading} onClick={() => void save()}>
          Correct it
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </div>
    </section>
  );
}

/** Names of which several are one, such as of two halves, are told apart by their turn. */
function toldApart(names: readonly string[]): readonly string[] {
  return names.map((name, at) => {
    const all = names.filter((each) => each === name).length;
    const turn = names.slice(0, at + 1).filter((each) => each === name).length;
    return all === 1 ? name : `${name}, ${turn} of ${all}`;
  });
}
