import { nanoid } from '@reduxjs/toolkit';
import { Coins } from 'lucide-react';
import { useState } from 'react';
import type { Versioned } from '@bienestar/contract/api';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { Person } from '@bienestar/core/house/house';
import { payOf } from '@bienestar/core/cost/therapistRate';
import { asId } from '@bienestar/core/house/ids';
import { money } from '../../format/figures';
import { IconButton } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useAddAndRemove, useChange } from '../../store/useEditPart';
import { PasteRowsButton } from '../pasted/PasteRowsButton';
import { hasOwnTerms, PayTerms } from './PayTerms';
import { AddLine, Line, Section } from './Section';

/** Who works here, as what and for how much. */
export function PeoplePanel() {
  const { people } = useSnapshot();
  const { add } = useAddAndRemove('people');
  return (
    <Section title="People and pay">
      <p className="text-sm text-ink-soft">
        Before any employer’s cost; an on-cost left empty is the house’s. Agreed hours are paid
        whether or not somebody comes. Who is paid for hours at guests alone, by the month or by the
        price, says so under <Coins aria-hidden size={14} className="inline" />. Tips are theirs:
        they are no turnover, and stand in no figure.
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
  const [opened, setOpened] = useState(false);
  const open = opened || hasOwnTerms(person);
  return (
    <>
      <Line name={person.name} onRemove={() => void remove(person)}>
        <TextField
          labelHidden={!labelled}
          className="min-w-16 flex-1"
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
            className="w-[7.25rem]"
            label="Pay"
            per="/h"
            commitOn="leaving"
            value={person.hourlyPayMinor}
            onCommit={(hourlyPayMinor) => change({ hourlyPayMinor })}
          />
        )}
        <PercentField
          labelHidden={!labelled}
          className="w-[4.5rem]"
          label={labelled ? 'On-cost' : `On-cost of ${person.name}`}
          to={3}
          commitOn="leaving"
          value={person.onCost}
          onCommit={(onCost) => change({ onCost })}
          onClear={() => void change({ onCost: undefined })}
        />
        <NumberField
          labelHidden={!labelled}
          className="w-[4.5rem]"
          label={labelled ? 'Paid a week' : `Paid hours a week of ${person.name}`}
          unit="h"
          commitOn="leaving"
          check={within(LIMITS.hoursPerWeek)}
          value={person.hoursPerWeek}
          onCommit={(hoursPerWeek) => change({ hoursPerWeek })}
          onClear={() => void change({ hoursPerWeek: undefined })}
        />
        <IconButton
          label={`How ${person.name} is paid`}
          aria-expanded={open}
          className="mb-0.5"
          disabled={hasOwnTerms(person)}
          onClick={() => setOpened(!opened)}
        >
          <Coins aria-hidden size={16} />
        </IconButton>
      </Line>
      {open && <PayTerms person={person} change={change} />}
    </>
  );
}
