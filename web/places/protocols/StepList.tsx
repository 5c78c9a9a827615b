import { closestCenter, DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus } from 'lucide-react';
import { useEffect, useMemo, useRef, type KeyboardEvent } from 'react';
import type { LayerGroup, Protocol, Step } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { Problem } from '@bienestar/core/house/problem';
import { moveStepTo } from '@bienestar/core/protocol/editSteps';
import type { Schedule } from '@bienestar/core/time/schedule';
import { zoneName } from '@bienestar/core/zone/zones';
import { amountWords } from '../../format/amountWords';
import { Button } from '../../parts/Button';
import { useHouse } from '../../store/house';
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
  const { materials, mixes } = useHouse();
  const names = useMemo(
    () => new Map<string, string>([...materials, ...mixes].map((each) => [each.id, each.name])),
    [materials, mixes],
  );
  const startOf = useMemo(() => startsByStep(schedule), [schedule]);
  const order = steps.map((step) => step.id).join();
  /* The same list for as long as the order is the same, so that typing does not draw every row anew. */
  const ids = useMemo(() => order.split(','), [order]);

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
          <SortableContext items={ids} strategy={verticalListSortingStrategy}>
            <ol ref={list} onKeyDown={onKeyDown} className="pb-2">
              {steps.map((step, order) => {
                const before = steps[order - 1];
                return (
                  <StepRow
                    key={step.id}
                    step={step}
                    startsAt={startOf.get(step.id)}
                    details={detailsOf(step, names)}
                    heading={
                      before?.stretch === step.stretch ? undefined : STRETCH_WORDS[step.stretch]
                    }
                    layersHeading={
                      before?.layerGroupId === step.layerGroupId
                        ? undefined
                        : layersWords(layerGroups.find((each) => each.id === step.layerGroupId))
                    }
                    faulty={problems.some((problem) => problem.where.stepId === step.id)}
                    selected={step.id === selectedId}
                    onSelect={onSelect}
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

function detailsOf({ doses, zones }: Step, names: ReadonlyMap<string, string>): string {
  const drawn = doses.map(({ amount, source }) => {
    const name = names.get(source.kind === 'material' ? source.materialId : source.mixId);
    return `${amountWords(amount)} ${name ?? 'something that is no longer on the shelf'}`;
  });
  return [drawn.join(', '), zones.map(zoneName).join(', ')]
    .filter((words) => words !== '')
    .join(' — ');
}

function layersWords(group: LayerGroup | undefined): string | undefined {
  return (
    group &&
    `${group.name}: ${group.layers.first} on a first visit, ${group.layers.returning} on later ones`
  );
}

/** When each step starts, the first time in layers. */
function startsByStep(schedule: Schedule | undefined): ReadonlyMap<string, number> {
  const starts = new Map<string, number>();
  for (const { of, startsAt } of schedule?.rows ?? []) {
    if (of.kind === 'step' && !starts.has(of.stepId)) starts.set(of.stepId, startsAt);
  }
  return starts;
}
