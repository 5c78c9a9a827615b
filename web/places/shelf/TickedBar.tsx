import { useState } from 'react';
import type { Material, Pack } from '@bienestar/core/house/house';
import { asId, type SupplierId } from '@bienestar/core/house/ids';
import { repriced } from '@bienestar/core/cost/repriced';
import { FormFault } from '../../parts/FormFault';
import { counted, number } from '../../format/figures';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { useRightForm } from '../../parts/useRightForm';
import { useHouse, useSnapshot } from '../../store/house';
import { useToday } from '../../store/clock';
import { useSaveWithUndo } from '../../store/useSaveMaterials';

interface TickedBarProps {
  readonly materials: readonly Material[];
  readonly onDone: () => void;
}

type What = 'price' | 'discount' | 'supplier' | 'archive';

const WHAT_WORDS: Record<What, string> = {
  price: 'prices change by',
  discount: 'discount becomes',
  supplier: 'packs come from',
  archive: 'into the archive, or out',
};

/** What can be done to all materials that are ticked, at once, with undo. */
export function TickedBar({ materials, onDone }: TickedBarProps) {
  const { suppliers } = useHouse();
  const today = useToday();
  const snapshot = useSnapshot();
  const save = useSaveWithUndo();
  const [what, setWhat] = useState<What>('price');
  const [byPercent, setByPercent] = useState(0);
  const [discount, setDiscount] = useState(0);
  const [supplierId, setSupplierId] = useState<string>(suppliers[0]?.id ?? '');
  const ids = new Set<string>(materials.map(({ id }) => id));
  const bought = (material: Material, change: (pack: Pack) => Pack): Material =>
    material.kind === 'linen' ? material : { ...material, packs: material.packs.map(change) };
  const changes: Record<What, (material: Material) => Material> = {
    price: (material) => bought(material, (pack) => repriced(pack, byPercent / 100)),
    discount: (material) => bought(material, (pack) => ({ ...pack, discount })),
    supplier: (material) =>
      bought(material, (pack) => ({ ...pack, supplierId: asId<SupplierId>(supplierId) })),
    archive: ({ archivedOn, ...material }) =>
      archivedOn === undefined ? { ...material, archivedOn: today } : material,
  };
  const { form, fault, isRight } = useRightForm();
  const apply = async (): Promise<void> => {
    if (!isRight()) return;
    const before = snapshot.materials.filter(({ id }) => ids.has(id));
    const words = `${counted(before.length, 'material')} changed.`;
    if (await save(before, before.map(changes[what]), 'hand', words)) onDone();
  };
  return (
    <div
      ref={form}
      role="group"
      aria-label="Change all that are ticked"
      className="flex items-end gap-2 border-t border-line bg-palm-wash px-6 py-2"
    >
      <span className="pb-2 text-sm font-semibold">{number(materials.length)} ticked:</span>
      <Choice<What>
        className="w-52"
        label="What changes"
        labelHidden
        value={what}
        options={(Object.keys(WHAT_WORDS) as What[]).map((value) => ({
          value,
          label: WHAT_WORDS[value],
        }))}
        onChoose={setWhat}
      />
      {what === 'price' && (
        <NumberField
          className="w-24"
          label="Change of price"
          labelHidden
          unit="%"
          value={byPercent}
          check={(percent) =>
            percent > -100 && percent <= 1000 ? undefined : 'From −99 to 1000 %.'
          }
          onCommit={setByPercent}
        />
      )}
      {what === 'discount' && (
        <PercentField
          className="w-24"
          label="New discount"
          labelHidden
          value={discount}
          onCommit={setDiscount}
        />
      )}
      {what === 'supplier' && (
        <Choice
          className="w-52"
          label="New supplier"
          labelHidden
          value={supplierId}
          options={suppliers.map(({ id, name }) => ({ value: String(id), label: name }))}
          onChoose={setSupplierId}
        />
      )}
      <Button weight="main" onClick={() => void apply()}>
        Change all
      </Button>
      <FormFault fault={fault} className="pb-2 text-sm" />
      <Button weight="quiet" onClick={onDone}>
        Untick
      </Button>
    </div>
  );
}
