import type { ReactNode } from 'react';
import type { RunAct } from '@bienestar/core/run/plan';
import { amountText, minutesWords } from '../../format/amountWords';
import { ZonesDrawn } from '../protocols/zones/ZonesDrawn';
import type { CardLine } from '../card/cardWords';
import { clockWords, layerWords } from './roomWords';

interface ActInHandProps {
  readonly act: RunAct;
  /** what the card says of it */
  readonly line: CardLine | undefined;
  readonly beside: readonly CardLine[];
  /** since it began */
  readonly minutes: number;
  readonly isLightly: boolean;
  /** it is done in its least minutes */
  readonly isShortened: boolean;
  readonly children?: ReactNode;
}

/** What is done now: how much, where, how, how long, what to say and to watch. */
export function ActInHand(props: ActInHandProps) {
  const { act, line, beside, minutes, isLightly, isShortened, children } = props;
  const layer = layerWords(act);
  const { least } = act.minutes;
  const { usual, most } = isShortened ? { usual: least, most: least } : act.minutes;
  return (
    <section
      aria-label="In hand"
      className="flex flex-1 flex-col gap-3 px-4 py-5 sm:px-6 lg:min-h-0 lg:overflow-y-auto"
    >
      {layer !== undefined && <p className="text-xl text-palm">{layer}</p>}
      <h1 className="text-5xl leading-tight">{act.name}</h1>
      {isLightly && <p className="text-2xl text-clay">▲ lightly from here on</p>}
      {isShortened && <p className="text-2xl text-clay">▲ as short as it may be</p>}
      <StepClock minutes={minutes} least={least} usual={usual} most={most} />
      {act.group?.testSpot && act.kind === 'test' && (
        <p className="text-2xl">Watch: {act.group.testSpot.watch}</p>
      )}
      <div className="flex flex-wrap items-start gap-x-8 gap-y-3">
        <div className="flex min-w-72 flex-1 flex-col gap-3">{line && <Said line={line} />}</div>
        {act.step && <ZonesDrawn step={act.step} />}
      </div>
      {beside.map((other) => (
        <div key={other.key} className="border-l-4 border-palm pl-4">
          <p className="text-2xl">
            <span className="text-palm italic">meanwhile </span>
            {other.name}
            <span className="text-lg text-ink-soft"> {other.minutes}</span>
          </p>
          <Said line={other} />
        </div>
      ))}
      {children}
    </section>
  );
}

function Said({ line }: { readonly line: CardLine }) {
  return (
    <>
      {line.amounts.length > 0 && (
        <ul className="text-3xl">
          {line.amounts.map((amount) => (
            <li key={amountText(amount)}>{amountText(amount)}</li>
          ))}
        </ul>
      )}
      {line.details.length > 0 && <p className="text-2xl">{line.details.join(' · ')}</p>}
      {line.say !== undefined && <p className="text-2xl italic">“{line.say}”</p>}
      {line.watch !== undefined && <p className="text-2xl text-clay">▲ {line.watch}</p>}
      {line.note !== undefined && <p className="text-lg text-ink-soft">{line.note}</p>}
    </>
  );
}

interface StepClockProps {
  readonly minutes: number;
  readonly least: number;
  readonly usual: number;
  readonly most: number;
}

/** The clock of the act against least, usual and most. */
function StepClock({ minutes, least, usual, most }: StepClockProps) {
  const end = Math.max(most, minutes, 1 / 60);
  const at = (of: number): string => `${(of / end) * 100}%`;
  const isOver = minutes > most && most > 0;
  return (
    <div className="max-w-xl">
      <p className={`text-3xl tabular-nums ${isOver ? 'text-clay' : ''}`}>
        <span role="timer" aria-label="Minutes of this">
          {clockWords(minutes)}
        </span>{' '}
        <span className="text-xl text-ink-soft">of {minutesWords({ least, usual, most })}</span>
      </p>
      <div aria-hidden className="relative mt-1 h-3 bg-sunk">
        <div
          className={`h-full ${isOver ? 'bg-clay' : 'bg-palm'}`}
          style={{ width: at(minutes) }}
        />
        {[least, usual, most].map((mark, which) => (
          <span
            key={['least', 'usual', 'most'][which]}
            className="absolute top-0 h-full w-0.5 bg-ink"
            style={{ left: at(mark) }}
          />
        ))}
      </div>
    </div>
  );
}
