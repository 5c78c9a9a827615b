import { useState } from 'react';
import { estimatedZones, withEstimate, type EstimatedZone } from '@bienestar/core/dose/zoneShares';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { percent } from '../../format/figures';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Fold } from '../../parts/Fold';
import { PercentField } from '../../parts/PercentField';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';
import { clashOfPlace } from '../protocols/zones/placeNames';
import { Line } from './Section';

const LEAST_OFF = 0.0005;

/** How large zones are, and places that go by a name of the house. */
export function ZonesPanel() {
  const { settings } = useSnapshot();
  const zones = estimatedZones(settings);
  const [at, setAt] = useState('face');
  const zone = zones.find((each) => each.zone === at);
  const { ownZones = [] } = settings;
  return (
    <>
      <Fold
        title="How large zones are"
        summary="what part of the face, a cheek, a hand is what: coats are counted by it"
      >
        <Choice
          className="w-72"
          label="Parts of"
          value={at}
          options={zones.map(({ zone: value, name }) => ({ value, label: name }))}
          onChoose={setAt}
        />
        {zone && <Shares key={at} zone={zone} />}
      </Fold>
      <Fold
        title="Places by a name of the house"
        summary={ownZones.map(({ name }) => name).join(', ') || 'none yet'}
      >
        <OwnPlaces />
      </Fold>
    </>
  );
}

function Shares({ zone }: { readonly zone: EstimatedZone }) {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  const [typed, setTyped] = useState<ReadonlyMap<number, number>>(new Map());
  const shares = zone.parts.map(({ share }, at) => typed.get(at) ?? share);
  const off = shares.reduce((sum, share) => sum + share, 0) - 1;
  const isOff = Math.abs(off) > LEAST_OFF;
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (isOff) return;
        const { faceShares, zoneShares } = withEstimate(settings, zone, shares);
        void change({ faceShares, zoneShares });
        setTyped(new Map());
      }}
    >
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        {zone.parts.map(({ name, share }, at) => (
          <PercentField
            key={name}
            label={name}
            value={typed.get(at) ?? share}
            onCommit={(value) => setTyped(new Map(typed).set(at, value))}
          />
        ))}
      </div>
      {typed.size > 0 && (
        <div className="flex items-center gap-3">
          <Button type="submit" disabled={isOff}>
            Use these
          </Button>
          <p role="status" className={`text-sm ${isOff ? 'text-clay' : 'text-ink-soft'}`}>
            {isOff
              ? `Together they are ${percent(1 + off)}: ${percent(Math.abs(off))} too ${off > 0 ? 'much' : 'little'}.`
              : 'Together they are 100%.'}
          </p>
        </div>
      )}
    </form>
  );
}

function OwnPlaces() {
  const { ownZones = [] } = useSnapshot().settings;
  const change = useChangeSettings();
  return (
    <>
      <p className="text-sm text-ink-soft">
        Pick zones in a step, press “Name this place”: it stands here, and is picked and said like
        any other. Steps keep the zones when its name goes.
      </p>
      {ownZones.map((place, at) => (
        <Line
          key={place.name}
          name={place.name}
          onRemove={() => {
            const left = ownZones.toSpliced(at, 1);
            void change({ ownZones: left.length === 0 ? undefined : left });
          }}
        >
          <TextField
            className="w-56"
            label={`Name of ${place.name}`}
            needed
            commitOn="leaving"
            value={place.name}
            onCommit={(typed) => {
              const name = typed.trim();
              const clash = clashOfPlace(name, ownZones.toSpliced(at, 1));
              if (clash !== undefined) return Promise.resolve(clash);
              return change({ ownZones: ownZones.with(at, { ...place, name }) });
            }}
          />
          <span className="mb-2 flex-1 text-sm text-ink-soft">
            {zonesSaid(place.zones).join(', ')}
          </span>
        </Line>
      ))}
    </>
  );
}
