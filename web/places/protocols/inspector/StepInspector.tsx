import { Trash2 } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { Dose, Protocol, Step } from '@bienestar/core/house/house';
import { changeStep } from '@bienestar/core/protocol/editSteps';
import type { ContactCap } from '@bienestar/core/time/schedule';
import type { Action } from '@bienestar/core/house/actions';
import { isStep } from '@bienestar/core/house/protocol';
import { added } from '@bienestar/core/protocol/addSteps';
import { applyLine } from '@bienestar/core/stepLine/applyLine';
import { lineOfStep } from '@bienestar/core/protocol/expandBlocks';
import type { Vocabulary } from '@bienestar/core/stepLine/vocabulary';
import { parseMinutes } from '../../../format/typedMinutes';
import { number, percent } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { HandsMark } from '../../../parts/HandsMark';
import { NumberField } from '../../../parts/NumberField';
import { Segments } from '../../../parts/Segments';
import { TextField } from '../../../parts/TextField';
import { TripleField } from '../../../parts/TripleField';
import { NEW_IDS } from '../newStep';
import type { EditProtocol } from '../useDraft';
import type { ShownService } from '../useShownService';
import { ZonesField } from '../zones/ZonesField';
import { AddProduct } from './AddProduct';
import { AskedFields } from './AskedFields';
import { wayOf } from './amountWays';
import { DeviceFields } from './DeviceFields';
import { DoseEditor } from './DoseEditor';
import { Findings } from './Findings';
import { ForWhom } from './ForWhom';
import { LayersEditor } from './LayersEditor';
import { LineField } from './LineField';
import { PlaceFields } from './PlaceFields';
import { RemovalFields } from './RemovalFields';
import { TechniqueFields } from './TechniqueFields';
import { WorkFields } from './WorkFields';
import type { ChangeStep } from './stepFields';
import { WordsFields } from './WordsFields';

interface StepInspectorProps {
  readonly protocol: Protocol;
  readonly step: Step;
  readonly edit: EditProtocol;
  readonly shown: ShownService;
  readonly words: Vocabulary;
  readonly focusName: boolean;
  readonly onNamed: () => void;
  readonly onRemove: () => void;
}

const LONGEST_MINUTES = 1440;

/** Everything that can be said about the step in hand. */
export function StepInspector({
  protocol,
  step,
  edit,
  shown,
  words,
  focusName,
  onNamed,
  onRemove,
}: StepInspectorProps) {
  const nameInput = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (!focusName) return;
    nameInput.current?.focus();
    nameInput.current?.select();
    onNamed();
  }, [focusName, onNamed]);

  /* What is asked next of a new product is how much. */
  const added = useRef<string>(undefined);
  useEffect(() => {
    if (added.current === undefined) return;
    const fields = document.querySelectorAll<HTMLInputElement>(
      `[data-dose="${added.current}"] input`,
    );
    if (fields.length === 0) return;
    const field = fields[fields.length > 1 ? 1 : 0];
    field?.focus();
    field?.select();
    added.current = undefined;
  });

  const change: ChangeStep = (changes, typedInto) =>
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
  const isHere = ({ where }: { readonly where: { readonly stepId?: string } }): boolean =>
    where.stepId !== undefined && lineOfStep(where.stepId as Step['id']) === step.id;
  const problems = shown.problems.filter(isHere);
  const findings = shown.findings.filter(isHere);
  const { draws } = shown.figures;
  const contact = contactOf(shown, step);
  const fields = { step, protocol, change, edit };

  return (
    <section
      id="step-inspector"
      aria-label="Step in hand"
      className="flex min-h-0 flex-col gap-3 overflow-y-auto border-r border-line bg-sheet px-5 py-4"
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
      <LineField protocol={protocol} step={step} words={words} edit={edit} />
      <Findings
        problems={problems}
        findings={findings}
        onFix={({ add, after }) => edit((before) => addedToFix(before, add, lineOfStep(after)))}
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
      <div className="flex flex-col gap-3">
        {step.doses.map((dose) => (
          <DoseEditor
            key={dose.id}
            dose={dose}
            choices={protocol.choices}
            onChange={changeDose}
            onRemove={() => change({ doses: step.doses.filter((each) => each.id !== dose.id) })}
            draws={
              draws.ok
                ? draws.value.filter((draw) => draw.doseId === dose.id && draw.stepId === step.id)
                : []
            }
            problems={problems.filter((problem) => problem.where.doseId === dose.id)}
          />
        ))}
        <AddProduct
          onAdd={(dose) => {
            change({ doses: [...step.doses, dose] });
            added.current = dose.id;
          }}
        />
      </div>
      <ZonesField {...fields} />
      <WorkFields {...fields} />
      <TechniqueFields {...fields} />
      <AskedFields {...fields} />
      <RemovalFields {...fields} />
      <DeviceFields {...fields} />
      <PlaceFields {...fields} />
      <LayersEditor protocol={protocol} step={step} edit={edit} />
      <ForWhom line={step} protocol={protocol} edit={edit} />
      <WordsFields {...fields} />
      <Button weight="remove" className="self-start" onClick={onRemove}>
        <Trash2 aria-hidden size={16} /> Remove this step
      </Button>
    </section>
  );
}

/** A protocol with a step of an action behind another, as its line would make it. */
function addedToFix(protocol: Protocol, action: Action, after: Step['id']): Protocol {
  const behind = protocol.steps.find(({ id }) => id === after);
  const zones = behind && isStep(behind) ? behind.zones : [];
  const line = applyLine({ action, zones: [...zones], doses: [] }, undefined, NEW_IDS);
  return added(protocol, { line, beside: false }, behind, NEW_IDS.other);
}

function contactOf({ figures }: ShownService, step: Step): ContactCap | undefined {
  if (!figures.schedule.ok) return undefined;
  const row = figures.schedule.value.rows.find(
    ({ of }) => of.kind === 'step' && of.stepId === step.id,
  );
  return row?.contact;
}
