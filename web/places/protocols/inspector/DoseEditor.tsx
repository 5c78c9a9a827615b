import { offeredOf } from '@bienestar/core/house/offered';
import { Ellipsis, X } from 'lucide-react';
import { useState } from 'react';
import type { Draw } from '@bienestar/core/draws/draw';
import type { Choice as ChoiceOf, Dose, House, Material } from '@bienestar/core/house/house';
import { DOSE_INTO } from '@bienestar/core/house/ways';
import { partsOf, sourceKey, sourceName } from '@bienestar/core/house/sources';
import type { Problem } from '@bienestar/core/problem/problem';
import { amountRange } from '../../../format/figures';
import { IconButton } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Problems } from '../../../parts/Problems';
import { Segments } from '../../../parts/Segments';
import { useHouse } from '../../../store/house';
import { AmountEditor, AmountWayChoice } from './AmountEditor';
import { newDose, newMixDose, newPartDose } from '../newStep';
import { measuredPart } from './amountWays';
import { HangingFields } from './HangingFields';

interface DoseEditorProps {
  readonly dose: Dose;
  /** options of which the product may be one */
  readonly choices: readonly ChoiceOf[];
  readonly onChange: (dose: Dose) => void;
  readonly onRemove: () => void;
  /** what the dose takes, once for every layer and material */
  readonly draws: readonly Draw[];
  readonly problems: readonly Problem[];
  /** the step is done in layers */
  readonly inLayers: boolean;
}

/** A product of the step and how much of it, with what that comes to. */
export function DoseEditor({
  dose,
  choices,
  onChange,
  onRemove,
  draws,
  problems,
  inLayers,
}: DoseEditorProps) {
  const house = useHouse();
  const { source } = dose;
  /* What is not said of it is not shown before it is asked for. */
  const [isOpen, setIsOpen] = useState(false);
  const isShown = isOpen || Boolean(dose.into ?? dose.over ?? dose.again);
  const material =
    source.kind === 'material'
      ? house.materials.find((each) => each.id === source.materialId)
      : undefined;
  const name = nameOf(dose, house);
  const part =
    material && source.kind === 'material'
      ? partsOf(material).find(({ id }) => id === source.part)
      : undefined;
  const choose = (key: string): void => {
    const chosen = offeredSources(house, source).find(
      (each) => sourceKey(each.dose.source) === key,
    );
    if (chosen) onChange({ ...dose, ...chosen.dose, id: dose.id });
  };
  const amountEditing = {
    amount: dose.amount,
    material: part ? measuredPart(part) : material,
    name,
    onChange: (amount: Dose['amount']) => onChange({ ...dose, amount }),
  };
  return (
    <div
      role="group"
      aria-label={name}
      data-dose={dose.id}
      className="flex flex-col gap-1.5 border-l-2 border-line-strong pl-3"
    >
      <div className="grid grid-cols-[1fr_8rem_2rem_2rem] items-center gap-1.5">
        <Choice
          label="Product"
          labelHidden
          value={sourceKey(source)}
          options={offeredSources(house, source).map((each) => ({
            value: sourceKey(each.dose.source),
            label: each.name,
          }))}
          onChoose={choose}
        />
        <AmountWayChoice {...amountEditing} />
        <IconButton
          label={`More of ${name}`}
          aria-expanded={isShown}
          onClick={() => setIsOpen(!isShown)}
        >
          <Ellipsis aria-hidden size={16} />
        </IconButton>
        <IconButton label={`Remove ${name} from the step`} onClick={onRemove}>
          <X aria-hidden size={16} />
        </IconButton>
      </div>
      <div className="grid grid-cols-[13rem_1fr] items-center gap-3">
        <AmountEditor {...amountEditing} />
        <DrawnNote draws={draws} material={material} house={house} />
      </div>
      {material?.kind === 'single-dose' && (
        <Segments
          label="Packs"
          value={dose.opening}
          options={[
            { value: 'fresh', label: 'open new' },
            { value: 'left-over-first', label: 'use what is left first' },
          ]}
          onChoose={(opening) => onChange({ ...dose, opening })}
        />
      )}
      {isShown && (
        <DosePlace
          dose={dose}
          name={name}
          inLayers={inLayers}
          inPieces={material?.unit === 'piece' && material.kind !== 'kit'}
          onChange={onChange}
        />
      )}
      {choices.length > 0 && (
        <HangingFields
          label={`For whom ${name} is`}
          choices={choices}
          of={dose}
          everybody="for everybody"
          onChange={(on) => onChange({ ...dose, ...on })}
        />
      )}
      <Problems problems={problems} />
    </div>
  );
}

interface DosePlaceProps {
  readonly dose: Dose;
  readonly name: string;
  readonly inLayers: boolean;
  readonly inPieces: boolean;
  readonly onChange: (dose: Dose) => void;
}

const ONTO_SKIN = 'skin';

/** Where a product goes, and whether it is measured once for all layers. */
function DosePlace({ dose, name, inLayers, inPieces, onChange }: DosePlaceProps) {
  const { into: _into, over: _over, again: _again, ...plain } = dose;
  const { into, over, again } = dose;
  const put = (changes: Pick<Dose, 'into' | 'over' | 'again'>): void => {
    const said = { into, over, again, ...changes };
    onChange({
      ...plain,
      ...(said.into && { into: said.into }),
      ...(said.over && { over: said.over }),
      ...(said.again && { again: said.again }),
    });
  };
  return (
    <div className="flex flex-col gap-1.5">
      <Choice
        label={`Where ${name} goes`}
        labelHidden
        value={into ?? ONTO_SKIN}
        options={[
          { value: ONTO_SKIN, label: 'onto the skin' },
          ...DOSE_INTO.map((each) => ({ value: each, label: `into the ${each}` })),
        ]}
        onChoose={(value) => put({ into: value === ONTO_SKIN ? undefined : value })}
      />
      {(inLayers || over) && 'quantity' in dose.amount && (
        <Segments
          label={`${name} is measured`}
          value={over ? 'once' : 'each'}
          options={[
            { value: 'each', label: 'for each layer' },
            { value: 'once', label: 'once for all' },
          ]}
          onChoose={(value) => put({ over: value === 'once' ? 'all-layers' : undefined })}
        />
      )}
      {inPieces && (
        <Segments
          label={`${name} is`}
          value={again ? 'again' : 'new'}
          options={[
            { value: 'new', label: 'a new one' },
            { value: 'again', label: 'the same again' },
          ]}
          onChoose={(value) => put({ again: value === 'again' ? true : undefined })}
        />
      )}
    </div>
  );
}

interface DrawnNoteProps {
  readonly draws: readonly Draw[];
  readonly material: Material | undefined;
  readonly house: House;
}

function DrawnNote({ draws, material, house }: DrawnNoteProps) {
  const firstLayer = draws.filter((draw) => (draw.layer ?? 1) === 1);
  const layers = new Set(draws.map((draw) => draw.layer)).size;
  if (firstLayer.length === 0) return null;
  const words = firstLayer.map((draw) => {
    const of = material ?? house.materials.find((each) => each.id === draw.materialId);
    if (!of) return '';
    const held = partsOf(of).find(({ id }) => id === draw.part);
    if (held && material) return `${amountRange(draw.resolved.drawn, held.unit)} of the box`;
    const taken = amountRange(draw.consumed, of.unit);
    return material ? taken : `${taken} ${of.name}`;
  });
  return (
    <p className="text-xs text-ink-soft">
      takes {words.join(' and ')}
      {layers > 1 ? ` in each of ${layers} layers` : ''}
    </p>
  );
}

function nameOf({ source }: Dose, house: House): string {
  return sourceName(house, source) ?? 'a product that is no longer on the shelf';
}

/** What a product may be instead, each with the dose it then is. */
function offeredSources(
  { materials, mixes }: House,
  now: Dose['source'],
): readonly { readonly name: string; readonly dose: Dose }[] {
  const kept = now.kind === 'material' ? now.materialId : now.mixId;
  return [
    ...offeredOf(materials, [kept]).flatMap((each) => [
      { name: each.name, dose: newDose(each) },
      ...partsOf(each).map((part) => ({
        name: `${part.name} (${each.name})`,
        dose: newPartDose(each, part),
      })),
    ]),
    ...offeredOf(mixes, [kept]).map((each) => ({
      name: `${each.name} (mix)`,
      dose: newMixDose(each),
    })),
  ];
}
