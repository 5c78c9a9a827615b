import { describe, expect, it } from 'vitest';
import {
  check,
  DAY,
  daysOf,
  demo,
  empty,
  needFor,
  placed,
  TODAY,
} from '../../contract/testing/placedDay';
import { addOnsOf, type AddOn } from '../figures/addOns';
import { createCalculator } from '../figures/createCalculator';
import type { House } from '../house/house';
import { asId, type ServiceId } from '../house/ids';
import { bookOf } from '../restock/bookOf';
import { bookedToday } from '../run/bookedToday';
import { addOnsFor, addOnsHere } from './day/addOnsHere';
import { daysOfHouse } from './day/daysOfHouse';
import { calendarOfDay } from './day/calendarOfDay';
import { visitsOn } from './day/workedDay';
import { attendedMinutes, workName } from './needs';
import { dayToPlay } from './play/dayToPlay';
import { needOtherwise } from './workedOtherwise';

const of = daysOf(demo);
const { figures } = of;

function offered(serviceId: string): readonly AddOn[] {
  const host = figures.services.get(asId(serviceId))!;
  return addOnsOf(host, demo, ({ id }) => figures.services.get(id));
}

const slower = <L extends object>(line: L): L =>
  'minutes' in line ? { ...line, minutes: { least: 20, usual: 20, most: 20 } } : line;

const hosts = demo.services.filter(({ id }) => offered(id).length > 0);

describe('an add-on worked within a visit', () => {
  it('takes what its figures say, wherever one is offered', () => {
    expect(hosts.length).toBeGreaterThan(1);
    for (const host of hosts) {
      const alone = needFor(host.id);
      for (const addOn of offered(host.id)) {
        const own = figures.services.get(addOn.service.id)!;
        const both = needOtherwise(alone, { addOnIds: [addOn.service.id] }, demo, figures);
        expect(both.addOns).toEqual([addOn.service]);
        expect(workName(both)).toBe(`${host.name} + ${addOn.service.name}`);
        expect(both.slotMinutes).toBe(alone.slotMinutes + addOn.extraSlotMinutes);
        expect(both.contribution).toBeCloseTo(alone.contribution + addOn.figures.contribution, 6);
        const hands = own.schedule.ok ? own.schedule.value.attended.therapist : 0;
        const more = attendedMinutes(both, 'therapist') - attendedMinutes(alone, 'therapist');
        /* What watches is not added where hands are on beside it. */
        expect(more).toBeLessThanOrEqual(hands + 1e-6);
        expect(more).toBeGreaterThan(0);
        const linen = own.draws.ok
          ? own.draws.value.filter(({ materialId }) => alone.linen.has(materialId))
          : [];
        for (const { materialId } of linen)
          expect(both.linen.get(materialId)).toBeGreaterThan(alone.linen.get(materialId)!);
      }
    }
  });

  it('is worked in the time that is free, so that the room is needed no longer', () => {
    const within = hosts.flatMap(({ id }) =>
      offered(id).flatMap((addOn) => (addOn.ownMinutes < addOn.freeMinutes ? [{ id, addOn }] : [])),
    );
    expect(within.length).toBeGreaterThan(0);
    for (const { id, addOn } of within) {
      const alone = needFor(id);
      const both = needOtherwise(alone, { addOnIds: [addOn.service.id] }, demo, figures);
      expect(both.roomMinutes - alone.roomMinutes).toBeLessThan(1);
    }
  });

  it('follows what the add-on has become, also where its host is as before', () => {
    const addOn = demo.services.find(({ id }) => id === 'add-eye-sheet')!;
    const longer: House = {
      ...demo,
      editions: demo.editions.map((edition) =>
        edition.protocolId === addOn.protocolId
          ? {
              ...edition,
              protocol: { ...edition.protocol, steps: edition.protocol.steps.map(slower) },
            }
          : edition,
      ),
    };
    const calculate = createCalculator();
    const [before, after] = [demo, longer].map((each) => {
      const days = daysOfHouse(each, calculate(each), TODAY);
      const host = days.needs.find(({ service }) => service.id === 'calm-facial')!;
      return [host, needOtherwise(host, { addOnIds: [addOn.id] }, each, days.figures)] as const;
    });
    expect(after![1].slotMinutes).toBeGreaterThan(before![1].slotMinutes);
    expect(after![0].slotMinutes).toBe(before![0].slotMinutes);
  });

  it('changes nothing where it is not offered, and the day says so', () => {
    const stranger = demo.services.find(
      ({ id }) => !offered('needle').some(({ service }) => service.id === id) && id !== 'needle',
    )!;
    const alone = needFor('needle');
    const with_ = needOtherwise(alone, { addOnIds: [stranger.id] }, demo, figures);
    expect([with_.slotMinutes, with_.addOns]).toEqual([alone.slotMinutes, []]);
    const visit = placed('needle', '13:00', 'lava', 'nerea', { addOnIds: [stranger.id] });
    expect(
      check({ ...empty, placed: [visit] }).filter(({ kind }) => kind === 'not-offered'),
    ).toMatchObject([{ name: stranger.name }]);
  });

  it('goes with its visit into the book, the room, the calendar and the day that is played', () => {
    const [host] = hosts;
    const [addOn] = offered(host!.id);
    const addOnIds: readonly ServiceId[] = [addOn!.service.id];
    const visit = placed(host!.id, '10:00', 'lava', 'ione', { addOnIds });
    const house = { ...empty, placed: [visit] };
    expect(
      bookOf(house)
        .map(({ title }) => title)
        .toSorted(),
    ).toEqual([host!.name, addOn!.service.name].toSorted());
    const clock = { now: new Date(`${DAY}T08:00:00Z`), timeZone: demo.settings.timeZone };
    const today = bookedToday(house, clock);
    expect(today.map(({ placed: where }) => where)).toEqual([visit, visit]);
    expect(new Set(today.map(({ booking }) => booking.id)).size).toBe(2);
    const visits = visitsOn(daysOf(house), DAY).visits;
    expect(calendarOfDay(house, DAY, visits, new Date())).toContain(
      `${host!.name} + ${addOn!.service.name}`,
    );
    const habits = { lateness: [], noShows: 0 };
    const alone = visitsOn(
      daysOf({ ...empty, placed: [{ ...visit, addOnIds: undefined }] }),
      DAY,
    ).visits;
    const [both, one] = [visits, alone].map((each) => dayToPlay(demo, DAY, each, habits));
    expect(both!.ok && one!.ok && both!.value.visits[0]!.parts).not.toEqual(
      one!.ok && one!.value.visits[0]!.parts,
    );
  });

  it('is offered once, and only what the gap behind the visit still holds', () => {
    const host = hosts.find(({ id }) =>
      offered(id).some(({ extraSlotMinutes }) => extraSlotMinutes > 0),
    );
    const longer = offered(host!.id).find(({ extraSlotMinutes }) => extraSlotMinutes > 0)!;
    const visit = placed(host!.id, '10:00', 'lava', 'ione', { addOnIds: [longer.service.id] });
    const visits = visitsOn(daysOf({ ...empty, placed: [visit] }), DAY).visits;
    const ends = 600 + visits[0]!.need.slotMinutes;
    const here = addOnsHere({ from: ends, to: 1140 }, asId('lava'), visits, demo, figures);
    expect(here.map(({ addOn }) => addOn.service.id)).not.toContain(longer.service.id);
    expect(here).toHaveLength(addOnsFor(visits[0]!, demo, figures).length);
  });
});
