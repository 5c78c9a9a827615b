import { nanoid } from '@reduxjs/toolkit';
import { useNavigate } from 'react-router';
import { unversioned, type Versioned } from '@bienestar/contract/api';
import type { Material } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { KeepOrRemove } from '../../parts/KeepOrRemove';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useAddAndRemove, type ChangePart } from '../../store/useEditPart';
import type { PlaceOfUse } from './placesOfUse';
import { UsedIn } from './UsedIn';

interface UsedFacetProps {
  readonly material: Versioned<Material>;
  readonly change: ChangePart<Material>;
  readonly places: readonly PlaceOfUse[];
  readonly onGone: () => void;
}

/** Which gloves a material is, and how many pieces make a pair. */
const GLOVES = [
  ['none', 'no gloves'],
  ['plain-2', 'plain, singly'],
  ['plain-1', 'plain, by the pair'],
  ['sterile-1', 'sterile, by the pair'],
] as const;

/** What a material is called, how it counts, where it is used; copying, archiving, taking away. */
export function UsedFacet({ material, change, places, onGone }: UsedFacetProps) {
  const navigate = useNavigate();
  const { add, remove, busy } = useAddAndRemove('materials');
  const copy = async (): Promise<void> => {
    const { archivedOn: _archived, ...like } = unversioned<Material>(material);
    const made = { ...like, id: asId(nanoid(12)), name: `${material.name}, copy` } as Material;
    if (await add(made)) void navigate(`/shelf/${made.id}/used`);
  };
  return (
    <div className="flex flex-col gap-4">
      <TextField
        label="Name"
        needed
        commitOn="leaving"
        value={material.name}
        onCommit={(name) => change({ name })}
      />
      {material.kind === 'consumable' && (
        <Segments
          label="Counted"
          value={material.countedPer}
          options={[
            { value: 'client', label: 'once for the client' },
            { value: 'person', label: 'for everybody in the room' },
          ]}
          onChoose={(countedPer) => void change({ countedPer })}
        />
      )}
      {material.kind === 'consumable' && (
        <Segments
          label="Worn where a step asks for gloves"
          value={material.gloves ? `${material.gloves.kind}-${material.gloves.perPair}` : 'none'}
          options={GLOVES.map(([value, label]) => ({ value, label }))}
          onChoose={(value) => {
            const [kind = 'none', pair] = value.split('-');
            void change({
              gloves:
                kind === 'none'
                  ? undefined
                  : { kind: kind as 'plain' | 'sterile', perPair: pair === '1' ? 1 : 2 },
            });
          }}
        />
      )}
      {material.kind === 'device-part' && (
        <>
          <Segments
            label="Comes"
            value={material.sterility}
            options={[
              { value: 'sterile', label: 'sterile' },
              { value: 'clean', label: 'clean' },
            ]}
            onChoose={(sterility) => void change({ sterility })}
          />
          <p className="text-sm text-ink-soft">
            For one client, then into the sharps or waste container: never reused.
          </p>
        </>
      )}
      <UsedIn places={places} />
      <KeepOrRemove
        what="material"
        archivedOn={material.archivedOn}
        busy={busy}
        onCopy={() => void copy()}
        onArchive={(archivedOn) => void change({ archivedOn })}
        onRemove={() => void remove(material).then((gone) => gone && onGone())}
      />
    </div>
  );
}
