import { nanoid } from '@reduxjs/toolkit';
import { Plus, Scale } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { BoughtMaterial, Material, Pack } from '@bienestar/core/house/house';
import { asId, type PackId } from '@bienestar/core/house/ids';
import { Button } from '../../parts/Button';
import { MoneyField } from '../../parts/MoneyField';
import type { ChangePart } from '../../store/useEditPart';
import { KeepsFields } from './KeepsFields';
import { PackAdviser } from './PackAdviser';
import { PackFields } from './PackFields';

const PriceChart = lazy(async () => ({ default: (await import('./PriceChart')).PriceChart }));

interface BoughtFacetProps {
  readonly material: BoughtMaterial;
  readonly change: ChangePart<Material>;
}

/** How a material is bought: its packs, the preferred one, their prices today and before. */
export function BoughtFacet({ material, change }: BoughtFacetProps) {
  const [search, setSearch] = useSearchParams();
  const [unfolded, setUnfolded] = useState<PackId | undefined>(material.preferredPackId);
  const put = (make: (packs: readonly Pack[]) => readonly Pack[]) =>
    change((latest) => (latest.kind === 'linen' ? {} : { packs: make(latest.packs) }));
  const add = async (): Promise<void> => {
    const like = material.packs.at(-1);
    if (!like) return;
    const { code: _code, breaks: _breaks, ...terms } = like;
    const pack: Pack = { ...terms, id: asId(nanoid(12)) };
    /* It stands there at once: so do its fields, before somebody types into those of another. */
    setUnfolded(pack.id);
    await put((packs) => [...packs, pack]);
  };
  return (
    <div className="flex flex-col gap-4">
      <ul className="flex flex-col gap-2">
        {material.packs.map((pack) => (
          <PackFields
            key={pack.id}
            material={material}
            pack={pack}
            unfolded={pack.id === unfolded}
            onUnfold={(open) => setUnfolded(open ? pack.id : undefined)}
            onChange={(make) =>
              put((packs) => packs.map((each) => (each.id === pack.id ? make(each) : each)))
            }
            onPrefer={() => void change({ preferredPackId: pack.id })}
            onRemove={() => void put((packs) => packs.filter((each) => each.id !== pack.id))}
          />
        ))}
      </ul>
      <div className="flex gap-2">
        <Button onClick={() => void add()}>
          <Plus aria-hidden size={16} /> Another pack
        </Button>
        {material.packs.length > 1 && (
          <Button onClick={() => setSearch({ compare: 'packs' })}>
            <Scale aria-hidden size={16} /> Which pack is cheapest in use?
          </Button>
        )}
      </div>
      <KeepsFields material={material} change={change} />
      {material.kind === 'retail' && (
        <MoneyField
          className="w-44"
          commitOn="leaving"
          label="Sold to clients for"
          value={material.retailPriceMinor}
          onCommit={(retailPriceMinor) => change({ retailPriceMinor })}
          onClear={() => void change({ retailPriceMinor: undefined })}
        />
      )}
      <Suspense fallback={<p className="text-sm text-ink-soft">Drawing the prices …</p>}>
        <PriceChart material={material} />
      </Suspense>
      <PackAdviser
        material={material}
        open={search.get('compare') === 'packs'}
        onClose={() => setSearch({})}
        onPrefer={(preferredPackId) => change({ preferredPackId })}
      />
    </div>
  );
}
