import { nanoid } from '@reduxjs/toolkit';
import type { Versioned } from '@bienestar/contract/api';
import type { Person } from '@bienestar/core/house/house';
import { payOf } from '@bienestar/core/cost/therapistRate';
import { asId } from '@bienestar/core/house/ids';
import { money } from '../../format/figures';
import { Choice } from '../../parts/Choice';
import { MoneyField } from '../../parts/MoneyField';
import { PercentField } from '../../parts/PercentField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useAddAndRemove, useChange } from '../../store/useEditPart';
import { PasteRowsButton } from '../pasted/PasteRowsButton';
import { AddLine, Line, Section } from './Section';

/** Who works here, as what and for how much. */
export function PeoplePanel() {
  const { people } = useSnapshot();
  const { add } = useAddAndRemove('people');
  return (
    <Section title="People and pay">
      <p className="text-sm text-ink-soft">
        What the hour is paid before any employer’s cost. An on-cost left empty is the house’s.
      </p>
      {people.map((person, at) => (
        <PersonLine key={person.id} person={person} labelled={at === 0} />
      ))}
      <div className="flex flex-wrap gap-3">
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
        <PasteRowsButton kind="people" />
      </div>
    </Section>
  );
}

const OWN_PAY = 'own-pay';

interface PersonLineProps {
  readonly person: Versioned<Person>;
  /** labels are shown once, above the first line */
  readonly labelled: boolean;
}

function PersonLine({ person, labelled }: PersonLineProps) {
  const change = useChange('people', person);
  const { remove } = useAddAndRemove('people');
  const { settings } = useSnapshot();
  const { grades = [] } = settings;
  const graded = grades.some(({ name }) => name === person.grade);
  const pay = payOf(person, settings);
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
      {grades.length > 0 && (
        <Choice
          className="w-28"
          labelHidden={!labelled}
          label={labelled ? 'Grade' : `Grade of ${person.name}`}
          value={person.grade ?? OWN_PAY}
          options={[
            { value: OWN_PAY, label: 'own pay' },
            ...grades.map(({ name }) => ({ value: name, label: name })),
          ]}
          onChoose={(grade) => void change({ grade: grade === OWN_PAY ? undefined : grade })}
        />
      )}
      {graded ? (
        <span className="mb-2 w-32 text-right text-sm text-ink-soft">
          {money(pay.hourlyMinor, settings.currency)} an hour
        </span>
      ) : (
        <MoneyField
          labelHidden={!labelled}
          className="w-32"
          label="Pay"
          per="/h"
          commitOn="leaving"
          value={person.hourlyPayMinor}
          onCommit={(hourlyPayMinor) => change({ hourlyPayMinor })}
        />
      )}
      <PercentField
        labelHidden={!labelled}
        className="w-24"
        label={labelled ? 'On-cost' : `On-cost of ${person.name}`}
        to={3}
        commitOn="leaving"
        value={person.onCost}
        onCommit={(onCost) => change({ onCost })}
        onClear={() => void change({ onCost: undefined })}
      />
    </Line>
  );
}
