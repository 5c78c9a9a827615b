import type { Role } from '../house/house';
import { handsFor, rosteredIn, type Capacity, type WeekOfHouse } from './capacity';
import { spreadEvenly } from './evenly';
import { byHour, firstOut, hourOf, thereIn, type Placed, type PoolLoad } from './poolLoad';
import { sharedMinutes } from './spans';

const HOURS = 24;
const DAYS = 7;
const ROLES: readonly Role[] = ['therapist', 'assistant'];

/**
 * Each person on the roster: of the work of each hour what falls to them when a day is spread evenly over those who may
 * do it and are there; over all who may where nobody is.
 */
export function loadOfPeople(
  week: WeekOfHouse,
  placed: readonly Placed[],
  all: number,
): readonly PoolLoad[] {
  const rostered = rosteredIn(week);
  const people = week.capacities.flatMap((capacity) =>
    capacity.resource.kind === 'person' ? [{ capacity, id: capacity.resource.personId }] : [],
  );
  const places = new Map(people.map(({ id }, at) => [id, at]));
  const loads = people.map(() =>
    Array.from({ length: DAYS }, () => Array.from({ length: HOURS }, () => 0)),
  );
  for (let day = 0; day < DAYS; day += 1) {
    const jobs = new Map<string, { hour: number; amount: number; among: readonly number[] }>();
    for (const { need, starts, visits } of placed.filter((each) => each.day === day)) {
      for (const role of ROLES) {
        const may = handsFor(need, role, rostered).flatMap((id) => places.get(id) ?? []);
        for (const { from, to } of need.hands[role]) {
          for (const [hour, minutes] of byHour({ from: starts + from, to: starts + to })) {
            const here = may.filter((who) => isThereIn(people[who]?.capacity, day, hour));
            const among = here.length > 0 ? here : may;
            const key = `${hour}/${among.join()}`;
            const job = jobs.get(key) ?? { hour, amount: 0, among };
            jobs.set(key, job);
            job.amount += visits * minutes;
          }
        }
      }
    }
    const list = [...jobs.values()];
    const given = spreadEvenly(
      list,
      people.map(({ capacity }) => capacity.perDay[day] ?? 0),
    );
    for (const [at, { hour, among }] of list.entries()) {
      for (const [order, who] of among.entries()) {
        const ofDay = loads[who]?.[day];
        if (ofDay) ofDay[hour] = (ofDay[hour] ?? 0) + (given[at]?.[order] ?? 0);
      }
    }
  }
  return people.map(({ capacity, id }, who): PoolLoad => {
    const hours = loads[who] ?? [];
    const load = hours.map((ofDay) => ofDay.reduce((sum, taken) => sum + taken, 0));
    return {
      pool: { kind: 'person', personId: id },
      names: [capacity.name],
      load,
      capacity: capacity.perDay,
      hours: hours.map((ofDay, day) =>
        ofDay.map((taken, hour) => ({ there: thereIn([capacity], day, hour), taken })),
      ),
      ...firstOut(load, capacity.perDay, all),
    };
  });
}

function isThereIn(
  capacity: Pick<Capacity, 'spans'> | undefined,
  day: number,
  hour: number,
): boolean {
  return (capacity?.spans[day] ?? []).some((span) => sharedMinutes(span, hourOf(hour)) > 0);
}
