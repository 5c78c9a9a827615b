import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { chanceBeyond } from '@bienestar/core/time/distribution';
import type { House, Minutes, Service } from '@bienestar/core/house/house';
import type { Schedule } from '@bienestar/core/time/schedule';
import { Lots } from '@bienestar/core/testing/lots';
import { gamma } from './draws';
import { clockedSchedule } from './clockedSchedule';
import { contactsByHand } from './contactByHand';
import { partsByHand, type Part } from './visitByHand';

function drawn({ least, usual, most }: Minutes, pace: number, lots: Lots): number {
  if (least === most) return least;
  const one = gamma(1 + (4 * (usual - least)) / (most - least), lots);
  const other = gamma(1 + (4 * (most - usual)) / (most - least), lots);
  return pace * (least + ((most - least) * one) / (one + other));
}

/**
 * How long parts of a visit take one after the other, drawn so often: every step anew, all of a visit at one pace.
 * @returns minutes, from the shortest to the longest
 */
function timesByChance(
  house: House,
  parts: readonly Part[],
  visits: number,
  seed: number,
): Float64Array {
  const lots = new Lots(seed);
  const off = Math.sqrt(3) * (house.settings.paceSpread ?? 0.06);
  return Float64Array.from({ length: visits }, () => {
    const at = lots.unit();
    const pace = at < 1 / 6 ? 1 - off : at < 5 / 6 ? 1 : 1 + off;
    return parts.reduce((sum, part) => {
      if (part.what === 'wait') return sum + drawn(part.minutes, pace, lots);
      const { step, beside } = part.host;
      const others = beside.reduce((so, { minutes }) => so + drawn(minutes, pace, lots), 0);
      return sum + Math.max(drawn(step.minutes, pace, lots), others);
    }, 0);
  }).sort();
}

/** Chances of passing the caps of a visit that are told otherwise than drawing its contacts does. */
function contactFaults(
  house: House,
  service: Service,
  { rows }: Schedule,
  visits: number,
  seed: number,
): string[] {
  const clocks = rows.flatMap(({ contact }) => (contact?.clock ? [contact.clock] : []));
  return contactsByHand(house, service).flatMap(({ stepId, capMinutes, while: parts }, at) => {
    const times = timesByChance(house, parts, visits, seed + at);
    const past = 1 - shareWithin(times, capMinutes);
    const said = clocks[at]?.chancePast ?? Number.NaN;
    const noise =
      offGrid(times, capMinutes) +
      4.5 * Math.sqrt(Math.max(past * (1 - past), 1 / visits) / visits);
    return Math.abs(past - said) <= noise
      ? []
      : [`${service.id}: ${stepId} is past ${capMinutes} min with ${past}, ${said} is said`];
  });
}

/** The share of the drawn times that end by then. */
function shareWithin(times: Float64Array, minutes: number): number {
  const first = times.findIndex((time) => time > minutes + 1e-6);
  return first < 0 ? 1 : first / times.length;
}

/** Sums of a few steps come to this much of a chance beside the grid on which minutes are kept. */
const SUMS = 0.004;
const HALF_A_CELL = 0.05;

/** By how much the grid of T2 moves a chance at most: a cell counts whole, as far as half of it lies beyond. */
function offGrid(times: Float64Array, minutes: number): number {
  return (
    SUMS + shareWithin(times, minutes + HALF_A_CELL) - shareWithin(times, minutes - HALF_A_CELL)
  );
}

/**
 * The slot of every service by drawing visits: so many must fit as the house asks, and fewer into a slot that is a
 * step of the grid shorter; chances that core gives must be the drawn ones. Within the noise of the draws.
 */
export function slotsByChance(
  house: House,
  visits: number,
  seed: number,
): { readonly slots: number; readonly faults: readonly string[] } {
  const { slotQuantile, slotGridMinutes } = house.settings;
  const figures = createCalculator()(house);
  const faults: string[] = [];
  let slots = 0;
  for (const service of house.services) {
    const of = figures.services.get(service.id);
    const schedule = of?.schedule;
    if (!schedule?.ok) continue;
    slots += 1;
    const { slotMinutes, roomTime } = schedule.value;
    const times = timesByChance(house, partsByHand(house, service), visits, seed);
    const noise =
      offGrid(times, slotMinutes) + 4.5 * Math.sqrt((slotQuantile * (1 - slotQuantile)) / visits);
    const within = shareWithin(times, slotMinutes);
    const said = 1 - chanceBeyond(roomTime, slotMinutes);
    const shorter = shareWithin(times, slotMinutes - slotGridMinutes);
    if (within < slotQuantile - noise || shorter > slotQuantile + noise)
      faults.push(
        `${service.id}: of visits ${within} fit into ${slotMinutes}, ${shorter} into less`,
      );
    if (Math.abs(within - said) > noise)
      faults.push(`${service.id}: ${within} fit, ${said} are said to`);
    const clocked = of && clockedSchedule(house, service, of);
    if (clocked) faults.push(...contactFaults(house, service, clocked, visits, seed));
  }
  return { slots, faults };
}
