import { Plus, Weight, X } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { Material } from '@bienestar/core/house/house';
import type { MissingMeasure } from '@bienestar/core/problem/problem';
import {
  unitOfMissing,
  withMissing,
  type Calibrated,
  type Measures,
} from '@bienestar/core/quantity/measures';
import { COUNTED_MEASURE_WORDS } from '../../format/amountWords';
import { Button, IconButton } from '../../parts/Button';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { TextField } from '../../parts/TextField';
import { renamed } from '../../store/menuEffect';
import { useMeantChange, type ChangePart } from '../../store/useEditPart';
import { CalibrateSheet } from './CalibrateSheet';
import { YieldFields } from './YieldFields';

interface MeasuresEditorProps {
  readonly material: Material;
  readonly change: ChangePart<Material>;
}

const CALIBRATED = [
  ['mlPerPump', COUNTED_MEASURE_WORDS.pump],
  ['mlPerSpray', COUNTED_MEASURE_WORDS.spray],
  ['mlPerDropper', COUNTED_MEASURE_WORDS.dropper],
  ['dropsPerMl', COUNTED_MEASURE_WORDS.drop],
  ['mlPerSpatula', COUNTED_MEASURE_WORDS.spatula],
] as const satisfies readonly (readonly [keyof Measures, string])[];

/** How amounts of a material are stated at the trolley, each with its give or take. */
export function MeasuresEditor({ material, change }: MeasuresEditorProps) {
  const { measures } = material;
  const put = (changes: Partial<Measures>) =>
    change((latest) => ({ measures: without({ ...latest.measures, ...changes }) }));
  const answer = (missing: MissingMeasure, usual: number) =>
    change((latest) => ({
      measures: withMissing(latest.measures, missing, usual, latest.unit),
    }));
  const changeMeant = useMeantChange('materials', material.id, change);
  type Make<K extends 'named' | 'coats'> = (
    lines: readonly NonNullable<Measures[K]>[number][],
  ) => readonly unknown[];
  const withList =
    <K extends 'named' | 'coats'>(key: K, make: Make<K>) =>
    ({ measures: latest }: Material): { readonly measures: Measures } => {
      const next = make(latest[key] ?? []);
      return { measures: without({ ...latest, [key]: next.length > 0 ? next : undefined }) };
    };
  const putList =
    <K extends 'named' | 'coats'>(key: K) =>
    (make: Make<K>) =>
      change(withList(key, make));
  const removeFrom =
    (key: 'named' | 'coats') =>
    (name: string): void =>
      void changeMeant(
        { title: `Remove ${name}?`, yes: 'Remove it', still: '' },
        withList(key, (lines) => lines.filter((line) => line.name !== name)),
      );
  const renameIn =
    (key: 'named' | 'coats') =>
    (from: string, to: string): Promise<string | undefined> =>
      changeMeant(
        renamed(from, to),
        withList(key, (lines) =>
          lines.map((line) => (line.name === from ? { ...line, name: to } : line)),
        ),
      );
  const named = measures.named ?? [];
  const coats = measures.coats ?? [];
  const [calibrating, setCalibrating] = useState(false);
  const putNamed = putList('named');
  const putCoats = putList('coats');
  return (
    <div className="flex flex-col gap-3">
      <div className="flex items-center justify-between">
        <h3 className="text-lg">Measures</h3>
        <Button onClick={() => setCalibrating(true)}>
          <Weight aria-hidden size={16} /> Weigh it out
        </Button>
      </div>
      {material.kind === 'fresh' && <YieldFields material={material} change={change} />}
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          commitOn="leaving"
          label="Density"
          unit="g/ml"
          value={measures.density}
          check={within(LIMITS.density)}
          onCommit={(density) => put({ density })}
          onClear={() => void put({ density: undefined, densitySpread: undefined })}
        />
        <PercentField
          commitOn="leaving"
          label="give or take, density"
          to={0.99}
          value={measures.densitySpread}
          onCommit={(densitySpread) => put({ densitySpread })}
          onClear={() => void put({ densitySpread: undefined })}
        />
        {CALIBRATED.map(([key, label]) => (
          <CalibratedFields
            key={key}
            label={label}
            value={measures[key]}
            onChange={(make) =>
              change(({ measures: latest }) => ({
                measures: without({ ...latest, [key]: make(latest[key]) }),
              }))
            }
          />
        ))}
        <PercentField
          commitOn="leaving"
          label="Stays on hands and tools"
          to={0.99}
          value={measures.handlingLoss}
          onCommit={(handlingLoss) => put({ handlingLoss })}
          onClear={() => void put({ handlingLoss: undefined })}
        />
      </div>
      <NamedLines
        title="Amounts by eye"
        what="amount"
        lines={named}
        unitOf={(each) => each.unit}
        onChange={putNamed}
        onRename={renameIn('named')}
        onRemove={removeFrom('named')}
        add={
          <NewLine
            action="Name an amount"
            what="amount"
            unit={unitOfMissing({ of: 'named', name: '' }, material.unit)}
            suggested={freshName(EYE_NAMES, named)}
            onAdd={(name, usual) => answer({ of: 'named', name }, usual)}
          />
        }
      />
      <NamedLines
        title="Coats of its own"
        what="coat"
        lines={coats}
        unitOf={() => 'mg/cm²'}
        onChange={putCoats}
        onRename={renameIn('coats')}
        onRemove={removeFrom('coats')}
        add={
          <NewLine
            action="Name a coat"
            what="coat"
            unit="mg/cm²"
            suggested={freshName(COAT_NAMES, coats)}
            onAdd={(name, usual) => answer({ of: 'coat', name }, usual)}
          />
        }
      />
      <CalibrateSheet
        material={material}
        open={calibrating}
        onClose={() => setCalibrating(false)}
        onKeep={put}
      />
    </div>
  );
}

interface NamedLine extends Calibrated {
  readonly name: string;
}

interface NamedLinesProps<L extends NamedLine> {
  readonly title: string;
  readonly what: string;
  readonly lines: readonly L[];
  readonly unitOf: (line: L) => string;
  readonly onChange: (make: (lines: readonly L[]) => readonly L[]) => Promise<string | undefined>;
  readonly onRename: (from: string, to: string) => Promise<string | undefined>;
  readonly onRemove: (name: string) => void;
  readonly add: ReactNode;
}

/** Lines of a name, a size and its give or take. */
function NamedLines<L extends NamedLine>({
  title,
  what,
  lines,
  unitOf,
  onChange,
  onRename,
  onRemove,
  add,
}: NamedLinesProps<L>) {
  const put = (at: number, changes: Partial<NamedLine>) =>
    onChange((latest) =>
      latest.map((line, which) => (which === at ? { ...line, ...changes } : line)),
    );
  return (
    <div className="flex flex-col gap-2">
      <span className={LABEL_LOOK}>{title}</span>
      {lines.map((each, at) => (
        <div
          key={at}
          role="group"
          aria-label={each.name}
          className="grid grid-cols-[1fr_7.5rem_5rem_2rem] items-start gap-2"
        >
          <TextField
            commitOn="leaving"
            label={`Name of the ${what}`}
            labelHidden
            needed
            value={each.name}
            onCommit={(name) => onRename(each.name, name)}
          />
          <NumberField
            commitOn="leaving"
            label={`Size of ${each.name}`}
            labelHidden
            unit={unitOf(each)}
            value={each.usual}
            check={within(LIMITS.quantity)}
            onCommit={(usual) => put(at, { usual })}
          />
          <PercentField
            commitOn="leaving"
            label={`Give or take of ${each.name}`}
            labelHidden
            to={0.99}
            value={each.spread}
            onCommit={(spread) => put(at, { spread })}
            onClear={() => void put(at, { spread: undefined })}
          />
          <IconButton label={`Remove ${each.name}`} onClick={() => onRemove(each.name)}>
            <X aria-hidden size={16} />
          </IconButton>
        </div>
      ))}
      {add}
    </div>
  );
}

interface NewLineProps {
  readonly action: string;
  readonly what: string;
  readonly unit: string;
  readonly suggested: string;
  /** answers what went wrong, if anything */
  readonly onAdd: (name: string, size: number) => Promise<string | undefined>;
}

/** A name and a size that are not there before both have been said. */
function NewLine({ action, what, unit, suggested, onAdd }: NewLineProps) {
  const [name, setName] = useState<string>();
  if (name === undefined) {
    return (
      <Button className="self-start" onClick={() => setName(suggested)}>
        <Plus aria-hidden size={16} /> {action}
      </Button>
    );
  }
  return (
    <div
      role="group"
      aria-label={`A new ${what}`}
      className="grid grid-cols-[1fr_1fr_2rem] items-end gap-2"
    >
      <TextField label={`New ${what}`} needed value={name} onCommit={setName} />
      <NumberField
        commitOn="leaving"
        label={`How much is “${name}”`}
        unit={unit}
        value={undefined}
        onClear="needed"
        check={within(LIMITS.quantity)}
        onCommit={async (size) => {
          const refused = await onAdd(name, size);
          if (refused === undefined) setName(undefined);
          return refused;
        }}
      />
      <IconButton label={`Leave the new ${what}`} onClick={() => setName(undefined)}>
        <X aria-hidden size={16} />
      </IconButton>
    </div>
  );
}

interface CalibratedFieldsProps {
  readonly label: string;
  readonly value: Calibrated | undefined;
  /** from how it is when its turn has come */
  readonly onChange: (
    make: (latest: Calibrated | undefined) => Calibrated | undefined,
  ) => Promise<string | undefined>;
}

function CalibratedFields({ label, value, onChange }: CalibratedFieldsProps) {
  return (
    <>
      <NumberField
        commitOn="leaving"
        label={label}
        value={value?.usual}
        check={within(LIMITS.quantity)}
        onCommit={(usual) => onChange((latest) => ({ ...latest, usual }))}
        onClear={() => void onChange(() => undefined)}
      />
      <PercentField
        commitOn="leaving"
        label={`give or take, ${label}`}
        to={0.99}
        value={value?.spread}
        onCommit={(spread) =>
          value ? onChange((latest) => latest && { ...latest, spread }) : undefined
        }
        onClear={() => void (value && onChange((latest) => latest && { usual: latest.usual }))}
      />
    </>
  );
}

/** Measures without the keys that hold nothing, as the house keeps them. */
function without(measures: Measures): Measures {
  return Object.fromEntries(Object.entries(measures).filter(([, held]) => held !== undefined));
}

const EYE_NAMES = ['coin', 'almond', 'pea', 'hazelnut'];
const COAT_NAMES = ['mask', 'wrap', 'thin', 'standard', 'generous'];

function freshName(names: readonly string[], lines: readonly NamedLine[]): string {
  const taken = new Set(lines.map((each) => each.name));
  return names.find((name) => !taken.has(name)) ?? `another ${lines.length + 1}`;
}
