import type { RunPlan } from '@bienestar/core/run/plan';
import { mayBeLeftOut, mayBeMoved } from '@bienestar/core/run/mayBe';
import type { RunState } from '@bienestar/core/run/standing';
import { minutesWords } from '../../format/amountWords';
import { KnuckleButton } from './KnuckleButton';
import { layerWords } from './roomWords';

interface WhatComesProps {
  readonly plan: RunPlan;
  readonly state: RunState;
  readonly onLeaveOut: (act: string) => void;
  readonly onTakeIn: (act: string) => void;
  readonly onMove: (act: string) => void;
}

/** All that comes after what is in hand, and what is left out of it. */
export function WhatComes({ plan, state, onLeaveOut, onTakeIn, onMove }: WhatComesProps) {
  const from = state.returnTo ?? (state.inHand ?? -1) + 1;
  return (
    <section
      aria-label="What comes"
      className="border-t border-line lg:w-96 lg:overflow-y-auto lg:border-t-0 lg:border-l"
    >
      <ol>
        {plan.acts.map((act, place) => {
          const of = state.acts[place];
          if (place < from || place === state.inHand || !of || of.standing === 'done') return null;
          const isOut = of.standing === 'left-out';
          return (
            <li
              key={act.id}
              className="flex min-h-16 items-center gap-3 border-b border-line px-4 text-lg"
            >
              <span className={`min-w-0 flex-1 ${isOut ? 'text-ink-soft line-through' : ''}`}>
                {act.name}
                <span className="block text-base text-ink-soft">
                  {[layerWords(act), minutesWords(act.minutes)].filter(Boolean).join(' · ')}
                </span>
              </span>
              {isOut && of.because === undefined && (
                <KnuckleButton aria-label={`Do “${act.name}”`} onClick={() => onTakeIn(act.id)}>
                  do it
                </KnuckleButton>
              )}
              {mayBeMoved(plan, state, place) && (
                <KnuckleButton aria-label={`Now “${act.name}”`} onClick={() => onMove(act.id)}>
                  now
                </KnuckleButton>
              )}
              {mayBeLeftOut(plan, state, place) && (
                <KnuckleButton
                  aria-label={`Leave out “${act.name}”`}
                  onClick={() => onLeaveOut(act.id)}
                >
                  leave out
                </KnuckleButton>
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}
