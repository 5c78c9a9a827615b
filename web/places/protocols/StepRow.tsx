import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { memo } from 'react';
import type { Step } from '@bienestar/core/house/house';
import { span } from '../../format/amountWords';
import { number } from '../../format/figures';
import { HANDS_WORDS, HandsMark } from '../../parts/HandsMark';

interface StepRowProps {
  readonly step: Step;
  /** minutes after the room is first used; nothing while the clock cannot be counted */
  readonly startsAt: number | undefined;
  /** what it takes and where, in words */
  readonly details: string;
  readonly heading: string | undefined;
  /** above the first step of layers: their name and number */
  readonly layersHeading: string | undefined;
  readonly faulty: boolean;
  readonly selected: boolean;
  readonly onSelect: (id: string) => void;
}

/** One step: when it starts, what it is, what it takes and how long. Drawn anew only when that changes. */
export const StepRow = memo(function StepRow({
  step,
  startsAt,
  details,
  heading,
  layersHeading,
  faulty,
  selected,
  onSelect,
}: StepRowProps) {
  const {
    attributes,
    listeners,
    setNodeRef,
    setActivatorNodeRef,
    transform,
    transition,
    isDragging,
  } = useSortable({ id: step.id });
  const inLayers = step.layerGroupId !== undefined;
  const meanwhile = step.meanwhileOf !== undefined;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={isDragging ? 'relative z-10 opacity-80' : ''}
    >
      {heading && (
        <p className="border-b border-line px-6 pt-3 pb-1 font-serif text-base text-ink-soft italic">
          {heading}
        </p>
      )}
      {layersHeading && (
        <p className="ml-6 border-l-2 border-palm py-1 pl-4 text-xs font-semibold text-palm">
          {layersHeading}
        </p>
      )}
      <div
        className={`flex items-stretch border-b border-line ${selected ? 'bg-sheet shadow-[inset_3px_0_0_var(--color-clay)]' : ''} ${inLayers ? 'ml-6 border-l-2 border-l-palm' : 'pl-1.5'}`}
      >
        <span
          ref={setActivatorNodeRef}
          {...listeners}
          aria-hidden
          title="Drag to move"
          className="flex w-5 shrink-0 cursor-grab touch-none items-center text-line-strong hover:text-ink"
        >
          <GripVertical size={14} />
        </span>
        <button
          type="button"
          data-step={step.id}
          aria-current={selected ? 'step' : undefined}
          aria-roledescription={attributes['aria-roledescription']}
          tabIndex={selected ? 0 : -1}
          onClick={() => onSelect(step.id)}
          className={`grid min-w-0 flex-1 grid-cols-[2.25rem_1fr_auto] items-baseline gap-x-3 py-2 pr-5 text-left hover:bg-sunk/60 focus-visible:-outline-offset-2 ${meanwhile ? 'pl-6' : ''}`}
        >
          <span className="text-right text-sm text-ink-soft">
            {startsAt === undefined ? '–' : number(startsAt, 0)}
          </span>
          <span className="min-w-0 truncate font-semibold">
            {meanwhile && (
              <span className="mr-1.5 text-sm font-normal text-palm italic">meanwhile</span>
            )}
            {step.name}
            {faulty && <span className="ml-2 text-sm text-clay">▲ needs a look</span>}
          </span>
          <span className="flex items-center gap-2 text-sm">
            {span({ low: step.minutes.least, usual: step.minutes.usual, high: step.minutes.most })}{' '}
            min
            <HandsMark hands={step.hands} />
            <span className="sr-only">, {HANDS_WORDS[step.hands]}</span>
          </span>
          {(details !== '' || step.by === 'assistant') && (
            <span className="col-start-2 col-end-4 truncate text-sm text-ink-soft">
              {step.by === 'assistant' && (
                <span className="text-palm">assistant{details === '' ? '' : ' · '}</span>
              )}
              {details}
            </span>
          )}
        </button>
      </div>
    </li>
  );
});
