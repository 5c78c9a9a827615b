import { closestCenter, DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus } from 'lucide-react';
import { useEffect, useRef, type KeyboardEvent } from 'react';
import type { Protocol, Step } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { Problem } from '@bienestar/core/house/problem';
import { moveStepTo } from '@bienestar/core/protocol/editSteps';
import type { Schedule } from '@bienestar/core/time/schedule';
import { Button } from '../../parts/Button';
import { StepRow } from './StepRow';
import type { EditProtocol } from './useProtocolDraft';

interface StepListProps {
  readonly protocol: Protocol;
  readonly schedule: Schedule | undefined;
  readonly problems: readonly Problem[];
  readonly selectedId: string;
  readonly onSelect: (id: string) => void;
  readonly onAdd: (after: Step) => void;
  readonly onRemove: (step: Step) => void;
  readonly onNudge: (step: Step, direction: 'up' | 'down') => void;
  readonly edit: EditProtocol;
}

const STRETCH_WORDS = { 'set-up': 'Set-up', visit: 'Visit', reset: 'Reset' } as const;

/** The steps in order; arrow keys go through them, Enter adds, Alt with an arrow moves. */
export function StepList({
  protocol,
  schedule,
  problems,
  selectedId,
  onSelect,
  onAdd,
  onRemove,
  onNudge,
  edit,
}: StepListProps) {
  const list = useRef<HTMLOListElement>(null);
  const followSelection = useRef(false);
  /* Keys may come faster than the screen: the next one goes on from the step already asked for. */
  const asked = useRef<string>(undefined);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const { steps, layerGroups } = protocol;
  const at = steps.findIndex((step) => step.id === selectedId);
  const selected = steps[at];

  useEffect(() => {
    const row = list.current?.querySelector<HTMLElement>('[data-step][aria-current="step"]');
    row?.scrollIntoView({ block: 'nearest' });
    if (followSelection.current) row?.focus();
    followSelection.current = false;
    asked.current = undefined;
  }, [selectedId, steps]);

  const onKeyDown = (event: KeyboardEvent): void => {
    if (!selected || !(event.target instanceof HTMLElement) || !('step' in event.target.dataset))
      return;
    const goTo = (step: Step | undefined): void => {
      if (!step) return;
      followSelection.current = true;
      asked.current = step.id;
      onSelect(step.id);
    };
    switch (event.key) {
      case 'ArrowUp':
      case 'ArrowDown': {
        const up = event.key === 'ArrowUp';
        if (event.altKey) {
          followSelection.current = true;
          onNudge(selected, up ? 'up' : 'down');
        } else {
          const from =
            asked.current === undefined ? at : steps.findIndex((step) => step.id === asked.current);
          goTo(steps[from + (up ? -1 : 1)]);
        }
        break;
      }
      case 'Home':
        goTo(steps[0]);
        break;
      case 'End':
        goTo(steps.at(-1));
        break;
      case 'Enter':
        onAdd(selected);
        break;
      case 'Delete':
        followSelection.current = true;
        onRemove(selected);
        break;
      case 'ArrowRight':
        document.getElementById('step-inspector')?.querySelector<HTMLElement>('input')?.focus();
        break;
      default:
        return;
    }
    event.preventDefault();
  };

  return (
    <section aria-label="Steps" className="flex min-h-0 flex-col border-r border-line">
      <div className="min-h-0 flex-1 overflow-y-auto" tabIndex={-1}>
        <DndContext
          sensors={sensors}
          collisionDetection={closestCenter}
          onDragEnd={({ active, over }) => {
            if (!over) return;
            onSelect(String(active.id));
            edit((before) => moveStepTo(before, asId(String(active.id)), asId(String(over.id))));
          }}
          accessibility={{ container: document.body }}
        >
          <SortableContext
            items={steps.map((step) => step.id)}
            strategy={verticalListSortingStrategy}
          >
            <ol ref={list} onKeyDown={onKeyDown} className="pb-2">
              {steps.map((step, order) => {
                const before = steps[order - 1];
                const group = layerGroups.find((each) => each.id === step.layerGroupId);
                return (
                  <StepRow
                    key={step.id}
                    step={step}
                    heading={
                      before?.stretch === step.stretch ? undefined : STRETCH_WORDS[step.stretch]
                    }
                    group={group}
                    firstOfGroup={group !== undefined && before?.layerGroupId !== step.layerGroupId}
                    row={schedule?.rows.find(
                      (row) => row.of.kind === 'step' && row.of.stepId === step.id,
                    )}
                    faulty={problems.some((problem) => problem.where.stepId === step.id)}
                    selected={step.id === selectedId}
                    onSelect={() => onSelect(step.id)}
                  />
                );
              })}
            </ol>
          </SortableContext>
        </DndContext>
      </div>
      <div className="flex items-center gap-3 border-t border-line px-6 py-2">
        {selected && (
          <Button onClick={() => onAdd(selected)}>
            <Plus aria-hidden size={16} /> Add a step
          </Button>
        )}
        <p className="text-xs text-ink-soft">Enter adds below · Alt ↑↓ moves · Delete takes out</p>
      </div>
    </section>
  );
}
