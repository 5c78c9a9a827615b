import { useState } from 'react';
import {
  INCIDENT_DEEDS,
  INCIDENT_SIGNS,
  type Happening,
  type IncidentDeed,
  type IncidentSign,
} from '@bienestar/core/house/run';
import type { Incident } from '@bienestar/core/run/incidents';
import { LONGEST_NOTE, LONGEST_TEXT } from '@bienestar/core/house/limits';
import { FormFault } from '../../parts/FormFault';
import { Button } from '../../parts/Button';
import { DayField } from '../../parts/DayField';
import { TextField } from '../../parts/TextField';
import { Toggles } from '../../parts/Toggles';
import { useRightForm } from '../../parts/useRightForm';
import { dayText, momentText } from '../../format/figures';
import { useTimeZone } from '../../store/clock';

interface IncidentReportProps {
  readonly incidents: readonly Incident[];
  /** it was stopped: the form stands open */
  readonly isAsked: boolean;
  readonly onHappens: (happening: Happening) => void;
}

const asOptions = <V extends string>(values: readonly V[]) =>
  values.map((value) => ({ value, label: value }));

/** What went wrong: written down once, for good, with a day on which somebody asks how it is. */
export function IncidentReport({ incidents, isAsked, onHappens }: IncidentReportProps) {
  const [isOpen, setIsOpen] = useState(isAsked && incidents.length === 0);
  const [seen, setSeen] = useState<readonly IncidentSign[]>([]);
  const [done, setDone] = useState<readonly IncidentDeed[]>([]);
  const [words, setWords] = useState('');
  const [followUpOn, setFollowUpOn] = useState('');
  const { form, fault, isRight } = useRightForm();
  const isSaid = seen.length > 0 || done.length > 0 || words.trim() !== '';
  const write = (): void => {
    if (!isRight()) return;
    onHappens({
      kind: 'incident',
      seen,
      done,
      words: words.trim(),
      ...(followUpOn !== '' && { followUpOn }),
    });
    setIsOpen(false);
    setSeen([]);
    setDone([]);
    setWords('');
    setFollowUpOn('');
  };
  return (
    <section aria-label="What went wrong" className="mt-5 max-w-4xl">
      <h2 className="text-xl">What went wrong</h2>
      {incidents.map((incident) => (
        <Written key={incident.id} incident={incident} onHappens={onHappens} />
      ))}
      {isOpen ? (
        <div ref={form} className="mt-2 flex flex-col gap-3 border-l-4 border-clay pl-4">
          <Toggles
            label="Seen and felt"
            values={seen}
            options={asOptions(INCIDENT_SIGNS)}
            onChange={setSeen}
          />
          <Toggles
            label="What was done"
            values={done}
            options={asOptions(INCIDENT_DEEDS)}
            onChange={setDone}
          />
          <TextField
            label="In words: what was on the skin and for how long, where, when"
            value={words}
            onCommit={setWords}
            lines={3}
            longest={LONGEST_TEXT}
          />
          <DayField
            label="Ask the guest how it is, on"
            value={followUpOn}
            onCommit={setFollowUpOn}
            className="max-w-48"
          />
          <p className="text-sm text-ink-soft">
            What is written down stays: it cannot be changed or removed, only added to.
          </p>
          <FormFault fault={fault} className="" />
          <Button weight="main" className="self-start" disabled={!isSaid} onClick={write}>
            Write it down for good
          </Button>
        </div>
      ) : (
        <Button className="mt-2" onClick={() => setIsOpen(true)}>
          Something went wrong …
        </Button>
      )}
    </section>
  );
}

function Written({
  incident,
  onHappens,
}: {
  readonly incident: Incident;
  readonly onHappens: (happening: Happening) => void;
}) {
  const timeZone = useTimeZone();
  const [words, setWords] = useState('');
  const { at, seen, done, words: said, followUpOn, followUps } = incident;
  return (
    <div className="mt-2 border-l-4 border-clay pl-4">
      <p className="font-semibold text-clay">▲ {momentText(at, timeZone)}</p>
      {seen.length > 0 && <p>Seen: {seen.join(', ')}.</p>}
      {done.length > 0 && <p>Done: {done.join(', ')}.</p>}
      {said !== '' && <p>{said}</p>}
      {followUps.map((each) => (
        <p key={each.at}>
          Asked after, {momentText(each.at, timeZone)}: {each.words}
        </p>
      ))}
      {followUpOn !== undefined && (
        <p className="font-semibold">To be asked after on {dayText(followUpOn)}.</p>
      )}
      <div className="mt-1 flex flex-wrap items-end gap-2">
        <TextField
          label="How it is now"
          value={words}
          onCommit={setWords}
          longest={LONGEST_NOTE}
          className="min-w-64 flex-1"
        />
        <Button
          disabled={words.trim() === ''}
          onClick={() => {
            onHappens({ kind: 'followed-up', incident: incident.id, words: words.trim() });
            setWords('');
          }}
        >
          Write down
        </Button>
      </div>
    </div>
  );
}
