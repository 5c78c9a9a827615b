import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { isDay, mondayOf } from '@bienestar/core/days/days';
import { weekFrom } from '@bienestar/core/week/openTimes';
import type { Outcome } from '@bienestar/core/problem/problem';
import type { VisitPlayed, WaitsFor } from '@bienestar/core/week/play/playedDay';
import type { SlotChoice } from '@bienestar/core/week/play/dayToPlay';
import { dayText, number, percent, shortDay } from '../../format/figures';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { NotWorkedOut } from '../../parts/NotWorkedOut';
import { figures, names, TableHead } from '../../parts/TableHead';
import { useHouse } from '../../store/house';
import type { Played, WeekWorker } from '../../workers/week.worker';
import { useDay } from './day/useDay';
import { NeedsHours } from './NeedsHours';
import { useWeekInHand } from './useWeek';
import { askWorker } from '../../workers/askWorker';
import { weekWorker } from './useWeekWorked';
import { WeekHeader } from './WeekHeader';
import { clock, dayName } from './weekWords';

const RUNS = 1000;

const WAITS_WORDS: Record<WaitsFor, string> = {
  room: 'the room',
  therapist: 'the therapist',
  assistant: 'the assistant',
  device: 'a device',
  guest: 'the guest',
};

type Playing =
  | { readonly is: 'nothing' }
  | { readonly is: 'playing'; readonly done: number }
  | { readonly is: 'played'; readonly outcome: Outcome<readonly Played[]> }
  | { readonly is: 'stopped' }
  | { readonly is: 'failed' };

/** A day played through a thousand times: who begins late, who waits for what, and what other slots would mean. */
export function PlayedPlace() {
  const house = useHouse();
  const week = useWeekInHand();
  const day = useDay();
  const [, setParams] = useSearchParams();
  const [playing, setPlaying] = useState<Playing>({ is: 'nothing' });
  const ending = useRef<() => void>(undefined);
  useEffect(() => () => ending.current?.(), []);
  const start = (days: readonly string[]): void => {
    ending.current?.();
    const { ask, end } = askWorker<WeekWorker>(weekWorker());
    ending.current = end;
    setPlaying({ is: 'playing', done: 0 });
    const asked = { house, monday: mondayOf(day.day), today: day.today, source: week.source };
    const onProgress = proxy((done: number) =>
      setPlaying((before) => (before.is === 'playing' ? { is: 'playing', done } : before)),
    );
    ask((worker) => worker.play(asked, days, RUNS, onProgress)).then(
      ({ of }) => {
        setPlaying({ is: 'played', outcome: of });
        end();
      },
      () => setPlaying({ is: 'failed' }),
    );
  };
  const cancel = (): void => {
    ending.current?.();
    setPlaying({ is: 'stopped' });
  };
  return (
    <div className="flex h-full flex-col">
      <WeekHeader title="A day played through" week={week}>
        <Choice
          labelHidden
          className="w-52"
          label="Day"
          value={day.day}
          options={weekFrom(mondayOf(day.day)).map((each, at) => ({
            value: each,
            label: `${dayName(at)} ${dayText(each)}`,
          }))}
          onChoose={(next) => {
            if (!isDay(next)) return;
            setPlaying({ is: 'nothing' });
            setParams((before) => {
              before.set('day', next);
              return before;
            });
          }}
        />
        {playing.is === 'playing' ? (
          <Button onClick={cancel}>Cancel</Button>
        ) : (
          <>
            <Button
              weight="main"
              disabled={day.visits.length === 0}
              onClick={() => start([day.day])}
            >
              Play it a thousand times
            </Button>
            <Button onClick={() => start(weekFrom(mondayOf(day.day)))}>The whole week</Button>
          </>
        )}
      </WeekHeader>
      <div
        role="region"
        aria-label="What came of it"
        tabIndex={0}
        className="min-h-0 flex-1 overflow-y-auto px-3 py-4 sm:px-6"
      >
        {playing.is === 'playing' && (
          <p role="status">
            <progress className="mr-3" max={1} value={playing.done} />
            {percent(playing.done, 0)} of {number(RUNS)} days
          </p>
        )}
        {playing.is === 'nothing' && (
          <p className="max-w-[70ch] text-ink-soft">
            {day.visits.length === 0
              ? 'Nothing stands in this day: choose another.'
              : `The ${number(day.visits.length)} visits of ${dayText(day.day)} are worked a thousand times, each step as long as it may last, guests as late as the logbook knows them. It shows who would begin late, who waits for whom, and where five minutes would help.`}
          </p>
        )}
        {playing.is === 'stopped' && <p>Stopped.</p>}
        {playing.is === 'failed' && <NotWorkedOut what="The day" again="Play it again." />}
        {playing.is === 'played' &&
          (playing.outcome.ok ? (
            <AllPlayed all={playing.outcome.value} visits={day.visits} />
          ) : (
            <NeedsHours problems={playing.outcome.problems} />
          ))}
      </div>
    </div>
  );
}

interface AllPlayedProps {
  readonly all: readonly Played[];
  readonly visits: ReturnType<typeof useDay>['visits'];
}

const DAY_COLUMNS = [
  ...names('Day'),
  ...figures(
    'visits',
    'more than 5 min late',
    'late on average',
    'somebody after closing',
    'overtime',
  ),
];

/** One day with all that came of it; of several each in a line, what begins late most often first. */
function AllPlayed({ all, visits }: AllPlayedProps) {
  const [only, ...others] = all;
  if (!only) return <p>Nothing stands in these days.</p>;
  if (others.length === 0) return <Came of={only} visits={visits} />;
  return (
    <table className="w-full max-w-5xl text-sm">
      <TableHead columns={DAY_COLUMNS} cell="py-1 pl-3 first:pl-0" />
      <tbody>
        {all
          .toSorted((a, b) => b.day.shareLate - a.day.shareLate)
          .map(({ on, day }) => (
            <tr key={on} className="border-b border-line">
              <td className="py-1.5">{shortDay(on)}</td>
              <td className="pl-3 text-right">{number(day.visits.length)}</td>
              <td className="pl-3 text-right">{percent(day.shareLate, 0)}</td>
              <td className="pl-3 text-right">{number(day.meanLate, 1)} min</td>
              <td className="pl-3 text-right">{percent(day.shareAfterClosing, 0)}</td>
              <td className="pl-3 text-right">{number(day.meanOvertime, 1)} min</td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}

interface CameProps {
  readonly of: Played;
  readonly visits: ReturnType<typeof useDay>['visits'];
}

function Came({ of: { day, slots, habits, leftOut }, visits }: CameProps) {
  const waits = Object.entries(day.waits) as [WaitsFor, number][];
  const longest = waits.toSorted((a, b) => b[1] - a[1])[0];
  return (
    <>
      <p className="max-w-[75ch] text-lg">
        Of all visits <strong>{percent(day.shareLate, 0)}</strong> begin more than 5 min late; they
        are late by {number(day.meanLate, 1)} min on average, nine of ten by at most{' '}
        {number(day.p90Late, 0)} min.{' '}
        {longest && longest[1] >= 0.05 && `Most of all they wait for ${WAITS_WORDS[longest[0]]}. `}
        {day.shareAfterClosing >= 0.005
          ? `In ${percent(day.shareAfterClosing, 0)} of the days somebody leaves after the house closes, ${number(day.meanOvertime, 1)} min on average.`
          : 'Hardly ever does anybody leave after the house closes.'}
        {day.shareTowelsShort > 0 &&
          ` Hot towels are short in ${percent(day.shareTowelsShort, 0)}.`}
      </p>
      <p className="pt-1 pb-3 text-sm text-ink-soft">
        {habits.lateness.length > 0
          ? `Guests come as late as in ${number(habits.lateness.length)} visits of the logbook; `
          : 'Nobody comes late, as the logbook knows nothing of it; '}
        {habits.noShows > 0
          ? `${percent(habits.noShows, 0)} of the book do not come.`
          : 'everybody in the book comes.'}
        {leftOut > 0 && ` ${number(leftOut)} without a room are left out.`}
      </p>
      <LateDrawing visits={day.visits} of={visits} />
      <h2 className="pt-5 pb-1 text-lg">Slots of other shares</h2>
      <SlotsTable slots={slots} />
    </>
  );
}

const MOST_DRAWN = 30;

/** Each visit as a line: how late it begins, what it waits for, and what it leaves for the next. */
function LateDrawing({
  visits,
  of,
}: {
  readonly visits: readonly VisitPlayed[];
  readonly of: CameProps['visits'];
}) {
  const house = useHouse();
  const most = Math.min(MOST_DRAWN, Math.max(5, ...visits.map(({ p90Late }) => p90Late)));
  return (
    <table className="w-full max-w-6xl text-sm">
      <TableHead
        columns={[
          ...names('Visit', 'Room', 'Late: average, and nine of ten'),
          ...figures('more than 5 min', 'waits for hands'),
          ...names('For the next in the room'),
        ]}
        cell="py-1 pl-3 first:pl-0"
      />
      <tbody>
        {visits.map((played) => {
          const visit = of.find(({ key }) => key === played.key);
          return (
            <tr key={played.key} className="border-b border-line align-middle">
              <td className="py-1.5">
                {visit ? `${clock(visit.starts)} ${visit.need.service.name}` : played.key}
              </td>
              <td className="pl-3">{house.rooms.find(({ id }) => id === visit?.roomId)?.name}</td>
              <td className="w-72 pl-3">
                <span
                  role="img"
                  aria-label={`${number(played.meanLate, 1)} min on average, nine of ten at most ${number(played.p90Late, 0)}`}
                  className="relative block h-4 border-l border-line-strong"
                >
                  <span
                    className="absolute inset-y-0.5 left-0 border mark-free"
                    style={{ width: `${Math.min(1, played.p90Late / most) * 100}%` }}
                  />
                  <span
                    className="absolute inset-y-0.5 left-0 border mark-hands-on"
                    style={{ width: `${Math.min(1, played.meanLate / most) * 100}%` }}
                  />
                </span>
              </td>
              <td className="pl-3 text-right">{percent(played.shareLate, 0)}</td>
              <td className="pl-3 text-right">{number(played.waitsForHands, 1)} min</td>
              <td className="pl-3 text-ink-soft">{nextWords(played)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

const OFTEN = 0.1;
const LONG_IDLE = 10;

/** Where five minutes would help most, and where they are wasted. */
function nextWords({ shareDelaysNext, meanIdle }: VisitPlayed): string {
  if (shareDelaysNext > OFTEN) {
    return `makes it late in ${percent(shareDelaysNext, 0)}: five minutes more would help here`;
  }
  if (meanIdle > LONG_IDLE) return `leaves ${number(meanIdle, 0)} min empty`;
  return '';
}

function SlotsTable({ slots }: { readonly slots: readonly SlotChoice[] }) {
  return (
    <table className="w-full max-w-4xl text-sm">
      <TableHead
        columns={figures(
          'Slots hold',
          'mean slot',
          'visits a week that rooms hold',
          'late, each room without a gap',
          'a room ends late',
        )}
        cell="py-1 pl-3 first:pl-0"
      />
      <tbody>
        {slots.map((slot) => (
          <tr
            key={slot.quantile}
            className={`border-b border-line ${slot.isChosen ? 'font-semibold' : ''}`}
          >
            <td className="py-1 text-right">
              {percent(slot.quantile, 0)}
              {slot.isChosen && ', as now'}
            </td>
            <td className="pl-3 text-right">{number(slot.meanSlot, 1)} min</td>
            <td className="pl-3 text-right">{number(slot.visitsPerWeek, 1)}</td>
            <td className="pl-3 text-right">{percent(slot.shareLate, 1)}</td>
            <td className="pl-3 text-right">{percent(slot.chanceAfterEnd, 1)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
