import { readFileSync } from 'node:fs';
import loadHighs from 'highs';
import { readHouseFile } from '../contract/houseFile';
import { createCalculator } from '../core/figures/createCalculator';
import { asId } from '../core/house/ids';
import type { House } from '../core/house/house';
import { houseOf } from '../core/stock/houseOf';
import { Lots } from '../core/testing/lots';
import { daysOfHouse } from '../core/week/day/daysOfHouse';
import { dayToPlay } from '../core/week/play/dayToPlay';
import type { DayVisit } from '../core/week/day/dayVisits';
import { whereFits } from '../core/week/day/fits';
import { highsSolver } from '../core/week/worth/highsSolver';
import { menuMix, type MixProblem } from '../core/week/worth/menuMix';
import type { VisitNeed } from '../core/week/needs';
import { weekFrom } from '../core/week/openTimes';
import { DayPlay } from '../core/week/play/playDay';
import { drawnOn, workedDay } from '../core/week/day/workedDay';
import { timed, type Row } from './benchTools';

const DEMO = new URL('../demo/casa-cenera.house.json', import.meta.url);
const TODAY = '2026-11-25';
const MONDAY = '2026-11-30';
const SERVICES = 300;
const LIMITS = 30;
const DAYS = 7;
const GROUPS = 14;
const VISITS_A_WEEK = 200;
const VISITS_A_DAY = 40;
const RUNS = 1_000;

/** The week: the best mix of a large house, places in a full week, a day played through. */
export async function benchWeek(): Promise<readonly Row[]> {
  const solve = highsSolver(await loadHighs());
  const mix = largeMix();
  const { house, week, day } = fullWeek();
  const figures = createCalculator()(house);
  const of = daysOfHouse(house, figures, TODAY);
  const { needs } = of;
  const [need] = needs;
  if (!need) throw new Error('The demo house has no service that can be counted.');
  const playing = dayToPlay(house, day.day, day.visits(needs), {
    lateness: [0, 2, 5],
    noShows: 0.05,
  });
  if (!playing.ok) throw new Error(JSON.stringify(playing.problems));
  const days = week.map((each) => drawnOn(of, each));
  const [first] = days;
  if (!first) throw new Error('The week has no days.');
  const lots = new Lots(1);
  return [
    [
      'best mix of 300 services, 7 days, 30 limits',
      timed(() => menuMix(mix, solve), 5),
      'aim: under 300 ms',
    ],
    [
      'the same in whole visits, within a second and a half',
      timed(() => menuMix(mix, solve, 'whole'), 1),
      'aim: under 2 s',
    ],
    [
      'places for a visit in a week of 200',
      timed(() => whereFits(need, days, of).length, 10),
      'aim: under 100 ms',
    ],
    [
      'what does not fit in a day, after a pull',
      timed(() => workedDay(of, first.day).conflicts.length, 20),
      'aim: within a frame',
    ],
    [
      'a thousand days of 40 visits',
      timed(() => {
        const play = new DayPlay(playing.value, 1);
        play.play(RUNS);
        return play.figures().meanLate;
      }, 3),
      'aim: under 3 s',
    ],
    [
      'a bare loop over as many draws',
      timed(() => {
        let sum = 0;
        for (let draw = 0; draw < RUNS * VISITS_A_DAY * 12; draw += 1) sum += lots.unit();
        return sum;
      }, 3),
      'for comparison',
    ],
  ];
}

function largeMix(): MixProblem {
  const lots = new Lots(7);
  const draw = (from: number, to: number): number => from + (to - from) * lots.unit();
  const one = (from: number, to: number): number => Math.floor(draw(from, to));
  const groups = Array.from({ length: GROUPS }, () => [
    ...new Set([one(15, 27), one(15, 27), one(15, 27)]),
  ]);
  return {
    days: DAYS,
    services: Array.from({ length: SERVICES }, () => ({
      contribution: draw(1000, 7000),
      least: 0,
      most: draw(3, 13),
      uses: [
        [one(0, 3), draw(40, 90)],
        [one(5, 15), draw(10, 40)],
      ] as const,
      hands: [{ minutes: draw(20, 70), by: groups[one(0, GROUPS)] ?? [15] }],
    })),
    limits: Array.from({ length: LIMITS }, () => ({
      perDay: Array.from({ length: DAYS }, () => draw(300, 1200)),
    })),
  };
}

/** The demo house with ten rooms and many hands, and a book of two hundred visits in a week. */
function fullWeek() {
  const read = readHouseFile(readFileSync(DEMO, 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.faults.slice(0, 3)));
  const demo = houseOf(read.value);
  const lots = new Lots(3);
  const week = weekFrom(MONDAY);
  const all = [{ from: 540, to: 1200 }];
  const rooms = Array.from({ length: 10 }, (_, at) => ({
    id: asId<House['rooms'][number]['id']>(`room-${at}`),
    name: `Room ${at}`,
    kind: at < 7 ? ('dry' as const) : ('wet' as const),
  }));
  const hours = { usually: Array.from({ length: DAYS }, () => all) };
  const people = demo.people.map((person) => ({ ...person, hours }));
  const settings = {
    ...demo.settings,
    openHours: { week: Array.from({ length: DAYS }, () => all) },
  };
  const bookings = Array.from({ length: VISITS_A_WEEK }, (_, at) => ({
    id: asId<House['bookings'][number]['id']>(`b-${at}`),
    title: demo.services[Math.floor(lots.unit() * 14)]?.name ?? '',
    at: `${week[at % DAYS]}T${String(9 + Math.floor(lots.unit() * 9)).padStart(2, '0')}:00:00Z`,
    minutes: 60,
  }));
  const house: House = { ...demo, rooms, people, settings, bookings, placed: [] };
  const visits = (needs: readonly VisitNeed[]): DayVisit[] =>
    Array.from({ length: VISITS_A_DAY }, (_, at) => ({
      key: `v-${at}`,
      name: '',
      need: needs[at % 14] ?? (needs[0] as VisitNeed),
      starts: 540 + Math.floor(at / 10) * 110,
      roomId: rooms[at % 10]?.id,
      therapistId: people[at % 4]?.id,
    }));
  return { house, week, day: { day: week[0] ?? MONDAY, visits } };
}
