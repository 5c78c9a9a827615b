import { SKIN_TYPES, type SkinType } from '@bienestar/core/house/traits';
import type { ClientMix } from '@bienestar/core/house/restock';
import { USUAL_CLIENT_MIX, withSkinShare } from '@bienestar/core/restock/clientKinds';
import { Button } from '../../../parts/Button';
import { PercentField } from '../../../parts/PercentField';
import { useHouse } from '../../../store/house';
import { useChangeRestock } from './useChangeRestock';

/** Who comes, as shares: doses and choices of protocols are weighed by it. */
export function ClientMixFields() {
  const { clientMix } = useHouse().settings.restock;
  const change = useChangeRestock();
  if (!clientMix) {
    return (
      <>
        <p className="text-sm text-ink-soft">
          Every visit is counted as its service is shown. Say who comes, and doses that differ by
          skin, first visit, evening or build are weighed.
        </p>
        <Button className="self-start" onClick={() => void change({ clientMix: USUAL_CLIENT_MIX })}>
          Weigh by who comes
        </Button>
      </>
    );
  }
  const put = (changes: Partial<ClientMix>): Promise<string | undefined> =>
    change({ clientMix: { ...clientMix, ...changes } });
  return (
    <>
      <div className="grid grid-cols-4 gap-2">
        <Share
          label="First visits"
          value={clientMix.firstVisits}
          put={(firstVisits) => put({ firstVisits })}
        />
        <Share label="Evenings" value={clientMix.evenings} put={(evenings) => put({ evenings })} />
        <Share
          label="Small builds"
          value={clientMix.smallBuilds}
          put={(smallBuilds) => put({ smallBuilds })}
        />
        <Share
          label="Large builds"
          value={clientMix.largeBuilds}
          put={(largeBuilds) => put({ largeBuilds })}
        />
      </div>
      <fieldset className="grid grid-cols-3 gap-2">
        <legend className="pb-1 text-sm text-ink-soft">
          Skin types; what one gets more, the others get less
        </legend>
        {SKIN_TYPES.map((type: SkinType) => (
          <Share
            key={type}
            label={type}
            value={clientMix.skinTypes[type]}
            put={(share) => put({ skinTypes: withSkinShare(clientMix.skinTypes, type, share) })}
          />
        ))}
      </fieldset>
      <Button
        weight="remove"
        className="self-start"
        onClick={() => void change({ clientMix: undefined })}
      >
        Count everybody as shown
      </Button>
    </>
  );
}

interface ShareProps {
  readonly label: string;
  readonly value: number;
  readonly put: (share: number) => Promise<string | undefined>;
}

function Share({ label, value, put }: ShareProps) {
  return <PercentField label={label} commitOn="leaving" value={value} onCommit={put} />;
}
