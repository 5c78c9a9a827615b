import { Plus, X } from 'lucide-react';
import { nanoid } from '@reduxjs/toolkit';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { KitMaterial, KitPart, Material } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { BaseUnit } from '@bienestar/core/quantity/unit';
import { Button, IconButton } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { NumberField } from '../../parts/NumberField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import type { ChangePart } from '../../store/useEditPart';

interface KitFieldsProps {
  readonly material: KitMaterial;
  readonly change: ChangePart<Material>;
}

const UNITS: readonly BaseUnit[] = ['g', 'ml', 'piece'];

/** What the box of a kit holds, for how many visits it is, and what becomes of the rest. */
export function KitFields({ material, change }: KitFieldsProps) {
  const { parts } = material;
  const put = (make: (kit: KitMaterial) => Partial<KitMaterial>): void =>
    void change((latest) => (latest.kind === 'kit' ? make(latest) : {}));
  const putPart = (id: KitPart['id'], changes: Partial<KitPart>): void =>
    put((kit) => ({
      parts: kit.parts.map((part) => (part.id === id ? { ...part, ...changes } : part)),
    }));
  return (
    <div className="flex flex-col gap-4">
      {parts.length === 0 && (
        <p className="text-sm text-ink-soft">
          Say what lies in the box: protocols and mixes then draw its parts, and the box is opened,
          counted and ordered as one.
        </p>
      )}
      {parts.map((part) => (
        <PartFields
          key={part.id}
          part={part}
          onChange={(changes) => putPart(part.id, changes)}
          onRemove={() => put((kit) => ({ parts: kit.parts.filter(({ id }) => id !== part.id) }))}
        />
      ))}
      <Button
        className="self-start"
        onClick={() =>
          put((kit) => ({
            parts: [
              ...kit.parts,
              { id: asId(nanoid(12)), name: 'New part', amount: 1, unit: 'g', measures: {} },
            ],
          }))
        }
      >
        <Plus aria-hidden size={16} /> Another thing in the box
      </Button>
      <NumberField
        commitOn="leaving"
        label="A box is for"
        hint={
          material.forVisits === undefined
            ? 'one visit, unless it is for the whole course of a guest'
            : undefined
        }
        unit="visits of one guest"
        value={material.forVisits}
        check={within(LIMITS.kitVisits)}
        onCommit={(forVisits) =>
          put(() => ({ forVisits: forVisits === 1 ? undefined : forVisits }))
        }
        onClear={() => put(() => ({ forVisits: undefined }))}
      />
      <Segments
        label="What is not used"
        value={material.leftOver}
        options={[
          { value: 'lost', label: 'is thrown away' },
          { value: 'goes-home', label: 'goes home with the guest' },
        ]}
        onChoose={(leftOver) => put(() => ({ leftOver }))}
      />
    </div>
  );
}

interface PartFieldsProps {
  readonly part: KitPart;
  readonly onChange: (changes: Partial<KitPart>) => void;
  readonly onRemove: () => void;
}

function PartFields({ part, onChange, onRemove }: PartFieldsProps) {
  const { density, ...others } = part.measures;
  return (
    <div
      role="group"
      aria-label={part.name}
      className="grid grid-cols-[1fr_2rem] items-end gap-2 border-l-2 border-line-strong pl-3"
    >
      <TextField
        commitOn="leaving"
        label="In the box"
        needed
        value={part.name}
        onCommit={(name) => onChange({ name })}
      />
      <IconButton label={`Take ${part.name} out of the box`} onClick={onRemove}>
        <X aria-hidden size={16} />
      </IconButton>
      <div className="col-span-2 grid grid-cols-3 items-end gap-2">
        <NumberField
          commitOn="leaving"
          label="How much"
          value={part.amount}
          check={within(LIMITS.quantity)}
          onCommit={(amount) => onChange({ amount })}
        />
        <Choice
          label="in"
          value={part.unit}
          options={UNITS.map((unit) => ({
            value: unit,
            label: unit === 'piece' ? 'pieces' : unit,
          }))}
          onChoose={(unit) => onChange({ unit })}
        />
        {part.unit !== 'piece' && (
          <NumberField
            commitOn="leaving"
            label="Density"
            unit="g/ml"
            value={density}
            check={within(LIMITS.density)}
            onCommit={(next) => onChange({ measures: { ...others, density: next } })}
            onClear={() => onChange({ measures: others })}
          />
        )}
      </div>
    </div>
  );
}
