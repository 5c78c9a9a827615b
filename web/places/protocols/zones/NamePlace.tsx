import { useState } from 'react';
import type { ZoneId } from '@bienestar/core/zone/zones';
import { Button } from '../../../parts/Button';
import { TextField } from '../../../parts/TextField';
import { useSnapshot } from '../../../store/house';
import { useChangeSettings } from '../../../store/useEditPart';
import { clashOfPlace } from './placeNames';

/** Gives what is picked a name of the house, by which it can be picked and said everywhere. */
export function NamePlace({ zones }: { readonly zones: readonly ZoneId[] }) {
  const { ownZones = [] } = useSnapshot().settings;
  const changeSettings = useChangeSettings();
  const [isNaming, setIsNaming] = useState(false);
  if (!isNaming) {
    return (
      <Button className="self-start" onClick={() => setIsNaming(true)}>
        Name this place
      </Button>
    );
  }
  return (
    <TextField
      label="What this place is called"
      hint="It can then be picked, and said in a line, in every protocol."
      value=""
      commitOn="leaving"
      onCommit={async (typed) => {
        const name = typed.trim();
        const clash = clashOfPlace(name, ownZones);
        if (clash !== undefined) return clash;
        if (name !== '') await changeSettings({ ownZones: [...ownZones, { name, zones }] });
        setIsNaming(false);
        return undefined;
      }}
    />
  );
}
