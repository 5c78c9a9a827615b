import { nanoid } from '@reduxjs/toolkit';
import type { Versioned } from '@bienestar/contract/api';
import type { Room } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useAddAndRemove, useChange } from '../../store/useEditPart';
import { AddLine, Line, Section } from './Section';

/** The treatment rooms. */
export function RoomsPanel() {
  const { rooms } = useSnapshot();
  const { add } = useAddAndRemove('rooms');
  return (
    <Section title="Rooms">
      {rooms.map((room, at) => (
        <RoomLine key={room.id} room={room} labelled={at === 0} />
      ))}
      <AddLine
        what="Add a room"
        onAdd={() => void add({ id: asId(nanoid(12)), name: 'New room', kind: 'dry' })}
      />
    </Section>
  );
}

interface RoomLineProps {
  readonly room: Versioned<Room>;
  /** labels are shown once, above the first line */
  readonly labelled: boolean;
}

function RoomLine({ room, labelled }: RoomLineProps) {
  const change = useChange('rooms', room);
  const { remove } = useAddAndRemove('rooms');
  return (
    <Line name={room.name} onRemove={() => void remove(room)}>
      <TextField
        labelHidden={!labelled}
        className="flex-1"
        label="Room"
        needed
        commitOn="leaving"
        value={room.name}
        onCommit={(name) => change({ name })}
      />
      <Segments
        labelHidden={!labelled}
        label="Kind"
        value={room.kind}
        options={[
          { value: 'dry', label: 'dry' },
          { value: 'wet', label: 'wet' },
        ]}
        onChoose={(kind) => void change({ kind })}
      />
    </Line>
  );
}
