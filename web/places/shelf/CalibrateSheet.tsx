import { X } from 'lucide-react';
import { useState } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { Material } from '@bienestar/core/house/house';
import { calibrate, perMl, type Weighing } from '@bienestar/core/quantity/calibration';
import { mlPerCount, type CountedMeasure, type Measures } from '@bienestar/core/quantity/measures';
import { FormFault } from '../../parts/FormFault';
import { MEASURE_WORDS } from '../../format/amountWords';
import { number, percent } from '../../format/figures';
import { Button, IconButton } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { useRightForm } from '../../parts/useRightForm';
import { Sheet } from '../../parts/Sheet';
import { useZeroScaleMutation } from '../../store/scaleApi';
import { ScaleReading } from './ScaleReading';

interface CalibrateSheetProps {
  readonly material: Material;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onKeep: (measures: Partial<Measures>) => Promise<string | undefined>;
}

const MEASURES: Record<CountedMeasure, keyof Measures> = {
  pump: 'mlPerPump',
  spray: 'mlPerSpray',
  dropper: 'mlPerDropper',
  drop: 'dropsPerMl',
  spatula: 'mlPerSpatula',
};
const USUAL_COUNT: Record<CountedMeasure, number> = {
  pump: 5,
  spray: 10,
  dropper: 3,
  drop: 20,
  spatula: 3,
};

/** Finds ml per pump, drop, spray or spatula by weighing a few of them out. */
export function CalibrateSheet({ material, open, onClose, onKeep }: CalibrateSheetProps) {
  const [measure, setMeasure] = useState<CountedMeasure>('pump');
  const [count, setCount] = useState(USUAL_COUNT.pump);
  const [weighings, setWeighings] = useState<readonly Weighing[]>([]);
  const { form, fault, setFault, isRight } = useRightForm();
  const [zero] = useZeroScaleMutation();
  const { density } = material.measures;
  const found = calibrate(weighings, density, material.name, { materialId: material.id });
  const [one, many] = MEASURE_WORDS[measure];
  const known = mlPerCount(material.measures, measure)?.usual ?? 1;
  const choose = (next: CountedMeasure): void => {
    setMeasure(next);
    setCount(USUAL_COUNT[next]);
    setWeighings([]);
  };
  const take = (grams: number): void => {
    if (!isRight()) return;
    setWeighings([...weighings, { count, grams }]);
    /* The next ones go into the same cup. */
    void zero();
  };
  const keep = async (): Promise<void> => {
    if (!found.ok) return setFault(found.problems[0]?.message);
    const { each } = found.value;
    const wrong = await onKeep({ [MEASURES[measure]]: measure === 'drop' ? perMl(each) : each });
    setFault(wrong);
    if (wrong !== undefined) return;
    setWeighings([]);
    onClose();
  };
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title={`Weigh out: ${material.name}`}
      description="Put a cup on the scale, set it to zero, dispense, take the weight. Three times tells how even it is."
      actions={
        <Button weight="main" disabled={!found.ok} onClick={() => void keep()}>
          Keep on the shelf
        </Button>
      }
    >
      <div className="flex flex-col gap-4">
        <div ref={form} className="grid grid-cols-2 gap-3">
          <Choice<CountedMeasure>
            label="Measure"
            value={measure}
            options={(Object.keys(MEASURES) as CountedMeasure[]).map((value) => ({
              value,
              label: MEASURE_WORDS[value][0],
            }))}
            onChoose={choose}
          />
          <NumberField
            label={`How many ${many} at a time`}
            value={count}
            check={within(LIMITS.pieces)}
            onCommit={setCount}
          />
        </div>
        {density === undefined && (
          <p className="border-l-2 border-clay bg-clay-wash px-3 py-2 text-sm">
            ▲ The scale weighs g and the measure is in ml: give the density of {material.name}{' '}
            first.
          </p>
        )}
        <ScaleReading
          action={`Take the weight of ${count}`}
          onTake={take}
          pour={count * known * (density ?? 1)}
        />
        {weighings.length > 0 && (
          <table className="w-full text-sm">
            <caption className="sr-only">Weighings so far</caption>
            <tbody>
              {weighings.map((weighing, at) => (
                <tr key={at} className="border-b border-line">
                  <td className="py-1">
                    {number(weighing.count)} {weighing.count === 1 ? one : many}
                  </td>
                  <td className="py-1 text-right">{number(weighing.grams)} g</td>
                  <td className="w-10 py-1 text-right">
                    <IconButton
                      label={`Remove weighing ${at + 1}`}
                      onClick={() => setWeighings(weighings.toSpliced(at, 1))}
                    >
                      <X aria-hidden size={14} />
                    </IconButton>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {weighings.length > 0 && !found.ok && (
          <p className="text-sm font-semibold text-clay">▲ {found.problems[0]?.message}</p>
        )}
        {found.ok && (
          <p role="status" className="border-l-2 border-palm pl-3">
            One {one} gives{' '}
            <strong className="font-serif text-xl">{number(found.value.each.usual, 3)} ml</strong>
            {found.value.each.spread === undefined
              ? '; weigh once more to learn its give or take.'
              : `, give or take ${percent(found.value.each.spread)}.`}
          </p>
        )}
        <FormFault fault={fault} />
      </div>
    </Sheet>
  );
}
