import { nanoid } from '@reduxjs/toolkit';
import type { Versioned } from '@bienestar/contract/api';
import type { Person } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { MoneyField } from '../../parts/MoneyField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useAddAndRemove, useChange } from '../../store/useEditPart';
import { AddLine, Line, Section } from './Section';

/** Who works here, as what and for how much. */
export function PeoplePanel() {
  const { people } = useSnapshot();
  const { add } = useAddAndRemove('people');
  return (
    <Section title="People and pay">
      {people.map((person, at) => (
        <PersonLine key={person.id} person={person} labelled={at === 0} />
      ))}
      <AddLine
        what="Add a person"
        onAdd={() =>
          void add({
            id: asId(nanoid(12)),
            name: 'New person',
            role: 'therapist',
            hourlyPayMinor: 0,
          })
        }
      />
    </Section>
  );
}

interface PersonLineProps {
  readonly person: Versioned<Person>;
  /** labels are shown once, above the first line */
  readonly labelled: boolean;
}

function PersonLine({ person, labelled }: PersonLineProps) {
  const change = useChange('people', person);
  const { remove } = useAddAndRemove('people');
  return (
    <Line name={person.name} onRemove={() => void remove(person)}>
      <TextField
        labelHidden={!labelled}
        className="flex-1"
        label="Name"
        needed
        commitOn="leaving"
        value={person.name}
        onCommit={(name) => change({ name })}
      />
      <Segments
        labelHidden={!labelled}
        label="Works as"
        value={person.role}
        options={[
          { value: 'therapist', label: 'therapist' },
          { value: 'assistant', label: 'assistant' },
        ]}
        onChoose={(role) => void change({ role })}
      />
      <MoneyField
        labelHidden={!labelled}
        className="w-32"
        label="Pay"
        per="/h"
        commitOn="leaving"
        value={person.hourlyPayMinor}
        onCommit={(hourlyPayMinor) => change({ hourlyPayMinor })}
      />
    </Line>
  );
}
