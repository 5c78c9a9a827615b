import { Plus, Trash2 } from 'lucide-react';
import { useEffect, useRef } from 'react';
import type { Draw } from '@bienestar/core/dose/drawsOf';
import type { Dose, Protocol, Step } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { Outcome, Problem } from '@bienestar/core/house/problem';
import { changeStep, ordered, putBeside } from '@bienestar/core/protocol/editSteps';
import type { ContactCap } from '@bienestar/core/time/schedule';
import { parseMinutes } from '../../format/decimal';
import { percent } from '../../format/figures';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { HandsMark } from '../../parts/HandsMark';
import { NumberField } from '../../parts/NumberField';
import { Problems } from '../../parts/Problems';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { TripleField } from '../../parts/TripleField';
import { useHouse } from '../../store/house';
import { wayOf } from './amountWays';
import { DoseEditor } from './DoseEditor';
import { LayersEditor } from './LayersEditor';
import { newDose } from './newStep';
import type { EditProtocol } from './useProtocolDraft';
import { ZonePicker } from './ZonePicker';

interface StepInspectorProps {
  readonly protocol: Protocol;
  readonly step: Step;
  readonly edit: EditProtocol;
  readonly draws: Outcome<readonly Draw[]> | undefined;
  /** how the contact time of the step fits its cap, where it has one */
  readonly contact: ContactCap | undefined;
  readonly problems: readonly Problem[];
  readonly focusName: boolean;
  readonly onNamed: () => void;
  readonly onRemove: () => void;
}

const NOT_BESIDE = 'by-itself';
const LONGEST_MINUTES = 1440;

/** Everything that can be said about the step in hand. */
export function StepInspector({
  protocol,
  step,
  edit,
  draws,
  contact,
  problems,
  focusName,
  onNamed,
  onRemove,
}: StepInspectorProps) {
  const house = useHouse();
  const nameInput = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (!focusName) return;
    nameInput.current?.focus();
    nameInput.current?.select();
    onNamed();
  }, [focusName, onNamed]);

  const change = (changes: Partial<Step>, typedInto?: string): void =>
    edit(
      (before) => changeStep(before, step.id, changes),
      typedInto === undefined ? undefined : `${step.id}.${typedInto}`,
    );
  const changeDose = (dose: Dose): void => {
    const before = step.doses.find((each) => each.id === dose.id);
    const typed =
      before?.source === dose.source &&
      before.opening === dose.opening &&
      wayOf(before.amount) === wayOf(dose.amount);
    const doses = step.doses.map((each) => (each.id === dose.id ? dose : each));
    change({ doses }, typed ? dose.id : undefined);
  };
  const ofStep = problems.filter((problem) => problem.where.stepId === step.id);
  const hosts = protocol.steps.filter(
    (each) => each.meanwhileOf === undefined && each.id !== step.id,
  );
  const [firstMaterial] = house.materials;

  return (
    <section
      id="step-inspector"
      aria-label="Step in hand"
      className="flex min-h-0 flex-col gap-4 overflow-y-auto border-r border-line bg-sheet px-5 py-4"
      onKeyDown={(event) => {
        if (event.key === 'Escape' && !event.defaultPrevented) {
          document.querySelector<HTMLElement>('[data-step][aria-current="step"]')?.focus();
        }
      }}
    >
      <TextField
        label="Step"
        needed
        value={step.name}
        inputRef={nameInput}
        onCommit={(name) => change({ name }, 'name')}
      />
      <TripleField
        legend="Minutes"
        labels={['least', 'usual', 'most']}
        values={[step.minutes.least, step.minutes.usual, step.minutes.most]}
        unit="min"
        zeroAllowed
        largest={LONGEST_MINUTES}
        parse={parseMinutes}
        onCommit={([least, usual, most]) => change({ minutes: { least, usual, most } }, 'minutes')}
      />
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
      <div className="flex flex-col gap-3">
        {step.doses.map((dose) => (
          <DoseEditor
            key={dose.id}
            dose={dose}
            onChange={changeDose}
            onRemove={() => change({ doses: step.doses.filter((each) => each.id !== dose.id) })}
            draws={
              draws?.ok
                ? draws.value.filter((draw) => draw.doseId === dose.id && draw.stepId === step.id)
                : []
            }
            problems={ofStep.filter((problem) => problem.where.doseId === dose.id)}
          />
        ))}
        {firstMaterial && (
          <Button
            className="self-start"
            onClick={() => change({ doses: [...step.doses, newDose(firstMaterial)] })}
          >
            <Plus aria-hidden size={16} /> Add a product
          </Button>
        )}
      </div>
      <ZonePicker zones={step.zones} onChange={(zones) => change({ zones })} />
      <Problems problems={ofStep.filter((problem) => problem.where.doseId === undefined)} />
      <div className="grid grid-cols-2 gap-3">
        <Segments
          label="Stretch"
          value={step.stretch}
          options={[
            { value: 'set-up', label: 'set-up' },
            { value: 'visit', label: 'visit' },
            { value: 'reset', label: 'reset' },
          ]}
          onChoose={(stretch) =>
            edit((before) =>
              ordered(
                changeStep(before, step.id, {
                  stretch,
                  layerGroupId: undefined,
                  meanwhileOf: undefined,
                }),
              ),
            )
          }
        />
        <Segments
          label="Done by"
          value={step.by}
          options={[
            { value: 'therapist', label: 'therapist' },
            { value: 'assistant', label: 'assistant' },
          ]}
          onChoose={(by) => change({ by })}
        />
        <Choice
          label="Done meanwhile, beside"
          value={step.meanwhileOf ?? NOT_BESIDE}
          options={[
            { value: NOT_BESIDE, label: 'by itself' },
            ...hosts.map((host) => ({ value: host.id, label: host.name })),
          ]}
          onChoose={(host) =>
            edit((before) =>
              putBeside(before, step.id, host === NOT_BESIDE ? undefined : asId(host)),
            )
          }
        />
        <NumberField
          label="Contact at most"
          hint={contact && `passed in ${percent(contact.chancePast)} of visits`}
          unit="min"
          value={step.capMinutes}
          parse={parseMinutes}
          check={(cap) => (cap > 0 && cap <= LONGEST_MINUTES ? undefined : 'Must be more than 0.')}
          onCommit={(capMinutes) => change({ capMinutes }, 'capMinutes')}
          onClear={() => change({ capMinutes: undefined }, 'capMinutes')}
        />
      </div>
      <LayersEditor protocol={protocol} step={step} edit={edit} />
      <TextField
        label="What to watch and say"
        lines={3}
        longest={2000}
        value={step.note ?? ''}
        onCommit={(note) => change({ note: note === '' ? undefined : note }, 'note')}
      />
      <Button weight="remove" className="self-start" onClick={onRemove}>
        <Trash2 aria-hidden size={16} /> Take this step out
      </Button>
    </section>
  );
}
