import { readFileSync } from 'node:fs';
import { readHouseFile } from '../contract/houseFile';
import { asId } from '../core/house/ids';
import type { LogbookVisit } from '../core/house/logbook';
import { lessonsOf } from '../core/learn/lessonsOf';
import { foundRows, logbookRows } from '../core/logbook/logbookRows';
import { houseOf } from '../core/stock/houseOf';
import { timed, type Row } from './benchTools';

const DEMO = new URL('../demo/casa-cenera.house.json', import.meta.url);
const STEPS = 200_000;
const VISITS = 50_000;
const RUNS = 5;

/** What a log of years teaches, and how it is looked through: 200 000 steps, 50 000 visits. */
export function benchLog(): readonly Row[] {
  const read = readHouseFile(readFileSync(DEMO, 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.faults.slice(0, 3)));
  const demo = read.value;
  const plans = new Map(demo.logbookPlans.map((plan) => [plan.id, plan]));
  const visits: LogbookVisit[] = [];
  for (let at = 0; visits.length < VISITS; at += 1) {
    const entry = demo.logbook[at % demo.logbook.length];
    const plan = entry && plans.get(entry.planId);
    if (!entry || !plan) throw new Error('The demo house has no logbook.');
    visits.push({ plan, entry: { ...entry, id: asId(`v-${at}`) } });
  }
  let counted = 0;
  const enough = visits.findIndex(({ entry }) => (counted += entry.minutes.length) >= STEPS) + 1;
  const learned = visits.slice(0, enough);
  const house = houseOf(demo);
  const teach = timed(() => lessonsOf(learned, house).length, RUNS);
  const bare = timed(() => {
    let [sum, squares] = [0, 0];
    for (const { entry } of learned)
      for (const minutes of entry.minutes) {
        sum += minutes ?? 0;
        squares += (minutes ?? 0) ** 2;
      }
    return sum + squares;
  }, RUNS);
  const rowOf = logbookRows(house);
  const rows = visits.map((visit) => rowOf(visit));
  const find = timed(() => foundRows(rows, { words: 'mara sensitive' }).length, RUNS);
  return [
    [
      `lessons of ${STEPS} logged steps`,
      teach,
      `aim 3000; ${bare.toFixed(1)} ms to add the same minutes up`,
    ],
    [`a filter over a logbook of ${VISITS} visits`, find, 'aim 16, a frame'],
  ];
}
