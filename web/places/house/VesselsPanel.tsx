import { Plus, X } from 'lucide-react';
import { useStore } from 'react-redux';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { House } from '@bienestar/core/house/house';
import type { NamedAmount } from '@bienestar/core/quantity/measures';
import { number } from '../../format/figures';
import { Button, IconButton } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Fold } from '../../parts/Fold';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { isMeant, renamed } from '../../store/menuEffect';
import type { RootState } from '../../store/store';
import { useChangeSettings } from '../../store/useEditPart';

/** Bowls, cups and jars that are filled to a mark, of whatever it is. */
export function VesselsPanel() {
  const { vessels = [] } = useSnapshot().settings;
  const change = useChangeSettings();
  const store = useStore<RootState>();
  const put = (next: readonly NamedAmount[]): Promise<string | undefined> =>
    change({ vessels: next.length === 0 ? undefined : next });
  /* Steps say a vessel by its name: by another, or none, nothing can be counted where they do. */
  const putMeant = async (
    next: readonly NamedAmount[],
    words: ReturnType<typeof renamed>,
  ): Promise<string | undefined> => {
    const then = (house: House): House => ({
      ...house,
      settings: { ...house.settings, vessels: next },
    });
    return (await isMeant(store.getState(), then, words)) ? put(next) : words.still;
  };
  const freeName = (at = vessels.length + 1): string => {
    const name = `bowl ${number(at)} to the mark`;
    return vessels.some((each) => each.name === name) ? freeName(at + 1) : name;
  };
  return (
    <Fold
      title="Bowls and cups filled to a mark"
      summary={vessels
        .map(({ name, usual, unit }) => `${name}: ${number(usual)} ${unit}`)
        .join(', ')}
    >
      {vessels.map((vessel, at) => (
        <div key={vessel.name} className="grid grid-cols-[1fr_8rem_6rem_2rem] items-end gap-3">
          <TextField
            commitOn="leaving"
            label={`Vessel ${at + 1}`}
            needed
            value={vessel.name}
            onCommit={(name) =>
              putMeant(vessels.with(at, { ...vessel, name }), renamed(vessel.name, name))
            }
          />
          <NumberField
            commitOn="leaving"
            label="holds up to it"
            value={vessel.usual}
            check={within(LIMITS.quantity)}
            onCommit={(usual) => put(vessels.with(at, { ...vessel, usual }))}
          />
          <Choice
            label="in"
            value={vessel.unit}
            options={(['ml', 'g'] as const).map((unit) => ({ value: unit, label: unit }))}
            onChoose={(unit) => void put(vessels.with(at, { ...vessel, unit }))}
          />
          <IconButton
            label={`Remove ${vessel.name}`}
            onClick={() =>
              void putMeant(vessels.toSpliced(at, 1), {
                title: `Remove ${vessel.name}?`,
                yes: 'Remove it',
                still: '',
              })
            }
          >
            <X aria-hidden size={16} />
          </IconButton>
        </div>
      ))}
      <Button
        weight="quiet"
        className="self-start"
        onClick={() => void put([...vessels, { name: freeName(), usual: 50, unit: 'ml' }])}
      >
        <Plus aria-hidden size={16} /> A bowl or cup
      </Button>
    </Fold>
  );
}
