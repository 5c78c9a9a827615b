import { expose } from 'comlink';
import loadHighs from 'highs';
import highsWasm from 'highs/runtime?url';
import { API } from '@bienestar/contract/api';
import { type LogbookPage } from '@bienestar/contract/happened';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { House } from '@bienestar/core/house/house';
import { guestHabits } from '@bienestar/core/learn/guestHabits';
import { collect, ok, type Outcome } from '@bienestar/core/problem/problem';
import type { ServiceId } from '@bienestar/core/house/ids';
import { chanceOfWait, type PairWaits } from '@bienestar/core/week/play/chanceOfWait';
import { weekOfHouse } from '@bienestar/core/week/capacity';
import {
  dayToPlay,
  slotChoices,
  type GuestHabits,
  type SlotChoice,
} from '@bienestar/core/week/play/dayToPlay';
import { daysOfHouse } from '@bienestar/core/week/day/daysOfHouse';
import { drawnOn } from '@bienestar/core/week/day/workedDay';
import { highsSolver } from '@bienestar/core/week/worth/highsSolver';
import { leversOf, type Lever } from '@bienestar/core/week/worth/levers';
import type { LinearSolver } from '@bienestar/core/week/worth/linear';
import { DayPlay } from '@bienestar/core/week/play/playDay';
import type { DayPlayed } from '@bienestar/core/week/play/playedDay';
import { weekLoad, type WeekLoad } from '@bienestar/core/week/weekLoad';
import { boundsOf, weekMix, type WeekMix } from '@bienestar/core/week/worth/weekMix';
import { rhythmOf, weekVisits, type VisitSource } from '@bienestar/core/week/weekVisits';
import { toldFirst } from './toldFirst';

/** What is looked at: a week of the house, by one source of visits. */
export interface WeekAsked {
  readonly house: House;
  /** ISO dates */
  readonly monday: string;
  readonly today: string;
  readonly source: VisitSource;
}

/** The best mix of a week, and what else it could have. */
export interface Worth {
  readonly mix: WeekMix;
  readonly levers: readonly Lever[];
}

/** A day that was played through, and slots of other shares beside it. */
export interface Played {
  /** ISO date */
  readonly on: string;
  readonly day: DayPlayed;
  readonly slots: readonly SlotChoice[];
  readonly habits: GuestHabits;
  /** visits that have no room and were left out */
  readonly leftOut: number;
}

const SEED = 20_261;
const RUNS_AT_ONCE = 50;
const PAIR_RUNS = 2_000;
/** Visits of the logbook by which it is known how late guests come. */
const LOOKED_AT = 400;

const calculate = createCalculator();
let solver: Promise<LinearSolver> | undefined;

function solverOf(): Promise<LinearSolver> {
  solver ??= loadHighs({ locateFile: () => highsWasm }).then(highsSolver);
  return solver;
}

/** An answer of the worker: a value, or what is in its way. */
export interface Answered<T> {
  readonly of: Outcome<T>;
}

function loadOf({ house, monday, today, source }: WeekAsked): Outcome<WeekLoad> {
  const of = weekOfHouse(house, calculate(house), monday);
  if (!of.ok) return of;
  return ok(weekLoad(of.value, weekVisits(house, monday, source, today), rhythmOf(house, today)));
}

/** The week, away from the page. */
const week = {
  load: (asked: WeekAsked): Answered<WeekLoad> => ({ of: loadOf(asked) }),

  worth: async (asked: WeekAsked, whole: 'whole' | 'parts'): Promise<Answered<Worth>> => ({
    of: worthOf(asked, whole, await solverOf()),
  }),

  /** How often a guest waits for hands where two visits in two rooms begin so many minutes apart. */
  waits: (
    { house, monday }: WeekAsked,
    pair: readonly [ServiceId, ServiceId],
    offset: number,
    helped: 'helped' | 'alone',
  ): Answered<PairWaits> => {
    const figures = calculate(house);
    const of = weekOfHouse(house, figures, monday);
    if (!of.ok) return { of };
    const [first, second] = pair.map((id) =>
      of.value.needs.find(({ service }) => service.id === id),
    );
    return first && second
      ? { of: chanceOfWait([first, second], offset, helped, house, figures, PAIR_RUNS) }
      : { of: ok({ chance: 0, meanLate: 0 }) };
  },

  /** Days played through one after the other; those on which nothing stands are left out. */
  play: async (
    asked: WeekAsked,
    days: readonly string[],
    runs: number,
    onProgress: (done: number) => void,
  ): Promise<Answered<readonly Played[]>> => {
    const habits = await habitsOf(asked.house);
    const played = await toldFirst(onProgress, (tell: (done: number) => void) =>
      days.map((day, at) =>
        playOf(asked, day, runs, habits, (done) => tell((at + done) / days.length)),
      ),
    );
    const all = collect(played);
    return { of: all.ok ? ok(all.value.filter(({ day }) => day.visits.length > 0)) : all };
  },
};

function worthOf(
  { house, monday, today, source }: WeekAsked,
  whole: 'whole' | 'parts',
  solve: LinearSolver,
): Outcome<Worth> {
  const of = weekOfHouse(house, calculate(house), monday);
  if (!of.ok) return of;
  const visits = weekVisits(house, monday, source, today);
  const bounds = boundsOf(house, visits);
  const mix = weekMix(of.value, bounds, visits, solve, whole);
  if (!mix.ok) return mix;
  const inParts = whole === 'parts' ? mix : weekMix(of.value, bounds, visits, solve, 'parts');
  const levers = inParts.ok ? leversOf(house, of.value, bounds, visits, inParts.value, solve) : [];
  return ok({ mix: mix.value, levers });
}

function playOf(
  { house, monday, today, source }: WeekAsked,
  day: string,
  runs: number,
  habits: GuestHabits,
  onProgress: (done: number) => void,
): Outcome<Played> {
  const figures = calculate(house);
  const of = weekOfHouse(house, figures, monday);
  if (!of.ok) return of;
  const { visits } = drawnOn(daysOfHouse(house, figures, today), day);
  const toPlay = dayToPlay(house, day, visits, habits);
  if (!toPlay.ok) return toPlay;
  const play = new DayPlay(toPlay.value, SEED);
  for (let done = 0; done < runs; done += RUNS_AT_ONCE) {
    play.play(Math.min(RUNS_AT_ONCE, runs - done));
    onProgress(Math.min(1, (done + RUNS_AT_ONCE) / runs));
  }
  return ok({
    on: day,
    day: play.figures(),
    slots: slotChoices(house, figures, of.value, weekVisits(house, monday, source, today), visits),
    habits,
    leftOut: visits.length - toPlay.value.visits.length,
  });
}

/** How late guests come, by the newest visits of the logbook, and how many of the book did not come. */
async function habitsOf(house: House): Promise<GuestHabits> {
  const response = await fetch(`${API}/logbook?most=${LOOKED_AT}`);
  const page = response.ok ? ((await response.json()) as LogbookPage) : undefined;
  return guestHabits(page?.entries ?? [], house, { now: new Date() });
}

export type WeekWorker = typeof week;
expose(week);
