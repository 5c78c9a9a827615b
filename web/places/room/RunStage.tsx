import { useEffect, useRef, useState } from 'react';
import { isUsual } from '@bienestar/core/run/plan';
import { mayBeRepeated } from '@bienestar/core/run/mayBe';
import { passesInAct, settingsInAct } from '@bienestar/core/run/settingsInAct';
import {
  contactsNow,
  couldGive,
  isDue,
  runTimes,
  type ContactNow,
} from '@bienestar/core/run/runTimes';
import { timeWords } from '../../format/amountWords';
import { number } from '../../format/figures';
import { useHouse } from '../../store/house';
import { houseNow } from '../../store/runs/houseTime';
import { thisDevice } from '../../store/runs/thisDevice';
import { useNow } from '../../store/runs/useRun';
import { ActInHand } from './ActInHand';
import { Decide } from './Decide';
import { Gate } from './Gate';
import { KnuckleButton } from './KnuckleButton';
import { MixClocks } from './MixClocks';
import { NoteTaps } from './NoteTaps';
import { useContactSignal, useScreenAwake } from './roomSignals';
import { OtherRuns } from './OtherRuns';
import { Passes } from './Passes';
import { RunHeader } from './RunHeader';
import { behindWords, chanceWords, clockWords, giveWords, onSkinWords } from './roomWords';
import type { StageProps } from './stageProps';
import { SetOther } from './SetOther';
import { TakeOffStage } from './TakeOffStage';
import { TookOther } from './TookOther';
import { WhatComes } from './WhatComes';

/** Below this chance to end in the slot it is said what could give. */
const IN_DANGER = 0.7;
const MOST_GIVING = 3;
const SAME_PRESS_MS = 600;
/** What a space bar, an enter key and the usual pedals send. */
const PEDAL_KEYS = new Set([' ', 'Enter', 'PageDown', 'ArrowRight']);

/** The visit itself: one act at a time, worked with a knuckle or a pedal. */
export function RunStage({ run, at, onHappens }: StageProps) {
  const { plan, state } = at;
  const now = useNow();
  const house = useHouse();
  const times = runTimes(plan, state, run.slotMinutes, now);
  const contacts = contactsNow(plan, state, now);
  const act = state.inHand === undefined ? undefined : plan.acts[state.inHand];
  const [question] = state.asked;
  const again = (state.inHand === undefined ? undefined : state.acts[state.inHand]?.again) ?? 0;
  const [isListed, setIsListed] = useState(false);
  const last = state.acts.findLastIndex(
    ({ standing }, place) => standing === 'done' && place < (state.inHand ?? 0),
  );
  const giving =
    times.chance < IN_DANGER
      ? couldGive(plan, state, run.slotMinutes, now, house.settings.givesFirst).slice(
          0,
          MOST_GIVING,
        )
      : [];
  const due = at.tray.filter(
    ({ key, kind, minute }) =>
      (kind === 'mix' || kind === 'task') && isDue(minute, times) && !state.ready.has(key),
  );
  const { choice } = at;
  const isFollowing = state.leader !== undefined && state.leader !== thisDevice();
  const mayGoOn =
    !isFollowing && act !== undefined && question === undefined && choice === undefined;
  const beganAt = state.inHand === undefined ? undefined : state.acts[state.inHand]?.beganAt;
  const goOn = (): void => {
    /* A pedal that bounces, or a knuckle that strikes twice, is one press. */
    const isSamePress = beganAt !== undefined && houseNow() - beganAt < SAME_PRESS_MS;
    if (mayGoOn && !isSamePress) onHappens({ kind: 'done', act: act.id });
  };
  usePedal(goOn);
  useScreenAwake(true);
  useContactSignal(contacts[0]?.stage);
  const next = plan.acts.find(
    (_, place) =>
      place >= (state.returnTo ?? (state.inHand ?? -1) + 1) &&
      state.acts[place]?.standing === 'to-come',
  );
  const stop = (): void => onHappens({ kind: 'stopped', why: '' });
  if (state.takeOff || state.status === 'stopped')
    return <TakeOffStage run={run} at={at} onHappens={onHappens} />;
  return (
    <div className="flex h-full flex-col">
      <RunHeader run={run}>
        <p aria-label="How far it is" className="text-lg tabular-nums">
          <strong>{clockWords(times.gone)}</strong> · {behindWords(times)} · {chanceWords(times)}
        </p>
      </RunHeader>
      {isFollowing && (
        <p
          role="status"
          className="flex flex-wrap items-center gap-3 border-b border-line bg-sunk px-4 text-lg sm:px-6"
        >
          <span className="min-w-40 flex-1">
            Another tablet leads this visit; this one follows.
          </span>
          <KnuckleButton onClick={() => onHappens({ kind: 'led', on: thisDevice() })}>
            Lead it here
          </KnuckleButton>
        </p>
      )}
      <OtherRuns run={run} />
      <MixClocks at={at} now={now} />
      {contacts.length > 0 && (
        <ul aria-label="On the skin" className="flex flex-col">
          {contacts.map((contact) => (
            <ContactClockLine
              key={contact.id}
              contact={contact}
              name={onSkinWords(contact, house)}
              onOff={() => onHappens({ kind: 'off' })}
            />
          ))}
        </ul>
      )}
      <div inert={isFollowing} className="flex min-h-0 flex-1 flex-col overflow-y-auto lg:flex-row">
        {act && (
          <ActInHand
            act={act}
            line={act.step && at.lines.get(act.step.id)}
            beside={act.meanwhile.flatMap(({ id }) => at.lines.get(id) ?? [])}
            minutes={times.inHand}
            isLightly={state.isLightly}
            isShortened={state.shortened.has(act.id)}
          >
            <Passes
              passes={passesInAct(act, state)}
              onPassed={(setting, passes) =>
                onHappens({ kind: 'passed', act: act.id, setting, passes })
              }
            />
            <div className="flex flex-wrap items-start gap-3">
              <TookOther
                key={act.id}
                act={act}
                state={state}
                onTook={(draw, quantity, by) =>
                  onHappens({ kind: 'took', act: act.id, draw, quantity, ...(by && { by }) })
                }
                onScale={(draw, grams) => onHappens({ kind: 'on-scale', act: act.id, draw, grams })}
                onInstead={(draw, materialId) =>
                  onHappens({ kind: 'instead', act: act.id, draw, materialId })
                }
              />
              <SetOther
                settings={settingsInAct(act, state, house.devices)}
                onSet={(setting, value) => onHappens({ kind: 'set', act: act.id, setting, value })}
              />
              <NoteTaps
                notes={state.notes}
                onNote={(words) => onHappens({ kind: 'noted', words })}
              />
              {mayBeRepeated(plan, state) && (
                <KnuckleButton onClick={() => onHappens({ kind: 'again', act: act.id })}>
                  {again === 0 ? 'Once more' : `Once more: ${number(again + 1, 0)} times so far`}
                </KnuckleButton>
              )}
            </div>
          </ActInHand>
        )}
        {choice && (
          <Decide
            key={choice.id}
            choice={choice}
            onDecide={(option) => onHappens({ kind: 'decided', choice: choice.id, option })}
          />
        )}
        {question && act && !choice && (
          <Gate
            key={`${act.id}/${question.id}/${state.acts[state.inHand ?? 0]?.answers.length ?? 0}`}
            question={question}
            waiting={state.waiting}
            now={now}
            onAnswer={(given) =>
              onHappens({ kind: 'answered', act: act.id, question: question.id, ...given })
            }
          />
        )}
        {isListed && (
          <WhatComes
            plan={plan}
            state={state}
            onLeaveOut={(id) => onHappens({ kind: 'left-out', act: id })}
            onTakeIn={(id) => onHappens({ kind: 'taken-in', act: id })}
            onMove={(id) => onHappens({ kind: 'moved', act: id })}
          />
        )}
      </div>
      {due.length > 0 && (
        <ul aria-label="To make ready" className="border-t border-line px-4 py-2 sm:px-6">
          {due.map(({ key, name, amount, note }) => (
            <li key={key} className="flex flex-wrap items-center gap-3 py-1 text-lg">
              <span className="min-w-0 flex-1">
                <strong>{name}</strong> {amount}
                <span className="block text-base text-ink-soft">{note}</span>
              </span>
              <KnuckleButton
                aria-label={`Ready: ${name}`}
                onClick={() => onHappens({ kind: 'readied', thing: key, isReady: true })}
              >
                Ready
              </KnuckleButton>
            </li>
          ))}
        </ul>
      )}
      {giving.length > 0 && (
        <section aria-label="What could give" className="border-t border-line px-4 py-2 sm:px-6">
          <ul className="flex flex-wrap gap-x-4 text-lg">
            {giving.map((each) => (
              <li key={each.act}>
                <KnuckleButton
                  onClick={() =>
                    onHappens({
                      kind: each.how === 'left-out' ? 'left-out' : 'shortened',
                      act: each.act,
                    })
                  }
                >
                  {giveWords(each)}
                </KnuckleButton>
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="flex flex-wrap gap-3 border-t border-line px-4 py-3 sm:px-6">
        <KnuckleButton
          disabled={last === -1 || isFollowing}
          onClick={() => {
            const before = plan.acts[last];
            if (before) onHappens({ kind: 'undone', act: before.id });
          }}
        >
          Back
        </KnuckleButton>
        <KnuckleButton look="main" className="min-w-64 flex-1" disabled={!mayGoOn} onClick={goOn}>
          {next ? `Done. Next: ${next.name}` : 'Done: that was the last'}
        </KnuckleButton>
        {act?.step?.optional && isUsual(act) && question === undefined && (
          <KnuckleButton onClick={() => onHappens({ kind: 'left-out', act: act.id })}>
            Leave it out
          </KnuckleButton>
        )}
        <KnuckleButton aria-expanded={isListed} onClick={() => setIsListed(!isListed)}>
          What comes
        </KnuckleButton>
        <KnuckleButton look="stop" onClick={stop}>
          Stop and take off
        </KnuckleButton>
      </div>
    </div>
  );
}

/** Goes on at a pedal, which is a keyboard with one key; a button that has the focus is pressed itself. */
function usePedal(goOn: () => void): void {
  const latest = useRef(goOn);
  useEffect(() => {
    latest.current = goOn;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const isElsewhere =
        event.target instanceof Element && event.target.closest('button, a, input, select, dialog');
      if (!PEDAL_KEYS.has(event.key) || event.repeat || isElsewhere) return;
      event.preventDefault();
      latest.current();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, []);
}

const STAGES = {
  calm: { look: 'bg-sunk', words: 'on the skin' },
  soon: { look: 'bg-clay-wash font-semibold', words: 'soon off' },
  'off-now': { look: 'bg-clay text-on-fill font-bold', words: 'OFF NOW' },
} as const;

/** How long a product lies there, against its longest. */
function ContactClockLine({
  contact,
  name,
  onOff,
}: {
  readonly contact: ContactNow;
  readonly name: string;
  readonly onOff: () => void;
}) {
  const { minutes, lastTouchedMinutes, capMinutes, stage, source } = contact;
  const { look, words } = STAGES[stage];
  return (
    <li className={`flex flex-wrap items-center gap-x-4 px-4 py-2 text-xl sm:px-6 ${look}`}>
      <span className="min-w-40 flex-1">
        {stage === 'calm' ? '' : '▲ '}
        {name}: {stage === 'calm' && !source ? 'goes on' : words}
      </span>
      <span className="tabular-nums" role="timer" aria-label={`${name} on the skin`}>
        {clockWords(minutes)} of {timeWords(capMinutes)}
      </span>
      {source && <span className="text-base">last touched {clockWords(lastTouchedMinutes)}</span>}
      {stage !== 'calm' && <KnuckleButton onClick={onOff}>Take it off now</KnuckleButton>}
    </li>
  );
}
