import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { memo, type MouseEvent } from 'react';
import type { Line } from '@bienestar/core/house/house';
import { isStep } from '@bienestar/core/house/protocol';
import type { Weight } from '@bienestar/core/review/finding';
import { minutesWords } from '../../format/amountWords';
import { number } from '../../format/figures';
import { HANDS_WORDS, HandsMark } from '../../parts/HandsMark';

interface StepRowProps {
  readonly line: Line;
  /** minutes after the room is first used; nothing while the clock cannot be counted */
  readonly startsAt: number | undefined;
  /** what it takes and where, in words */
  readonly details: string;
  readonly heading: string | undefined;
  /** above the first step of layers: their name and number */
  readonly layersHeading: string | undefined;
  /** for whom it is, where it belongs to an option */
  readonly option: string | undefined;
  /** not done for the client it is shown for */
  readonly leftOut: boolean;
  readonly finding: Weight | undefined;
  readonly selected: boolean;
  /** one of several in hand */
  readonly ticked: boolean;
  readonly onSelect: (id: string, how: 'only' | 'also' | 'up-to') => void;
}

const FINDING_WORDS: Record<Weight, string> = {
  fault: '▲ needs a look',
  conflict: '▲ does not fit',
  prompt: '● to think of',
};

/** One line of a protocol: when it starts, what it is, what it takes and how long. Drawn anew only when that changes. */
export const StepRow = memo(function StepRow({
  line,
  startsAt,
  details,
  heading,
  layersHeading,
  option,
  leftOut,
  finding,
  selected,
  ticked,
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
  } = useSortable({ id: line.id });
  const inLayers = line.layerGroupId !== undefined;
  const meanwhile = line.meanwhileOf !== undefined;
  const step = isStep(line) ? line : undefined;
  const choose = (event: MouseEvent): void =>
    onSelect(line.id, event.shiftKey ? 'up-to' : event.ctrlKey || event.metaKey ? 'also' : 'only');
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
        className={`flex items-stretch border-b border-line ${selected ? 'bg-sheet shadow-[inset_3px_0_0_var(--color-clay)]' : ticked ? 'bg-palm-wash' : ''} ${inLayers ? 'ml-6 border-l-2 border-l-palm' : 'pl-1.5'}`}
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
          data-step={line.id}
          aria-current={selected ? 'step' : undefined}
          aria-roledescription={attributes['aria-roledescription']}
          tabIndex={selected ? 0 : -1}
          onClick={choose}
          className={`grid min-w-0 flex-1 grid-cols-[2.25rem_1fr_auto] items-baseline gap-x-3 py-2 pr-5 text-left hover:bg-sunk/60 focus-visible:-outline-offset-2 ${meanwhile ? 'pl-6' : ''}`}
        >
          <span className="text-right text-sm text-ink-soft">
            {startsAt === undefined ? '–' : number(startsAt, 0)}
          </span>
          <span className={`min-w-0 truncate font-semibold ${leftOut ? 'text-ink-soft' : ''}`}>
            {meanwhile && (
              <span className="mr-1.5 text-sm font-normal text-palm italic">meanwhile</span>
            )}
            {!step && <span className="mr-1.5 text-sm font-normal text-palm italic">block</span>}
            {line.name}
            {finding && (
              <span
                className={`ml-2 text-sm ${finding === 'prompt' ? 'font-normal text-ink-soft' : 'text-clay'}`}
              >
                {FINDING_WORDS[finding]}
              </span>
            )}
          </span>
          {step ? (
            <span className="flex items-center gap-2 text-sm">
              {minutesWords(step.minutes)}
              <HandsMark hands={step.hands} />
              <span className="sr-only">, {HANDS_WORDS[step.hands]}</span>
            </span>
          ) : (
            <span />
          )}
          {(details !== '' || option !== undefined || leftOut || step?.by === 'assistant') && (
            <span className="col-start-2 col-end-4 truncate text-sm text-ink-soft">
              {leftOut && <span className="mr-1.5 italic">not for this client</span>}
              {option !== undefined && (
                <span className="mr-1.5 border-b border-dotted border-palm text-palm">
                  {option}
                </span>
              )}
              {step?.by === 'assistant' && (
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
