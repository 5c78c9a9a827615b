import { X } from 'lucide-react';
import type { Mix, MixPart } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { Triple } from '@bienestar/core/quantity/triple';
import type { StatedUnit } from '@bienestar/core/quantity/unit';
import { UNIT_WORDS } from '../../format/amountWords';
import { IconButton } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { TextField } from '../../parts/TextField';
import { TripleField } from '../../parts/TripleField';
import { useHouse } from '../../store/house';

interface MixPartFieldsProps {
  readonly part: MixPart;
  readonly mixId: Mix['id'];
  readonly onChange: (part: MixPart) => void;
  readonly onRemove: () => void;
}

const LARGEST = 100_000;
const MEASURED_IN = [
  'g',
  'ml',
  'tsp',
  'tbsp',
  'oz',
  'us-fl-oz',
] as const satisfies readonly StatedUnit[];

/** One part of a mix: what it is, how much of it, and whether that is only until it feels right. */
export function MixPartFields({ part, mixId, onChange, onRemove }: MixPartFieldsProps) {
  const { materials, mixes } = useHouse();
  const { source, amount } = part;
  const material =
    source.kind === 'material'
      ? materials.find((each) => each.id === source.materialId)
      : undefined;
  const name =
    material?.name ??
    mixes.find((each) => source.kind === 'mix' && each.id === source.mixId)?.name ??
    '';
  const triple: Triple = amount.how === 'ratio' ? amount.parts : amount.quantity;
  const way = amount.how === 'packs' ? 'packs' : `${amount.how}:${amount.unit}`;
  const put = (key: string, quantity: Triple): void => {
    const [how = 'measured', unit = 'g'] = key.split(':');
    onChange({
      ...part,
      amount:
        how === 'packs'
          ? { how, quantity }
          : how === 'ratio'
            ? { how, parts: quantity, unit: unit as 'ml' | 'g' }
            : { how: 'measured', quantity, unit: unit as StatedUnit },
    });
  };
  return (
    <div
      role="group"
      aria-label={name}
      className="grid grid-cols-[1fr_7.5rem_2rem] items-center gap-1.5 border-l-2 border-line-strong pl-3"
    >
      <Choice
        label="Part"
        labelHidden
        value={source.kind === 'material' ? `material:${source.materialId}` : `mix:${source.mixId}`}
        options={[
          ...materials
            .filter(
              (each) =>
                each.kind !== 'linen' && (each.archivedOn === undefined || each === material),
            )
            .map((each) => ({ value: `material:${each.id}`, label: each.name })),
          ...mixes
            .filter((each) => each.id !== mixId)
            .map((each) => ({ value: `mix:${each.id}`, label: `${each.name} (mix)` })),
        ]}
        onChoose={(key) => {
          const [kind, id = ''] = key.split(':');
          onChange({
            ...part,
            source:
              kind === 'mix'
                ? { kind, mixId: asId(id) }
                : { kind: 'material', materialId: asId(id) },
          });
        }}
      />
      <Choice
        label={`How ${name} is measured`}
        labelHidden
        value={way}
        options={[
          ...MEASURED_IN.map((unit) => ({ value: `measured:${unit}`, label: UNIT_WORDS[unit][1] })),
          { value: 'ratio:g', label: 'parts (g)' },
          { value: 'ratio:ml', label: 'parts (ml)' },
          ...(material?.kind === 'single-dose' ? [{ value: 'packs', label: 'packs' }] : []),
        ]}
        onChoose={(key) => put(key, triple)}
      />
      <IconButton label={`Remove ${name} from the mix`} onClick={onRemove}>
        <X aria-hidden size={16} />
      </IconButton>
      <div className="col-span-3 grid grid-cols-2 items-end gap-2">
        <TripleField
          legend={`How much ${name}`}
          legendHidden
          labels={['low', 'usual', 'high']}
          values={[triple.low, triple.usual, triple.high]}
          unit={
            amount.how === 'measured'
              ? UNIT_WORDS[amount.unit][1]
              : amount.how === 'ratio'
                ? 'parts'
                : 'packs'
          }
          largest={LARGEST}
          onCommit={([low, usual, high]) => put(way, { low, usual, high })}
        />
        <TextField
          commitOn="leaving"
          label="To texture"
          value={part.toTexture ?? ''}
          onCommit={(toTexture) =>
            onChange({ ...part, toTexture: toTexture.trim() === '' ? undefined : toTexture })
          }
        />
      </div>
    </div>
  );
}
