import type { HouseFigures } from '../../figures/houseFigures';
import { recipesOf } from '../../figures/serviceWork';
import type { Device, House } from '../../house/house';
import type { Span } from '../../house/hours';
import { indexHouse } from '../../house/houseIndex';
import type { MaterialId } from '../../house/ids';
import { makeMix } from '../../mix/makeMix';
import { shareBatch } from '../../mix/shareBatch';
import type { LastingWork, Spared } from '../lastingWork';
import type { VisitNeed } from '../needs';
import { needOtherwise } from '../workedOtherwise';
import type { DayVisit } from './dayVisits';

/** Work of a day that is done once for several visits. */
export type SharedWork =
  | {
      readonly kind: 'made-once';
      readonly work: LastingWork;
      readonly first: DayVisit;
      /** the later ones, which are spared it */
      readonly others: readonly DayVisit[];
      /** that each of the later ones is spared */
      readonly minutes: number;
    }
  | {
      readonly kind: 'warm';
      readonly device: Device;
      readonly first: DayVisit;
      readonly others: readonly DayVisit[];
      /** of warming up */
      readonly minutes: number;
    };

/** A day in which what is done once for several visits is taken out of those that are spared it. */
export interface DayShared {
  readonly visits: readonly DayVisit[];
  readonly shared: readonly SharedWork[];
  readonly ready: readonly Ready[];
}

/** Something that a visit has made ready, and those that it serves later. Minutes of the day. */
export interface Ready {
  readonly work: LastingWork;
  readonly visit: DayVisit;
  readonly at: number;
  readonly others: readonly DayVisit[];
}

const SAME = 1e-6;

/**
 * The visits of a day with what an earlier one has made ready for them: a mix that is still within its working life
 * when it is used last, set-up of the same room that still holds. Their steps, hands and slots are shorter by it, in
 * the order in which they begin. Said besides is which devices are still warm.
 * @see M3
 */
export function withSharedWork(
  visits: readonly DayVisit[],
  house: House,
  figures: HouseFigures,
): DayShared {
  const ready: (Ready & { readonly others: DayVisit[] })[] = [];
  const worked = visits
    .toSorted((a, b) => a.starts - b.starts)
    .map((visit) => {
      const { need, from } = servedBy(ready, visit, house, figures);
      const shorter = need === visit.need ? visit : { ...visit, need };
      const taken = new Set(from.map(({ work }) => work.key));
      for (const each of ready) if (from.includes(each)) each.others.push(shorter);
      for (const work of need.lasting) {
        if (taken.has(work.key)) continue;
        ready.push({ work, visit: shorter, at: visit.starts + work.ready, others: [] });
      }
      return shorter;
    });
  return {
    visits: worked,
    ready,
    shared: [
      ...ready.flatMap(({ work, visit: first, others }): SharedWork[] => {
        if (others.length === 0) return [];
        return [{ kind: 'made-once', work, first, others, minutes: work.made?.minutes ?? 0 }];
      }),
      ...house.devices.flatMap((device) =>
        runsOf(device, worked).flatMap(({ first, others }): SharedWork[] =>
          others.length > 0
            ? [{ kind: 'warm', device, first, others, minutes: device.warmMinutes ?? 0 }]
            : [],
        ),
      ),
    ],
  };
}

/**
 * What a visit takes when it uses what others have made ready: what was there before it would be made, and is good
 * until it is used last.
 */
export function servedBy(
  ready: readonly Ready[],
  visit: Pick<DayVisit, 'need' | 'starts' | 'roomId' | 'addOnIds'>,
  house: House,
  figures: HouseFigures,
): { readonly need: VisitNeed; readonly from: readonly Ready[] } {
  const { need, starts, roomId, addOnIds } = visit;
  const found = need.lasting.flatMap((work) => {
    const from = ready.find(
      ({ work: { key, lasts, inRoom }, visit: first, at }) =>
        key === work.key &&
        (!inRoom || (roomId !== undefined && first.roomId === roomId)) &&
        at <= starts + work.from + SAME &&
        starts + work.last <= at + (lasts ?? Infinity) + SAME,
    );
    return from ? [{ work, from }] : [];
  });
  const spared = found.flatMap(({ work }): Spared[] => (work.made ? [work.made] : []));
  return {
    need: needOtherwise(need, { spared, ...(addOnIds && { addOnIds }) }, house, figures),
    from: found.map(({ from }) => from),
  };
}

/**
 * What is thrown away less when a mix is made for several visits at once instead of for each. Minor units; nothing where
 * it is no mix, or has no cost.
 * @see M3
 */
export function savedBy(
  shared: SharedWork,
  house: House,
  figures: HouseFigures,
): number | undefined {
  if (shared.kind === 'warm' || !shared.work.mix) return undefined;
  const { first, others } = shared;
  const { mix } = shared.work;
  const visits = [first, ...others];
  const index = indexHouse(house);
  const shelf = { ...index, mixes: recipesOf(first.need.service, index, house) };
  const needs = visits.flatMap(({ need }) =>
    need.lasting.flatMap((each) => (each.mix?.mix.id === mix.mix.id ? [each.mix.needed] : [])),
  );
  const make = (needed: (typeof needs)[number]): ReadonlyMap<MaterialId, number> | undefined => {
    const made = makeMix(mix.mix.id, needed, shelf, house.settings);
    return made.ok
      ? new Map(made.value.draws.map(({ materialId, amount }) => [materialId, amount.usual]))
      : undefined;
  };
  const each = needs.map(make);
  const together = make(shareBatch(needs).needed);
  if (!together || each.some((made) => made === undefined)) return undefined;
  let saved = 0;
  for (const [id, amount] of together) {
    const unitCost = figures.materials.get(id)?.unitCost;
    if (!unitCost?.ok) return undefined;
    const apart = each.reduce((sum, made) => sum + (made?.get(id) ?? 0), 0);
    saved += (apart - amount) * unitCost.value;
  }
  return saved;
}

/** When a device has to be switched on before it is used, where it is not warm from another visit. Minutes of the day. */
export function warmUps(
  device: Device,
  visits: readonly DayVisit[],
): readonly (Span & { readonly visit: DayVisit })[] {
  const { warmMinutes = 0 } = device;
  return runsOf(device, visits).map(({ first, from }) => ({
    from: from - warmMinutes,
    to: from,
    visit: first,
  }));
}

interface WarmRun {
  readonly first: DayVisit;
  readonly from: number;
  readonly others: DayVisit[];
  to: number;
}

/** Uses of a device one after the other between which it does not cool down: for as long as it takes to warm up. */
function runsOf(device: Device, visits: readonly DayVisit[]): readonly WarmRun[] {
  const { warmMinutes } = device;
  if (warmMinutes === undefined) return [];
  const used = visits
    .flatMap((visit) => {
      const spans = visit.need.devices.get(device.id) ?? [];
      const [first] = spans;
      const last = spans.at(-1);
      return first && last
        ? [{ visit, from: visit.starts + first.from, to: visit.starts + last.to }]
        : [];
    })
    .toSorted((a, b) => a.from - b.from);
  const runs: WarmRun[] = [];
  for (const { visit, from, to } of used) {
    const warm = runs.find((run) => from >= run.to - SAME && from - run.to <= warmMinutes + SAME);
    if (warm) {
      warm.others.push(visit);
      warm.to = to;
    } else runs.push({ first: visit, from, others: [], to });
  }
  return runs;
}
