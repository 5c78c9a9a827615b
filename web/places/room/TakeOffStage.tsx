import { takesOff } from '@bienestar/core/house/takesOff';
import { contactsNow, minutesBetween } from '@bienestar/core/run/runTimes';
import { amountText } from '../../format/amountWords';
import { useHouse } from '../../store/house';
import { useNow } from '../../store/runs/useRun';
import { ActInHand } from './ActInHand';
import { KnuckleButton } from './KnuckleButton';
import { useContactSignal, useScreenAwake } from './roomSignals';
import { RunHeader } from './RunHeader';
import { clockWords, onSkinWords, takeOffTitle } from './roomWords';
import type { StageProps } from './stageProps';

/** What has to come off, and nothing else: how, what to do, whom to call, what to write down. */
export function TakeOffStage({ run, at, onHappens }: StageProps) {
  const { plan, state } = at;
  const now = useNow();
  const house = useHouse();
  const { takeOff, status } = state;
  const act = takeOff?.by === undefined ? undefined : plan.acts[takeOff.by];
  const removals = [
    ...new Map(
      plan.acts.flatMap(({ step }) => (step && takesOff(step) ? [[step.id, step] as const] : [])),
    ).values(),
  ];
  const isStopped = status === 'stopped';
  useScreenAwake(true);
  useContactSignal(takeOff ? 'off-now' : undefined);
  const [worst] = contactsNow(plan, state, now);
  return (
    <div className="flex h-full flex-col">
      <RunHeader run={run} />
      <div role="alert" className="bg-clay px-4 py-4 text-on-fill sm:px-6">
        <h1 className="text-5xl">▲ {takeOff ? takeOffTitle(takeOff) : 'It is off'}</h1>
        {takeOff && (
          <p className="text-2xl tabular-nums">
            {clockWords(minutesBetween(takeOff.since, now))} since
            {worst && ` · ${onSkinWords(worst, house)}: on for ${clockWords(worst.minutes)}`}
          </p>
        )}
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto">
        {act && (
          <ActInHand
            act={act}
            line={act.step && at.lines.get(act.step.id)}
            beside={[]}
            minutes={minutesBetween(takeOff?.since ?? now, now)}
            isLightly={false}
            isShortened={false}
          />
        )}
        {takeOff && !act && (
          <section aria-label="How it comes off" className="px-4 py-4 text-2xl sm:px-6">
            <p>Take off all that lies on the skin, with much cool water, from the eyes outwards.</p>
            {removals.map((step) => (
              <p key={step.id}>
                {step.name}
                <span className="block text-lg text-ink-soft">
                  {[
                    ...(at.lines.get(step.id)?.amounts.map(amountText) ?? []),
                    ...(at.lines.get(step.id)?.details ?? []),
                  ].join(' · ')}
                </span>
              </p>
            ))}
          </section>
        )}
        {isStopped && (
          <section
            aria-label="What to do"
            className="flex flex-col gap-2 px-4 py-4 text-xl sm:px-6"
          >
            <p>Cool the skin. Stay with the guest, and ask how it feels.</p>
            <p>
              Call who leads the house. For trouble with breathing, swelling of the face, or a burn
              that blisters, call the emergency services first.
            </p>
            <p>
              Write down: what was on the skin and for how long, where, what was seen and felt, what
              was done, and when. Local rules and licensed practice go before what stands here.
            </p>
          </section>
        )}
      </div>
      <div className="flex flex-wrap gap-3 border-t border-line px-4 py-3 sm:px-6">
        {takeOff ? (
          <KnuckleButton
            look="main"
            className="flex-1"
            onClick={() => onHappens({ kind: 'took-off' })}
          >
            It is off
          </KnuckleButton>
        ) : (
          <KnuckleButton
            look="main"
            className="flex-1"
            onClick={() => onHappens({ kind: 'ended' })}
          >
            The visit is over
          </KnuckleButton>
        )}
        {takeOff && !isStopped && (
          <KnuckleButton look="stop" onClick={() => onHappens({ kind: 'stopped', why: '' })}>
            Stop the visit
          </KnuckleButton>
        )}
      </div>
    </div>
  );
}
