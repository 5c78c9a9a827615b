import { describe, expect, it } from 'vitest';
import { dayWith, daysOf, demo, empty, placed } from '../../../contract/testing/placedDay';
import type { House, Mix, Step } from '../../house/house';
import { asId } from '../../house/ids';
import { attendedMinutes } from '../needs';
import type { DayVisit } from './dayVisits';
import { whereFits } from './fits';
import type { SharedWork } from './sharedWork';
import { drawnOn, workedDay } from './workedDay';

const DAY = '2026-11-27';

function once(shared: readonly SharedWork[]): readonly string[] {
  return shared.flatMap((each) => (each.kind === 'made-once' ? [each.work.name] : []));
}

/** The demo house with the steps of what it publishes changed. */
function withSteps(change: (step: Step) => Step): House {
  const of = <T extends { readonly steps: readonly object[] }>(writing: T): T => ({
    ...writing,
    steps: writing.steps.map((line) => ('minutes' in line ? change(line as Step) : line)),
  });
  return {
    ...empty,
    protocols: demo.protocols.map(of),
    editions: demo.editions.map((edition) => ({ ...edition, protocol: of(edition.protocol) })),
  };
}

/** The demo house with a recipe changed, also where it was published. */
function withMix(id: string, change: Partial<Mix>): House {
  const of = (mix: Mix): Mix => (mix.id === id ? { ...mix, ...change } : mix);
  return {
    ...empty,
    mixes: demo.mixes.map(of),
    editions: demo.editions.map((edition) => ({ ...edition, mixes: edition.mixes.map(of) })),
  };
}

const atOnce = (second: string): [ReturnType<typeof placed>, ReturnType<typeof placed>] => [
  placed('clay-facial', '10:00', 'lava', 'mateo'),
  placed('clay-facial', second, 'duna', 'ione'),
];

const named = (visits: readonly DayVisit[], at: number): DayVisit => visits[at]!;

describe('a mix that keeps', () => {
  const alone = dayWith(placed('clay-facial', '10:00', 'lava', 'mateo'));
  const mix = alone.visits[0]!.need.lasting.find((each) => each.mix)!;
  const keeping = (minutes: number): House =>
    withMix(mix.mix!.mix.id, { workingLifeMinutes: minutes });
  const on = (house: House, second: string) =>
    workedDay(daysOf({ ...house, placed: atOnce(second) }), DAY);

  it('is made once for a visit that uses it while it is good, which is spared its minutes', () => {
    const { visits, shared } = on(keeping(120), '10:30');
    const [made] = shared.filter(({ kind }) => kind === 'made-once');
    expect(made).toMatchObject({
      kind: 'made-once',
      work: { name: mix.name },
      first: { key: named(visits, 0).key },
      others: [{ key: named(visits, 1).key }],
      minutes: mix.made?.minutes ?? 0,
    });
    const [first, second] = [named(visits, 0).need, named(visits, 1).need];
    const spared = mix.made?.minutes ?? 0;
    expect(first.roomMinutes).toBe(alone.visits[0]!.need.roomMinutes);
    expect(first.roomMinutes - second.roomMinutes).toBeCloseTo(spared, 6);
    expect(attendedMinutes(first, 'therapist') - attendedMinutes(second, 'therapist')).toBeCloseTo(
      spared,
      6,
    );
    expect(second.slotMinutes).toBeLessThanOrEqual(first.slotMinutes);
  });

  it('is good until it is used last, counted from when it was ready, and for no visit later', () => {
    const ready = mix.ready;
    /* The second begins 60 minutes later and uses it last at its own minute. */
    const age = 60 + mix.last - ready;
    expect(once(on(keeping(Math.ceil(age)), '11:00').shared)).toContain(mix.name);
    expect(once(on(keeping(Math.floor(age) - 1), '11:00').shared)).not.toContain(mix.name);
  });

  it('serves a third by its own clock, not by that of the second', () => {
    const house = keeping(Math.ceil(60 + mix.last - mix.ready));
    const third = placed('clay-facial', '11:30', 'lava', 'mateo');
    const { shared } = workedDay(daysOf({ ...house, placed: [...atOnce('10:50'), third] }), DAY);
    const made = shared.find(({ kind }) => kind === 'made-once')!;
    expect(made.others).toHaveLength(1);
  });

  it('that is made when it is needed and says no working life is made anew', () => {
    const house = withMix(mix.mix!.mix.id, { workingLifeMinutes: undefined, made: 'just-in-time' });
    expect(once(on(house, '10:30').shared)).not.toContain(mix.name);
    const ahead = withMix(mix.mix!.mix.id, { workingLifeMinutes: undefined, made: 'ahead' });
    expect(once(on(ahead, '17:30').shared)).toContain(mix.name);
  });
});

describe('the recipe of a visit', () => {
  it('is that which was published, whatever the house has made of it since', () => {
    const mix = dayWith(
      placed('clay-facial', '10:00', 'lava', 'mateo'),
    ).visits[0]!.need.lasting.find(({ name }) => name.startsWith('Clay'))!;
    const drafted = demo.mixes.map((each) =>
      each.id === mix.mix!.mix.id ? { ...each, workingLifeMinutes: 1 } : each,
    );
    const house = { ...empty, mixes: drafted, placed: atOnce('10:05') };
    expect(once(workedDay(daysOf(house), DAY).shared)).toContain(mix.name);
  });
});

describe('set-up that holds', () => {
  const holding = (minutes: number): House =>
    withSteps((step) => (step.stretch === 'set-up' ? { ...step, holdsMinutes: minutes } : step));
  const after = (house: House, second: string, room = 'lava') =>
    workedDay(
      daysOf({
        ...house,
        placed: [
          placed('needle', '11:00', 'lava', 'nerea'),
          placed('needle', second, room, 'nerea'),
        ],
      }),
      DAY,
    );

  it('spares the next visit of the same work in the room the step, and no other room', () => {
    const { visits, shared } = after(holding(240), '13:00');
    const set = shared.filter((each) => each.kind === 'made-once' && each.work.inRoom);
    expect(set.length).toBeGreaterThan(0);
    const spared = set.reduce((sum, each) => sum + each.minutes, 0);
    const [first, second] = [named(visits, 0).need, named(visits, 1).need];
    expect(first.roomMinutes - second.roomMinutes).toBeCloseTo(spared, 6);
    expect(second.stretches.find(({ stretch }) => stretch === 'set-up')?.to ?? 0).toBeCloseTo(
      first.stretches.find(({ stretch }) => stretch === 'set-up')!.to - spared,
      6,
    );
    expect(once(after(holding(240), '13:00', 'duna').shared)).toEqual([]);
    expect(once(after(holding(30), '13:00').shared)).toEqual([]);
  });
});

describe('a device that is warm', () => {
  it('is said for as long as it takes to warm up, and takes nothing out of the slot', () => {
    const steamer = demo.devices.find(({ id }) => id === 'steamer')!;
    const first = placed('enzyme-facial', '10:00', 'lava', 'mateo');
    const need = dayWith(first).visits[0]!.need;
    const spans = need.devices.get(asId('steamer'))!;
    const used = spans.at(-1)!.to - spans[0]!.from;
    const second = (gap: number) => {
      const starts = Math.round(600 + used + gap);
      const time = `${Math.floor(starts / 60)}:${String(starts % 60).padStart(2, '0')}`;
      return dayWith(first, placed('enzyme-facial', time, 'duna', 'ione'));
    };
    const warm = ({ shared }: ReturnType<typeof second>) =>
      shared.filter((each) => each.kind === 'warm' && each.device.id === 'steamer');
    const soon = second(steamer.warmMinutes! - 1);
    expect(warm(soon)).toMatchObject([{ minutes: steamer.warmMinutes }]);
    expect(named(soon.visits, 1).need).toBe(named(soon.visits, 0).need);
    expect(warm(second(steamer.warmMinutes! + 2))).toEqual([]);
  });
});

describe('where it fits', () => {
  it('takes less where something is ready, and says so', () => {
    const alone = dayWith(placed('clay-facial', '10:00', 'lava', 'mateo'));
    const mix = alone.visits[0]!.need.lasting.find((each) => each.mix)!;
    const house = withMix(mix.mix!.mix.id, { workingLifeMinutes: 180, mixingMinutes: 4 });
    const of = daysOf({ ...house, placed: [placed('clay-facial', '10:00', 'lava', 'mateo')] });
    const need = of.needs.find(({ service }) => service.id === 'clay-facial')!;
    const fits = whereFits(need, [drawnOn(of, DAY)], of, { roomId: asId('duna') });
    const spared = fits.filter(({ reasons }) => reasons.some(({ kind }) => kind === 'spared'));
    expect(spared.length).toBeGreaterThan(0);
    expect(spared.length).toBeLessThan(fits.length);
    for (const { starts } of spared) expect(starts).toBeLessThan(600 + 180);
  });
});
