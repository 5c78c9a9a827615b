import { X } from 'lucide-react';
import type { Mix, MixPart, Source } from '@bienestar/core/house/house';
import { partsOf, sourceKey, sourceName } from '@bienestar/core/house/sources';
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
  const name = sourceName({ materials, mixes }, source) ?? '';
  const isWhole =
    material?.kind === 'single-dose' || (source.kind === 'material' && source.part !== undefined);
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
  const sources: readonly { readonly name: string; readonly source: Source }[] = [
    ...materials
      .filter(
        (each) => each.kind !== 'linen' && (each.archivedOn === undefined || each === material),
      )
      .flatMap((each) => {
        const of = { kind: 'material', materialId: each.id } as const;
        return [
          { name: each.name, source: of },
          ...partsOf(each).map(({ id, name: held }) => ({
            name: `${held} (${each.name})`,
            source: { ...of, part: id },
          })),
        ];
      }),
    ...mixes
      .filter((each) => each.id !== mixId)
      .map((each) => ({
        name: `${each.name} (mix)`,
        source: { kind: 'mix', mixId: each.id } as const,
      })),
  ];
  return (
    <div
      role="group"
      aria-label={name}
      className="grid grid-cols-[1fr_7.5rem_2rem] items-center gap-1.5 border-l-2 border-line-strong pl-3"
    >
      <Choice
        label="Part"
        labelHidden
        value={sourceKey(source)}
        options={sources.map((each) => ({ value: sourceKey(each.source), label: each.name }))}
        onChoose={(key) => {
          const chosen = sources.find((each) => sourceKey(each.source) === key);
          if (chosen) onChange({ ...part, source: chosen.source });
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
          ...(isWhole ? [{ value: 'packs', label: 'packs' }] : []),
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
