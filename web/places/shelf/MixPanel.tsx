import { Plus, X } from 'lucide-react';
import { nanoid } from '@reduxjs/toolkit';
import { useNavigate } from 'react-router';
import { LIMITS, within } from '@bienestar/contract/limits';
import { unversioned, type Versioned } from '@bienestar/contract/api';
import { SKIN_TYPES } from '@bienestar/core/house/traits';
import { LONGEST_TEXT } from '@bienestar/core/house/limits';
import { spoken } from '../../format/protocolWords';
import type { Mix, MixPart, MixRecipe } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { offeredOf } from '@bienestar/core/house/offered';
import { exactly } from '@bienestar/core/quantity/triple';
import { Button, IconButton } from '../../parts/Button';
import { KeepOrRemove } from '../../parts/KeepOrRemove';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import { Fold } from '../../parts/Fold';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { Toggles } from '../../parts/Toggles';
import { useHouse, useSnapshot } from '../../store/house';
import { useFindings } from '../../store/useFindings';
import { useAddAndRemove, useChange } from '../../store/useEditPart';
import { MixPartFields } from './MixPartFields';
import type { PlaceOfUse } from './placesOfUse';
import { UsedIn } from './UsedIn';

interface MixPanelProps {
  readonly mix: Mix;
  readonly places: readonly PlaceOfUse[];
}

const leaving = { commitOn: 'leaving' } as const;

/** A mix: its parts for one batch, other recipes for some skins, how it is made and how long it keeps. */
export function MixPanel({ mix, places }: MixPanelProps) {
  const saved = useSnapshot().mixes.find((each) => each.id === mix.id);
  return saved ? <Editor mix={saved} places={places} /> : null;
}

function Editor({
  mix,
  places,
}: {
  readonly mix: Versioned<Mix>;
  readonly places: readonly PlaceOfUse[];
}) {
  const navigate = useNavigate();
  const change = useChange('mixes', mix);
  const { add, remove, busy } = useAddAndRemove('mixes');
  const addAndShow = ({ archivedOn: _archived, ...like }: Mix): void => {
    const id = asId<Mix['id']>(nanoid(12));
    void add({ ...like, id }).then((done) => done && navigate(`/shelf/${id}`));
  };
  const without = (
    key: 'density' | 'workingLifeMinutes' | 'warm' | 'method' | 'recipes' | 'wholeBatches',
  ): void => void change({ [key]: undefined });
  return (
    <div className="flex flex-col gap-4 px-5 py-6">
      <h2 className="text-2xl break-words">{mix.name}</h2>
      <TextField
        {...leaving}
        label="Name of the mix"
        needed
        value={mix.name}
        onCommit={(name) => change({ name })}
      />
      <Parts parts={mix.parts} mix={mix} onChange={(parts) => void change({ parts })} />
      <div className="grid grid-cols-3 gap-3">
        <Segments
          label="Counted in"
          value={mix.basis}
          options={[
            { value: 'g', label: 'g' },
            { value: 'ml', label: 'ml' },
          ]}
          onChoose={(basis) => void change({ basis })}
        />
        <NumberField
          {...leaving}
          label="Density"
          unit="g/ml"
          value={mix.density}
          check={within(LIMITS.density)}
          onCommit={(density) => change({ density })}
          onClear={() => without('density')}
        />
        <PercentField
          {...leaving}
          label="Stays in the bowl"
          to={0.99}
          value={mix.bowlLoss}
          onCommit={(bowlLoss) => change({ bowlLoss })}
        />
        <NumberField
          {...leaving}
          label="Mixing takes"
          unit="min"
          value={mix.mixingMinutes}
          check={within(LIMITS.mixMinutes)}
          onCommit={(mixingMinutes) => change({ mixingMinutes })}
        />
        <NumberField
          {...leaving}
          label="Stands before use"
          unit="min"
          value={mix.standingMinutes}
          check={within(LIMITS.mixMinutes)}
          onCommit={(standingMinutes) => change({ standingMinutes })}
        />
        <NumberField
          {...leaving}
          label="Keeps, once mixed"
          unit="min"
          value={mix.workingLifeMinutes}
          check={within(LIMITS.workingLifeMinutes)}
          onCommit={(workingLifeMinutes) => change({ workingLifeMinutes })}
          onClear={() => without('workingLifeMinutes')}
        />
      </div>
      <Segments
        label="Batches"
        value={mix.wholeBatches ? 'whole' : 'scaled'}
        options={[
          { value: 'scaled', label: 'as much as is needed' },
          { value: 'whole', label: 'only whole ones' },
        ]}
        onChoose={(batches) =>
          batches === 'scaled' ? without('wholeBatches') : void change({ wholeBatches: true })
        }
      />
      <div className="grid grid-cols-2 gap-3">
        <Segments
          label="Made"
          value={mix.made}
          options={[
            { value: 'just-in-time', label: 'just in time' },
            { value: 'ahead', label: 'ahead' },
          ]}
          onChoose={(made) => void change({ made })}
        />
        <Segments
          label="Kept"
          value={mix.warm ?? 'as-is'}
          options={[
            { value: 'as-is', label: 'as it is' },
            { value: 'warmed', label: 'warm' },
            { value: 'kept-cold', label: 'cold' },
          ]}
          onChoose={(warm) => (warm === 'as-is' ? without('warm') : void change({ warm }))}
        />
      </div>
      <TextField
        {...leaving}
        label="How it is mixed"
        lines={2}
        longest={LONGEST_TEXT}
        value={mix.method ?? ''}
        onCommit={(method) => (method.trim() === '' ? without('method') : change({ method }))}
      />
      <Recipes mix={mix} onChange={(recipes) => void change({ recipes })} />
      <UsedIn places={places} />
      <div className="flex gap-3">
        <Button disabled={busy} onClick={() => addAndShow(newMix(mix.id))}>
          <Plus aria-hidden size={16} /> Another mix
        </Button>
      </div>
      <KeepOrRemove
        what="mix"
        archivedOn={mix.archivedOn}
        busy={busy}
        onCopy={() => addAndShow({ ...unversioned<Mix>(mix), name: `${mix.name}, copy` })}
        onArchive={(archivedOn) => void change({ archivedOn })}
        onRemove={() => void remove(mix).then((gone) => gone && navigate('/shelf'))}
      />
    </div>
  );
}

/** A mix to be written. */
function newMix(id: Mix['id']): Mix {
  return {
    id,
    name: 'New mix',
    basis: 'g',
    bowlLoss: 0.05,
    parts: [],
    made: 'just-in-time',
    mixingMinutes: 2,
    standingMinutes: 0,
  };
}

interface PartsProps {
  readonly parts: readonly MixPart[];
  readonly mix: Mix;
  readonly onChange: (parts: readonly MixPart[]) => void;
}

function Parts({ parts, mix, onChange }: PartsProps) {
  const { materials } = useHouse();
  const [first] = offeredOf(materials).filter((each) => each.unit !== 'piece');
  return (
    <div className="flex flex-col gap-2">
      <h3 className={`${LABEL_LOOK} font-sans`}>One batch</h3>
      {parts.map((part, at) => (
        <MixPartFields
          key={at}
          part={part}
          mixId={mix.id}
          onChange={(changed) => onChange(parts.with(at, changed))}
          onRemove={() => onChange(parts.toSpliced(at, 1))}
        />
      ))}
      {first && (
        <Button
          weight="quiet"
          className="self-start"
          onClick={() =>
            onChange([
              ...parts,
              {
                source: { kind: 'material', materialId: first.id },
                amount: { how: 'measured', quantity: exactly(1), unit: mix.basis },
              },
            ])
          }
        >
          <Plus aria-hidden size={16} /> A part
        </Button>
      )}
    </div>
  );
}

interface RecipesProps {
  readonly mix: Mix;
  readonly onChange: (recipes: readonly MixRecipe[] | undefined) => void;
}

function Recipes({ mix, onChange }: RecipesProps) {
  const recipes = mix.recipes ?? [];
  const findings = useFindings();
  const put = (next: readonly MixRecipe[]): void => onChange(next.length === 0 ? undefined : next);
  return (
    <Fold
      title="Other recipes by skin and what is seen"
      summary={recipes
        .map(
          ({ name, skinTypes, findings = [] }) =>
            `${name}: ${[...skinTypes, ...findings].map(spoken).join(', ')}`,
        )
        .join('; ')}
    >
      {recipes.map((recipe, at) => (
        <fieldset key={at} className="flex flex-col gap-2 border-l-2 border-palm pl-3">
          <legend className="sr-only">{recipe.name}</legend>
          <div className="flex items-end gap-2">
            <TextField
              {...leaving}
              className="flex-1"
              label={`Recipe ${at + 1}`}
              needed
              value={recipe.name}
              onCommit={(name) => {
                put(recipes.with(at, { ...recipe, name }));
              }}
            />
            <IconButton
              label={`Remove the recipe ${recipe.name}`}
              onClick={() => put(recipes.toSpliced(at, 1))}
            >
              <X aria-hidden size={16} />
            </IconButton>
          </div>
          <Toggles
            label={`For whom ${recipe.name} is`}
            values={recipe.skinTypes}
            options={SKIN_TYPES.map((value) => ({ value, label: value }))}
            onChange={(skinTypes) => put(recipes.with(at, { ...recipe, skinTypes }))}
          />
          <Toggles
            label={`or where this is seen, ${recipe.name}`}
            values={recipe.findings ?? []}
            options={findings.map((value) => ({ value, label: spoken(value) }))}
            onChange={(findings) =>
              put(
                recipes.with(at, {
                  ...recipe,
                  findings: findings.length === 0 ? undefined : findings,
                }),
              )
            }
          />
          <Parts
            parts={recipe.parts}
            mix={mix}
            onChange={(parts) => put(recipes.with(at, { ...recipe, parts }))}
          />
        </fieldset>
      ))}
      <Button
        weight="quiet"
        className="self-start"
        onClick={() =>
          put([...recipes, { name: 'For some skins', skinTypes: [], parts: mix.parts }])
        }
      >
        <Plus aria-hidden size={16} /> A recipe
      </Button>
    </Fold>
  );
}
