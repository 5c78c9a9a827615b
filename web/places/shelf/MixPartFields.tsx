import { X } from 'lucide-react';
import type { Mix, MixPart, PartAmount, Source } from '@bienestar/core/house/house';
import { partsOf, sourceKey, sourceName } from '@bienestar/core/house/sources';
import type { Triple } from '@bienestar/core/quantity/triple';
import { IconButton } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { TextField } from '../../parts/TextField';
import { TripleField } from '../../parts/TripleField';
import { useHouse } from '../../store/house';
import { measuredPart, stated, wayOf, waysFor } from '../protocols/inspector/amountWays';

interface MixPartFieldsProps {
  readonly part: MixPart;
  readonly mixId: Mix['id'];
  readonly onChange: (part: MixPart) => void;
  readonly onRemove: () => void;
}

const LARGEST = 100_000;
/** The ways of a recipe: by every school that needs no skin to be measured on. */
const PART_WAYS = /^(?:measured|counted|named|packs)/u;

/** One part of a mix: what it is, how much of it, and whether that is only until it feels right. */
export function MixPartFields({ part, mixId, onChange, onRemove }: MixPartFieldsProps) {
  const { materials, mixes, settings } = useHouse();
  const { source, amount } = part;
  const name = sourceName({ materials, mixes }, source) ?? '';
  const waysOf = (from: Source): ReturnType<typeof waysFor> => {
    const material =
      from.kind === 'material' ? materials.find((each) => each.id === from.materialId) : undefined;
    const held = material && partsOf(material).find(({ id }) => sourceKey(from).endsWith(`/${id}`));
    return waysFor(held ? measuredPart(held) : material, settings.vessels).filter(({ key }) =>
      PART_WAYS.test(key),
    );
  };
  const ways = waysOf(source);
  const triple: Triple = amount.how === 'ratio' ? amount.parts : amount.quantity;
  const way = amount.how === 'ratio' ? `ratio:${amount.unit}` : wayOf(amount);
  const saidBy = (key: string, quantity: Triple): MixPart['amount'] => {
    const [how, unit] = key.split(':');
    return how === 'ratio'
      ? { how, parts: quantity, unit: unit as 'ml' | 'g' }
      : (stated(key, quantity) as PartAmount);
  };
  const put = (key: string, quantity: Triple): void =>
    onChange({ ...part, amount: saidBy(key, quantity) });
  /** Drawn from elsewhere, it is measured as before where that can be, and otherwise as is usual there. */
  const draw = (from: Source): void => {
    const there = waysOf(from);
    const canBe = amount.how === 'ratio' || there.some(({ key }) => key === way);
    const [usual] = there;
    onChange({
      ...part,
      source: from,
      ...(!canBe && usual && { amount: saidBy(usual.key, triple) }),
    });
  };
  const isChosen = (id: string): boolean =>
    source.kind === 'mix' ? source.mixId === id : source.materialId === id;
  const sources: readonly { readonly name: string; readonly source: Source }[] = [
    ...materials
      .filter(
        (each) => each.kind !== 'linen' && (each.archivedOn === undefined || isChosen(each.id)),
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
      .filter((each) => each.id !== mixId && (each.archivedOn === undefined || isChosen(each.id)))
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
          if (chosen) draw(chosen.source);
        }}
      />
      <Choice
        label={`How ${name} is measured`}
        labelHidden
        value={way}
        options={[
          ...ways.map(({ key, label }) => ({ value: key, label })),
          { value: 'ratio:g', label: 'parts (g)' },
          { value: 'ratio:ml', label: 'parts (ml)' },
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
            amount.how === 'ratio' ? 'parts' : (ways.find(({ key }) => key === way)?.label ?? '')
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
