import type { Device, House, Mix } from '../../house/house';
import type { DayVisit } from './dayVisits';

/** Work of a day that is done once for two visits. */
export type SharedWork =
  | {
      readonly kind: 'mix';
      readonly mix: Mix;
      readonly first: DayVisit;
      readonly second: DayVisit;
      /** of mixing, that the second is spared */
      readonly minutes: number;
    }
  | {
      readonly kind: 'warm';
      readonly device: Device;
      readonly first: DayVisit;
      readonly second: DayVisit;
      /** of warming up, that the second is spared */
      readonly minutes: number;
    };

/**
 * What of a day can be done once for two visits: a mix that is still within its working life when the next visit
 * makes it, and a device that is still warm, which is as long as it takes to warm up.
 * @see M3
 */
export function sharedWork(
  visits: readonly DayVisit[],
  { mixes, devices }: Pick<House, 'mixes' | 'devices'>,
): readonly SharedWork[] {
  const inOrder = visits.toSorted((a, b) => a.starts - b.starts);
  return [
    ...mixes.flatMap((mix) => mixedOnce(mix, inOrder)),
    ...devices.flatMap((device) => stillWarm(device, inOrder)),
  ];
}

function mixedOnce(mix: Mix, visits: readonly DayVisit[]): SharedWork[] {
  const { workingLifeMinutes, mixingMinutes } = mix;
  if (workingLifeMinutes === undefined || mixingMinutes <= 0) return [];
  const made = visits.flatMap((visit) =>
    visit.need.mixes.flatMap(({ mixId, at }) =>
      mixId === mix.id ? [{ visit, at: visit.starts + at }] : [],
    ),
  );
  return made.flatMap((each, at): SharedWork[] => {
    const next = made[at + 1];
    return next && next.visit !== each.visit && next.at - each.at <= workingLifeMinutes
      ? [{ kind: 'mix', mix, first: each.visit, second: next.visit, minutes: mixingMinutes }]
      : [];
  });
}

function stillWarm(device: Device, visits: readonly DayVisit[]): SharedWork[] {
  const { warmMinutes } = device;
  if (warmMinutes === undefined) return [];
  const used = visits.flatMap((visit) => {
    const spans = visit.need.devices.get(device.id) ?? [];
    const [first] = spans;
    const last = spans.at(-1);
    return first && last
      ? [{ visit, from: visit.starts + first.from, to: visit.starts + last.to }]
      : [];
  });
  return used.flatMap((each, at): SharedWork[] => {
    const next = used[at + 1];
    const between = next ? next.from - each.to : Infinity;
    return next && between >= 0 && between <= warmMinutes
      ? [{ kind: 'warm', device, first: each.visit, second: next.visit, minutes: warmMinutes }]
      : [];
  });
}
