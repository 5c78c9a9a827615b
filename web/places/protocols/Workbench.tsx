import { useCallback, useEffect, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Step } from '@bienestar/core/house/house';
import type { Outcome } from '@bienestar/core/house/problem';
import { insertStep, nudgeStep, removeStep } from '@bienestar/core/protocol/editSteps';
import type { ContactCap, Schedule } from '@bienestar/core/time/schedule';
import { Ribbon } from '../../figures/Ribbon';
import { Button } from '../../parts/Button';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { Loading } from '../../parts/Loading';
import { NothingHere } from '../../parts/NothingHere';
import { useSnapshot } from '../../store/house';
import { redone, undone } from '../../store/protocolDrafts';
import { useAppDispatch } from '../../store/store';
import { ConflictSheet } from './ConflictSheet';
import { newStep } from './newStep';
import { RunningSum } from './RunningSum';
import { StepInspector } from './StepInspector';
import { StepList } from './StepList';
import { useProtocolDraft } from './useProtocolDraft';
import { useShownService } from './useShownService';
import { WorkbenchHeader } from './WorkbenchHeader';

/** One protocol open for work: steps, the step in hand, the running sum and the ribbon. */
export function Workbench() {
  const { protocolId = '', stepId } = useParams();
  const known = useSnapshot().protocols.some((protocol) => protocol.id === protocolId);
  const { draft, edit } = useProtocolDraft(protocolId);
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const [nameStep, setNameStep] = useState<string>();
  const shown = useShownService(protocolId, draft?.present);

  const select = useCallback(
    (id: string): void => void navigate(`/protocols/${protocolId}/${id}`, { replace: true }),
    [navigate, protocolId],
  );

  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      const back = key === 'z' && !event.shiftKey;
      const forth = key === 'y' || (key === 'z' && event.shiftKey);
      if (!back && !forth) return;
      event.preventDefault();
      dispatch(back ? undone(protocolId) : redone(protocolId));
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [dispatch, protocolId]);

  if (!known && !draft) return <NothingHere what="There is no such protocol in the house." />;
  if (!draft) return <Loading what="Opening the protocol" />;

  const { present } = draft;
  const selected = present.steps.find((step) => step.id === stepId) ?? present.steps[0];
  const add = (after?: Step): void => {
    const step = newStep();
    edit((protocol) => insertStep(protocol, step, after?.id));
    select(step.id);
    setNameStep(step.id);
  };
  const remove = (step: Step): void => {
    const at = present.steps.findIndex((each) => each.id === step.id);
    const next = present.steps[at + 1] ?? present.steps[at - 1];
    edit((protocol) => removeStep(protocol, step.id));
    if (next) select(next.id);
  };
  const schedule = shown.figures?.schedule;

  return (
    <div className="flex h-full flex-col">
      <WorkbenchHeader draft={draft} edit={edit} />
      {selected ? (
        <div className="grid min-h-0 flex-1 grid-cols-[minmax(26rem,1fr)_minmax(24rem,27rem)_19rem]">
          <StepList
            protocol={present}
            schedule={schedule?.ok ? schedule.value : undefined}
            problems={shown.problems}
            selectedId={selected.id}
            onSelect={select}
            onAdd={add}
            onRemove={remove}
            onNudge={(step, direction) =>
              edit((protocol) => nudgeStep(protocol, step.id, direction))
            }
            edit={edit}
          />
          <StepInspector
            key={selected.id}
            protocol={present}
            step={selected}
            edit={edit}
            draws={shown.figures?.draws}
            contact={contactOf(schedule, selected.id)}
            problems={shown.problems}
            focusName={nameStep === selected.id}
            onNamed={() => setNameStep(undefined)}
            onRemove={() => remove(selected)}
          />
          <RunningSum shown={shown} protocol={present} />
        </div>
      ) : (
        <div className="flex-1 px-6 py-8">
          <EmptyPlace
            title="No steps yet"
            action={
              <Button weight="main" onClick={() => add()}>
                Write the first step
              </Button>
            }
          >
            Begin with preparing the room, or with the first touch. Minutes, amounts and cost are
            counted from the first step on.
          </EmptyPlace>
        </div>
      )}
      {schedule?.ok && (
        <Ribbon schedule={schedule.value} selectedStepId={selected?.id} onSelect={select} />
      )}
      <ConflictSheet draft={draft} />
    </div>
  );
}

function contactOf(
  schedule: Outcome<Schedule> | undefined,
  stepId: string,
): ContactCap | undefined {
  if (!schedule?.ok) return undefined;
  const row = schedule.value.rows.find(({ of }) => of.kind === 'step' && of.stepId === stepId);
  return row?.contact;
}
