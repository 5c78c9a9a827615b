import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { MaterialKind } from '@bienestar/core/house/house';
import { newMaterial } from '@bienestar/core/house/newMaterial';
import { asId } from '@bienestar/core/house/ids';
import type { BaseUnit } from '@bienestar/core/quantity/unit';
import { FormFault } from '../../parts/FormFault';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import { Sheet } from '../../parts/Sheet';
import { TextField } from '../../parts/TextField';
import { useRightForm } from '../../parts/useRightForm';
import { useHouse } from '../../store/house';
import { useAddAndRemove } from '../../store/useEditPart';
import { KIND_WORDS, KINDS } from './materialWords';

interface SaidOfMaterial {
  readonly kind: MaterialKind;
  readonly name: string;
  readonly unit: BaseUnit;
  readonly supplierId: string;
  readonly content: number | undefined;
  readonly priceMinor: number | undefined;
}

/** A new material, asked only for what every figure needs; the rest is said in its panel. */
export function AddMaterial({
  open,
  onClose,
}: {
  readonly open: boolean;
  readonly onClose: () => void;
}) {
  const house = useHouse();
  const navigate = useNavigate();
  const { add, busy } = useAddAndRemove('materials');
  const [tried, setTried] = useState(false);
  const { form, fault, isRight } = useRightForm();
  const begin: SaidOfMaterial = {
    kind: 'back-bar',
    name: '',
    unit: 'ml',
    supplierId: house.suppliers[0]?.id ?? '',
    content: undefined,
    priceMinor: undefined,
  };
  const [made, setMade] = useState(begin);
  const change = (changes: Partial<SaidOfMaterial>): void => setMade({ ...made, ...changes });
  const linen = made.kind === 'linen';
  const missing = [
    made.name.trim() === '' && 'a name',
    !linen && made.content === undefined && 'what a pack holds',
    made.priceMinor === undefined && 'a price',
    !linen && made.supplierId === '' && 'a supplier (add one in House)',
  ].filter(Boolean);

  const addIt = async (): Promise<void> => {
    setTried(true);
    if (!isRight() || missing.length > 0) return;
    const { content = 1, priceMinor = 0, supplierId, ...said } = made;
    const material = newMaterial(
      { ...said, content, containers: 1, priceMinor, supplierId: asId(supplierId) },
      () => nanoid(12),
    );
    if (!(await add(material))) return;
    setMade(begin);
    setTried(false);
    onClose();
    void navigate(`/shelf/${material.id}`);
  };

  return (
    <Sheet
      open={open}
      onClose={onClose}
      title="Add a material"
      description="What every figure needs. Measures and discounts follow in its panel."
      actions={
        <Button weight="main" disabled={busy} onClick={() => void addIt()}>
          Add to the shelf
        </Button>
      }
    >
      <div ref={form} className="flex flex-col gap-4">
        <Choice<MaterialKind>
          label="Kind"
          value={made.kind}
          options={KINDS.map((kind) => ({ value: kind, label: KIND_WORDS[kind].one }))}
          onChoose={(kind) => change({ kind, unit: unitsOf(kind)[0] ?? 'piece' })}
        />
        <p className="text-sm text-ink-soft">{KIND_WORDS[made.kind].what}</p>
        <TextField label="Name" needed value={made.name} onCommit={(name) => change({ name })} />
        <div className="grid grid-cols-2 gap-4">
          {unitsOf(made.kind).length > 1 && (
            <Choice
              label="Kept in"
              value={made.unit}
              options={unitsOf(made.kind).map((unit) => ({
                value: unit,
                label: unit === 'piece' ? 'pieces' : unit,
              }))}
              onChoose={(unit) => change({ unit })}
            />
          )}
          {!linen && (
            <NumberField
              label={contentLabel(made.kind)}
              unit={made.unit === 'piece' ? 'pcs' : made.unit}
              value={made.content}
              check={within(LIMITS.quantity)}
              onCommit={(content) => change({ content })}
              onClear={() => change({ content: undefined })}
            />
          )}
          <MoneyField
            label={priceLabel(made.kind)}
            value={made.priceMinor}
            onCommit={(priceMinor) => change({ priceMinor })}
            onClear={() => change({ priceMinor: undefined })}
          />
          {!linen && house.suppliers.length > 0 && (
            <Choice
              label="Supplier"
              value={made.supplierId}
              options={house.suppliers.map((supplier) => ({
                value: supplier.id,
                label: supplier.name,
              }))}
              onChoose={(supplierId) => change({ supplierId })}
            />
          )}
        </div>
        {tried && missing.length > 0 && (
          <p role="alert" className="text-sm font-semibold text-clay">
            ▲ Still needed: {missing.join(', ')}.
          </p>
        )}
        <FormFault fault={fault} />
      </div>
    </Sheet>
  );
}

/** The units in which a kind may be kept. */
function unitsOf(kind: MaterialKind): readonly BaseUnit[] {
  switch (kind) {
    case 'back-bar':
    case 'fresh':
      return ['ml', 'g'];
    case 'single-dose':
      return ['ml', 'g', 'piece'];
    case 'consumable':
    case 'retail':
      return ['piece', 'ml', 'g'];
    case 'device-part':
    case 'kit':
    case 'linen':
      return ['piece'];
  }
}

/** What the figure of a new material asks for, by its kind. */
function contentLabel(kind: MaterialKind): string {
  switch (kind) {
    case 'single-dose':
      return 'In one dose';
    case 'fresh':
      return 'One piece gives';
    case 'back-bar':
    case 'consumable':
    case 'device-part':
    case 'retail':
    case 'linen':
      return 'In the pack';
    case 'kit':
      return 'Boxes in the pack';
  }
}

function priceLabel(kind: MaterialKind): string {
  switch (kind) {
    case 'linen':
      return 'Price of a new piece';
    case 'single-dose':
      return 'Price of one dose';
    case 'fresh':
      return 'Price of one piece';
    case 'back-bar':
    case 'consumable':
    case 'device-part':
    case 'retail':
    case 'kit':
      return 'Price of the pack';
  }
}
