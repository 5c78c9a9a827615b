import { Plus, X } from 'lucide-react';
import type { Material } from '@bienestar/core/house/house';
import type { Calibrated, Measures, NamedAmount } from '@bienestar/core/quantity/measures';
import { Button, IconButton } from '../../parts/Button';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { TextField } from '../../parts/TextField';
import type { ChangePart } from '../../store/useEditPart';

interface MeasuresEditorProps {
  readonly material: Material;
  readonly change: ChangePart<Material>;
}

const CALIBRATED = [
  ['mlPerPump', 'ml per pump'],
  ['mlPerSpray', 'ml per spray'],
  ['mlPerDropper', 'ml per dropperful'],
  ['dropsPerMl', 'drops per ml'],
] as const satisfies readonly (readonly [keyof Measures, string])[];

/** How amounts of a material are stated at the trolley, each with its give or take. */
export function MeasuresEditor({ material, change }: MeasuresEditorProps) {
  const { measures } = material;
  const put = (changes: Partial<Measures>) =>
    change({ measures: without({ ...measures, ...changes }) });
  const named = measures.named ?? [];
  const putNamed = (next: readonly NamedAmount[]) =>
    put({ named: next.length > 0 ? next : undefined });
  return (
    <div className="flex flex-col gap-3">
      <h3 className="text-lg">Measures</h3>
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          commitOn="leaving"
          label="Density"
          unit="g/ml"
          value={measures.density}
          check={(density) =>
            density > 0 && density <= 25 ? undefined : 'Must be more than 0 and at most 25.'
          }
          onCommit={(density) => put({ density })}
          onClear={() => void put({ density: undefined })}
        />
        <PercentField
          commitOn="leaving"
          label="Stays on hands and tools"
          to={0.99}
          value={measures.handlingLoss}
          onCommit={(handlingLoss) => put({ handlingLoss })}
          onClear={() => void put({ handlingLoss: undefined })}
        />
        {CALIBRATED.map(([key, label]) => (
          <CalibratedFields
            key={key}
            label={label}
            value={measures[key]}
            onChange={(value) => put({ [key]: value })}
          />
        ))}
      </div>
      <div className="flex flex-col gap-2">
        <span className={LABEL_LOOK}>Amounts by eye</span>
        {named.map((each, at) => (
          <div
            key={at}
            role="group"
            aria-label={each.name}
            className="grid grid-cols-[1fr_6rem_5rem_2rem] items-start gap-2"
          >
            <TextField
              commitOn="leaving"
              label="Name of the amount"
              labelHidden
              needed
              value={each.name}
              onCommit={(name) => putNamed(named.with(at, { ...each, name }))}
            />
            <NumberField
              commitOn="leaving"
              label={`Size of ${each.name}`}
              labelHidden
              unit={each.unit}
              value={each.usual}
              check={(usual) => (usual > 0 ? undefined : 'Must be more than 0.')}
              onCommit={(usual) => putNamed(named.with(at, { ...each, usual }))}
            />
            <PercentField
              commitOn="leaving"
              label={`Give or take of ${each.name}`}
              labelHidden
              to={0.99}
              value={each.spread}
              onCommit={(spread) => putNamed(named.with(at, { ...each, spread }))}
              onClear={() => void putNamed(named.with(at, { ...each, spread: undefined }))}
            />
            <IconButton
              label={`Take out ${each.name}`}
              onClick={() => void putNamed(named.toSpliced(at, 1))}
            >
              <X aria-hidden size={16} />
            </IconButton>
          </div>
        ))}
        <Button
          className="self-start"
          onClick={() =>
            void putNamed([
              ...named,
              { name: freshName(named), usual: 1, unit: material.unit === 'g' ? 'g' : 'ml' },
            ])
          }
        >
          <Plus aria-hidden size={16} /> Name an amount
        </Button>
      </div>
    </div>
  );
}

interface CalibratedFieldsProps {
  readonly label: string;
  readonly value: Calibrated | undefined;
  readonly onChange: (value: Calibrated | undefined) => Promise<string | undefined>;
}

function CalibratedFields({ label, value, onChange }: CalibratedFieldsProps) {
  return (
    <>
      <NumberField
        commitOn="leaving"
        label={label}
        value={value?.usual}
        check={(usual) => (usual > 0 ? undefined : 'Must be more than 0.')}
        onCommit={(usual) => onChange({ ...value, usual })}
        onClear={() => void onChange(undefined)}
      />
      <PercentField
        commitOn="leaving"
        label={`give or take, ${label}`}
        to={0.99}
        value={value?.spread}
        onCommit={(spread) => (value ? onChange({ ...value, spread }) : undefined)}
        onClear={() => void (value && onChange({ usual: value.usual }))}
      />
    </>
  );
}

/** Measures without the keys that hold nothing, as the house keeps them. */
function without(measures: Measures): Measures {
  return Object.fromEntries(Object.entries(measures).filter(([, held]) => held !== undefined));
}

function freshName(named: readonly NamedAmount[]): string {
  const taken = new Set(named.map((each) => each.name));
  return (
    ['coin', 'almond', 'pea', 'hazelnut'].find((name) => !taken.has(name)) ??
    `amount ${named.length + 1}`
  );
}
