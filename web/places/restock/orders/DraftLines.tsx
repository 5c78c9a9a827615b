import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { BoughtMaterial, Order, OrderLine } from '@bienestar/core/house/house';
import type { MaterialId, PackId } from '@bienestar/core/house/ids';
import { lineOf, packPrice } from '@bienestar/core/restock/proposeOrders';
import { money } from '../../../format/figures';
import { Choice } from '../../../parts/Choice';
import { IconButton } from '../../../parts/Button';
import { NumberField } from '../../../parts/NumberField';
import { useHouse } from '../../../store/house';
import type { ChangePart } from '../../../store/useEditPart';
import { contentWords } from '../../shelf/materialWords';
import { reasonWords } from '../restockWords';
import { orderLineOf } from './newOrder';

interface DraftLinesProps {
  readonly order: Order;
  readonly change: ChangePart<Order>;
}

/** The lines of an order that is being written: why each is there, how many packs, in which pack. */
export function DraftLines({ order, change }: DraftLinesProps) {
  const { materials } = useHouse();
  const [adding, setAdding] = useState<MaterialId | ''>('');
  const sold = materials.filter(
    (material): material is BoughtMaterial =>
      material.kind !== 'linen' &&
      material.archivedOn === undefined &&
      material.packs.some(({ supplierId }) => supplierId === order.supplierId),
  );
  const free = sold.filter(({ id }) => !order.lines.some(({ materialId }) => materialId === id));
  const put = (line: OrderLine): Promise<string | undefined> =>
    change((latest) => ({
      lines: latest.lines.map((each) => (each.id === line.id ? line : each)),
    }));
  const add = (id: MaterialId): void => {
    const material = sold.find((each) => each.id === id);
    const pack = material?.packs.find(({ supplierId }) => supplierId === order.supplierId);
    if (!material || !pack) return;
    const line = orderLineOf(lineOf(material, pack, pack.leastPacks ?? 1, [{ kind: 'by-hand' }]));
    setAdding('');
    void change((latest) => ({ lines: [...latest.lines, line] }));
  };
  return (
    <div className="flex flex-col gap-2">
      {order.lines.length === 0 && (
        <p className="text-sm text-ink-soft">Nothing in it yet: add what should come.</p>
      )}
      <ul>
        {order.lines.map((line) => (
          <DraftLine
            key={line.id}
            line={line}
            supplierId={order.supplierId}
            onChange={put}
            onRemove={() =>
              void change((latest) => ({ lines: latest.lines.filter(({ id }) => id !== line.id) }))
            }
          />
        ))}
      </ul>
      {free.length > 0 && (
        <Choice<MaterialId | ''>
          label="Add a material"
          value={adding}
          options={free.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={(id) => id !== '' && add(id)}
        />
      )}
    </div>
  );
}

interface DraftLineProps {
  readonly line: OrderLine;
  readonly supplierId: Order['supplierId'];
  readonly onChange: (line: OrderLine) => Promise<string | undefined>;
  readonly onRemove: () => void;
}

function DraftLine({ line, supplierId, onChange, onRemove }: DraftLineProps) {
  const { materials, settings } = useHouse();
  const material = materials.find(({ id }) => id === line.materialId);
  if (!material || material.kind === 'linen') return null;
  const packs = material.packs.filter((pack) => pack.supplierId === supplierId);
  const pack = material.packs.find(({ id }) => id === line.packId);
  const repriced = (packId: PackId, count: number): OrderLine => {
    const of = material.packs.find(({ id }) => id === packId);
    const priceMinor = of ? packPrice(of, count) : line.priceMinor;
    return { ...line, packId, packs: count, priceMinor };
  };
  return (
    <li className="flex flex-col gap-1 border-b border-line py-2 text-sm">
      <div className="flex items-center gap-2">
        <span className="min-w-0 flex-1 font-semibold">{material.name}</span>
        <NumberField
          className="w-24"
          label={`Packs of ${material.name}`}
          labelHidden
          unit="packs"
          commitOn="leaving"
          value={line.packs}
          check={within(LIMITS.orderedPacks)}
          onCommit={(count) => onChange(repriced(line.packId, count))}
        />
        <span className="w-28 text-right">{money(line.priceMinor, settings.currency)} a pack</span>
        <IconButton label={`Remove ${material.name}`} onClick={onRemove}>
          <Trash2 aria-hidden size={16} />
        </IconButton>
      </div>
      <p className="text-ink-soft">
        {line.why.map((reason) => reasonWords(reason, material.unit)).join('; ')}
      </p>
      {packs.length > 1 ? (
        <Choice<PackId>
          className="w-64"
          label={`Pack of ${material.name}`}
          labelHidden
          value={line.packId}
          options={packs.map((each) => ({
            value: each.id,
            label: `${contentWords(each, material.unit, material.kind)}, ${money(each.priceMinor, settings.currency)}`,
          }))}
          onChoose={(packId) => void onChange(repriced(packId, line.packs))}
        />
      ) : (
        pack && (
          <p className="text-ink-soft">
            each {contentWords(pack, material.unit, material.kind)}
            {pack.code !== undefined && `, ${pack.code}`}
          </p>
        )
      )}
    </li>
  );
}
