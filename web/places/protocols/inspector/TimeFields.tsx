import { LIMITS, within } from '@bienestar/contract/limits';
import type { ContactCap } from '@bienestar/core/time/schedule';
import { number, percent } from '../../../format/figures';
import { parseMinutes } from '../../../format/typedMinutes';
import { HandsMark } from '../../../parts/HandsMark';
import { NumberField } from '../../../parts/NumberField';
import { Segments } from '../../../parts/Segments';
import { MinutesField } from './MinutesField';
import type { StepFieldsProps } from './stepFields';

interface TimeFieldsProps extends StepFieldsProps {
  readonly contact: ContactCap | undefined;
}

/** How long the step takes, whose hands are on it, and how long what it puts on may stay. */
export function TimeFields({ step, change, contact }: TimeFieldsProps) {
  return (
    <>
      <MinutesField
        legend="Minutes"
        value={step.minutes}
        onCommit={(minutes) => change({ minutes }, 'minutes')}
      />
      <div className="grid gap-3 sm:grid-cols-[1fr_8.5rem]">
        <Segments
          label="Hands"
          value={step.hands}
          options={[
            { value: 'hands-on', label: 'on', sign: <HandsMark hands="hands-on" /> },
            { value: 'watching', label: 'watching', sign: <HandsMark hands="watching" /> },
            { value: 'free', label: 'free', sign: <HandsMark hands="free" /> },
          ]}
          onChoose={(hands) => change({ hands })}
        />
        <NumberField
          label="Contact at most"
          hint={contact && `passed in ${percent(contact.chancePast)} of visits`}
          error={
            step.until !== undefined && step.capMinutes === undefined
              ? 'An endpoint needs a cap.'
              : undefined
          }
          unit="min"
          value={step.capMinutes}
          parse={parseMinutes}
          check={within(LIMITS.capMinutes)}
          onCommit={(capMinutes) => change({ capMinutes }, 'capMinutes')}
          onClear={() =>
            change({ capMinutes: undefined, until: undefined, capSince: undefined }, 'capMinutes')
          }
        />
      </div>
      {(step.stretch === 'set-up' || step.holdsMinutes !== undefined) && (
        <NumberField
          label="Holds for the next visit"
          hint="the next one in this room is spared this step if it begins within that time"
          unit="min"
          value={step.holdsMinutes}
          parse={parseMinutes}
          check={within(LIMITS.holdsMinutes)}
          onCommit={(holdsMinutes) => change({ holdsMinutes }, 'holdsMinutes')}
          onClear={() => change({ holdsMinutes: undefined }, 'holdsMinutes')}
        />
      )}
      {step.capMinutes !== undefined && (
        <div className="flex flex-col gap-1">
          <Segments
            label="Contact is counted"
            value={step.capSince ?? 'here'}
            options={[
              { value: 'here', label: 'in this step' },
              { value: 'first-touch', label: 'from the first touch' },
            ]}
            onChoose={(value) => change({ capSince: value === 'here' ? undefined : value })}
          />
          {contact?.clock && (
            <p className="text-xs text-ink-soft">
              the zone touched first {number(contact.clock.firstZoneMinutes, 1)} min, the last{' '}
              {number(contact.clock.lastZoneMinutes, 1)} min
            </p>
          )}
        </div>
      )}
    </>
  );
}
