import { closestCenter, DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { Plus, Search } from 'lucide-react';
import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type ReactNode,
} from 'react';
import type { Line, Protocol } from '@bienestar/core/house/house';
import { asId, type StepId } from '@bienestar/core/house/ids';
import { moveStepTo } from '@bienestar/core/protocol/editSteps';
import { Button, IconButton } from '../../parts/Button';
import { INPUT_LOOK } from '../../parts/FieldFrame';
import { rowsOf, type RowWords } from './rowWords';
import { StepRow } from './StepRow';
import type { EditProtocol } from './useDraft';
import type { ShownService } from './useShownService';
import { matcherOf, plainText } from '../../format/search';

interface StepListProps {
  readonly protocol: Protocol;
  readonly shown: ShownService;
  readonly selectedId: string;
  readonly ticked: ReadonlySet<StepId>;
  readonly onTick: (ids: ReadonlySet<StepId>) => void;
  readonly onSelect: (id: string) => void;
  readonly onAdd: (after: Line) => void;
  readonly onRemove: () => void;
  readonly onNudge: (line: Line, direction: 'up' | 'down') => void;
  readonly onCopy: (cut: 'copy' | 'cut') => void;
  readonly onPaste: () => void;
  readonly edit: EditProtocol;
  /** what can be done with the steps that are ticked */
  readonly toolbar: ReactNode;
  /** the line in which steps are said */
  readonly children: ReactNode;
}

/** Pressing is not yet dragging; the same object at every drawing, or every row is drawn anew. */
const DRAGGED = { activationConstraint: { distance: 4 } };

/** The steps in order; arrow keys go through them, Enter adds, Alt with an arrow moves, Shift takes several. */
export function StepList(props: StepListProps) {
  const { protocol, shown, selectedId, ticked, onTick, onSelect, onAdd, edit } = props;
  const list = useRef<HTMLOListElement>(null);
  const followSelection = useRef(false);
  /* Keys may come faster than the screen: the next one goes on from the step already asked for. */
  const asked = useRef<string>(undefined);
  const [find, setFind] = useState<string>();
  const sensors = useSensors(useSensor(PointerSensor, DRAGGED));
  const { steps } = protocol;
  const at = steps.findIndex((step) => step.id === selectedId);
  const selected = steps[at];
  const rows = useMemo(() => rowsOf(protocol, shown), [protocol, shown]);
  const sought = useMemo(
    () => (find === undefined ? rows : rows.filter((row) => isSought(row, find))),
    [find, rows],
  );
  const order = steps.map((step) => step.id).join();
  /* The same list for as long as the order is the same, so that typing does not draw every row anew. */
  const ids = useMemo(() => order.split(','), [order]);

  useEffect(() => {
    const row = list.current?.querySelector<HTMLElement>('[data-step][aria-current="step"]');
    row?.scrollIntoView({ block: 'nearest' });
    if (followSelection.current) row?.focus();
    followSelection.current = false;
    asked.current = undefined;
  }, [selectedId, order]);

  /* Kept for the life of the list, so that rows stay as they are drawn; it reads what is latest. */
  const latest = useRef({ steps, selectedId, ticked, onTick, onSelect });
  useEffect(() => {
    latest.current = { steps, selectedId, ticked, onTick, onSelect };
  });
  const select = useCallback((id: string, how: 'only' | 'also' | 'up-to'): void => {
    const now = latest.current;
    if (how === 'only') now.onTick(new Set());
    else {
      const own = asId<StepId>(id);
      const from = asId<StepId>(now.selectedId);
      const before = now.ticked.size === 0 ? new Set([from]) : new Set(now.ticked);
      if (how === 'also') {
        if (before.has(own)) before.delete(own);
        else before.add(own);
      } else {
        const ends = [from, own].map((end) => now.steps.findIndex((step) => step.id === end));
        now.steps
          .slice(Math.min(...ends), Math.max(...ends) + 1)
          .forEach((step) => before.add(step.id));
      }
      now.onTick(before);
    }
    now.onSelect(id);
  }, []);

  const onKeyDown = (event: KeyboardEvent): void => {
    if (!selected || !(event.target instanceof HTMLElement) || !('step' in event.target.dataset))
      return;
    const goTo = (step: Line | undefined): void => {
      if (!step) return;
      followSelection.current = true;
      asked.current = step.id;
      select(step.id, event.shiftKey ? 'up-to' : 'only');
    };
    const command = event.ctrlKey || event.metaKey;
    switch (event.key) {
      case 'ArrowUp':
      case 'ArrowDown': {
        const up = event.key === 'ArrowUp';
        if (event.altKey) {
          followSelection.current = true;
          props.onNudge(selected, up ? 'up' : 'down');
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
        props.onRemove();
        break;
      case 'Escape':
        if (ticked.size === 0) return;
        onTick(new Set());
        break;
      case 'ArrowRight':
        document.getElementById('step-inspector')?.querySelector<HTMLElement>('input')?.focus();
        break;
      case 'c':
      case 'x':
        if (!command) return;
        props.onCopy(event.key === 'c' ? 'copy' : 'cut');
        break;
      case 'v':
        if (!command) return;
        props.onPaste();
        break;
      case 'f':
        if (!command) return;
        setFind('');
        break;
      default:
        return;
    }
    event.preventDefault();
  };

  return (
    <section aria-label="Steps" className="flex min-h-0 flex-col border-r border-line">
      {find !== undefined && (
        <label className="flex items-center gap-2 border-b border-line px-4 py-1.5">
          <span className="sr-only">Find a step</span>
          <Search aria-hidden size={16} className="text-ink-soft" />
          <input
            type="search"
            autoFocus
            className={INPUT_LOOK}
            placeholder="Find by name, product, zone or words"
            value={find}
            onChange={(event) => setFind(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Escape') setFind(undefined);
              if (event.key === 'Enter' && sought[0]) onSelect(sought[0].line.id);
            }}
          />
        </label>
      )}
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
              {sought.map((row) => (
                <StepRow
                  key={row.line.id}
                  {...row}
                  selected={row.line.id === selectedId}
                  ticked={ticked.has(row.line.id)}
                  onSelect={select}
                />
              ))}
            </ol>
          </SortableContext>
        </DndContext>
        {find !== undefined && sought.length === 0 && (
          <p className="px-6 py-4 text-sm text-ink-soft">No step has these words.</p>
        )}
      </div>
      {props.toolbar}
      <div className="flex flex-wrap items-start gap-2 border-t border-line bg-sheet px-4 py-2">
        {selected && (
          <Button className="px-2.5!" onClick={() => onAdd(selected)}>
            <Plus aria-hidden size={16} /> Add a step
          </Button>
        )}
        {props.children}
        <IconButton
          label="Find a step"
          aria-expanded={find !== undefined}
          onClick={() => setFind(find === undefined ? '' : undefined)}
        >
          <Search aria-hidden size={16} />
        </IconButton>
      </div>
    </section>
  );
}

function isSought({ line, details, option }: RowWords, find: string): boolean {
  const words = Object.values(line).filter((each) => typeof each === 'string');
  return matcherOf(find)(plainText([...words, details, option ?? ''].join(' ')));
}
