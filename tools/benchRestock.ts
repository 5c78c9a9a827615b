import { createCalculator } from '../core/figures/createCalculator';
import type { House } from '../core/house/house';
import { attentionOf } from '../core/restock/attention';
import { daysAheadOf, startingShelf } from '../core/restock/daysAhead';
import { lookAhead } from '../core/restock/lookAhead';
import { proposeOrders } from '../core/restock/proposeOrders';
import { readCalendar } from '../core/calendar/readCalendar';
import { createRestocker } from '../core/restock/restocker';
import { tradeOff } from '../core/restock/tradeOff';
import { verifyPolicy } from '../core/restock/verifyPolicy';
import { valueOf } from '../core/testing/sample';
import { timed, type Row } from './benchTools';

const EVENTS = 10_000;
const RUNS = 15;

/** A calendar of visits with a zone and repeats. */
function calendar(): string {
  const events = Array.from({ length: EVENTS }, (_, at) => {
    const day = String(1 + (at % 28)).padStart(2, '0');
    const hour = String(8 + (at % 10)).padStart(2, '0');
    return [
      'BEGIN:VEVENT',
      `UID:${at}@example`,
      `DTSTART;TZID=Europe/Madrid:202612${day}T${hour}0000`,
      'DURATION:PT1H',
      ...(at % 50 === 0 ? ['RRULE:FREQ=WEEKLY;COUNT=10'] : []),
      `SUMMARY:Treatment ${at % 40}`,
      'END:VEVENT',
    ].join('\r\n');
  });
  return ['BEGIN:VCALENDAR', ...events, 'END:VCALENDAR'].join('\r\n');
}

/** Order points, orders, the weeks ahead and a thousand years, of a large house. */
export function benchRestock(large: House): readonly Row[] {
  const figures = createCalculator()(large);
  const now = new Date();
  const cold = timed(() => {
    const restock = createRestocker()(large, figures, now);
    return proposeOrders(large, restock);
  }, RUNS);
  const keep = createRestocker();
  keep(large, figures, now);
  const planned = Array.from({ length: RUNS }, (_, run): House => {
    const demand = large.demand.map((line, at) =>
      at === 3 ? { ...line, visitsPerWeek: 2 + run / 10 } : line,
    );
    return { ...large, demand };
  });
  const calculate = createCalculator();
  calculate(large);
  const plannedFigures = planned.map((house) => calculate(house));
  const warm = timed(
    (run) => keep(planned[run] ?? large, plannedFigures[run] ?? figures, now),
    RUNS,
  );
  const restock = keep(large, figures, now);
  const [first] = large.materials;
  if (!first || first.kind === 'linen') throw new Error('The large house has no material.');
  const restocking = valueOf(restock.materials.get(first.id)!);
  const { demand, keeping, policy, lead } = restocking;
  const played = { demand, keeping, policy, lead };
  const years = timed((run) => verifyPolicy(played, { years: 1000, seed: run }), RUNS);
  const start = startingShelf(first, { lots: [] }, restocking, {
    now,
    timeZone: large.settings.timeZone,
  });
  const days = daysAheadOf(large, restock, first.id, restocking);
  const ahead = timed((run) => lookAhead(played, start, days, { runs: 400, seed: run }), RUNS);
  const text = calendar();
  const read = timed(() => readCalendar(text, '2026-12-01', 'UTC'), 3);
  /* The same number of random uses, drawn and added up by themselves. */
  const uses = Math.round(demand.usesPerDay * 365_000);
  const bare = timed((run) => {
    let state = run + 1;
    let sum = 0;
    for (let at = 0; at < uses; at += 1) {
      state = (Math.imul(state, 1_664_525) + 1_013_904_223) | 0;
      sum += state >>> 24;
    }
    return sum;
  }, RUNS);
  return [
    ['order points and orders, from nothing', cold, 'aim: under 150 ms'],
    ['order points after other visits of one service', warm, ''],
    ['what to attend to', timed(() => attentionOf(large, restock, now), RUNS), ''],
    ['the trade-off, eleven levels', timed(() => tradeOff(large, restock), 5), ''],
    ['one material, a thousand years', years, 'aim: under 300 ms'],
    ['a bare loop over as many random uses', bare, 'for comparison'],
    ['twelve weeks ahead, 400 runs', ahead, ''],
    [`a calendar of ${EVENTS} events read`, read, ''],
  ];
}
