import { Trash2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Conditional, Dose, Protocol, Step } from '@bienestar/core/house/house';
import { changeStep } from '@bienestar/core/protocol/editSteps';
import type { ContactCap } from '@bienestar/core/time/schedule';
import type { Action } from '@bienestar/core/house/actions';
import { isStep, optionsOf } from '@bienestar/core/house/protocol';
import { saidOtherwise } from '@bienestar/core/protocol/conditional';
import { changeOtherwise, hangsOnSame } from '@bienestar/core/protocol/otherwise';
import { added } from '@bienestar/core/protocol/addSteps';
import { applyLine } from '@bienestar/core/stepLine/applyLine';
import { lineOfStep } from '@bienestar/core/protocol/expandBlocks';
import type { Vocabulary } from '@bienestar/core/stepLine/vocabulary';
import { hangingWords } from '../../../format/protocolWords';
import { Button } from '../../../parts/Button';
import { TextField } from '../../../parts/TextField';
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
import { TimeFields } from './TimeFields';
import { differing, OtherwiseFields } from './OtherwiseFields';
import { OtherLayersFields } from './OtherLayersFields';
import { WorkFields } from './WorkFields';
import type { ChangeStep, StepFieldsProps } from './stepFields';
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

const LOOK = 'flex min-h-0 flex-col gap-3 overflow-y-auto border-r border-line bg-sheet px-5 py-4';

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
  const [taken, setTaken] = useState<Conditional>();
  const on = taken && isKnown(protocol, taken) ? taken : undefined;

  if (on) {
    const said = step.otherwise?.find((each) => hangsOnSame(each, on));
    const some: StepFieldsProps = {
      step: said ? saidOtherwise(step, said.says) : step,
      protocol,
      edit,
      forSome: true,
      change: (changes, typedInto) =>
        edit(
          (before) => changeOtherwise(before, step.id, on, changes),
          typedInto === undefined ? undefined : `${step.id}.otherwise.${typedInto}`,
        ),
    };
    return (
      <section id="step-inspector" aria-label="Step in hand" className={LOOK}>
        <div className="flex items-start gap-3 border-l-2 border-palm pl-3">
          <p className="min-w-0 flex-1">
            <span className="block text-sm text-ink-soft">{step.name}, as it is for</span>
            {hangingWords(protocol.choices, on)}
            <span className="block text-sm text-ink-soft">
              {said
                ? `otherwise: ${differing(said)}`
                : 'nothing is otherwise yet: change what differs'}
            </span>
          </p>
          <Button onClick={() => setTaken(undefined)}>Back to everybody</Button>
        </div>
        <Findings problems={problems} findings={findings} />
        <TimeFields {...some} contact={undefined} />
        <OtherLayersFields {...some} on={on} />
        <ZonesField {...some} />
        <WorkFields {...some} />
        <TechniqueFields {...some} />
        <RemovalFields {...some} />
        <DeviceFields {...some} />
      </section>
    );
  }

  return (
    <section
      id="step-inspector"
      aria-label="Step in hand"
      className={LOOK}
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
      <TimeFields {...fields} contact={contact} />
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
            inLayers={step.layerGroupId !== undefined}
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
      <OtherwiseFields {...fields} onTake={setTaken} />
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

/** Whether the options on which something hangs are still there. */
function isKnown({ choices }: Protocol, on: Conditional): boolean {
  return optionsOf(on).every(({ choiceId, optionId }) =>
    choices.some(
      ({ id, options }) => id === choiceId && options.some((each) => each.id === optionId),
    ),
  );
}

function contactOf({ figures }: ShownService, step: Step): ContactCap | undefined {
  if (!figures.schedule.ok) return undefined;
  const row = figures.schedule.value.rows.find(
    ({ of }) => of.kind === 'step' && of.stepId === step.id,
  );
  return row?.contact;
}
