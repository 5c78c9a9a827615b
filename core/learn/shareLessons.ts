import { dayOf, weekdayOf, type Weekday } from '../days/days';
import type { LogbookVisit } from '../house/logbook';
import type { MaterialId, ProtocolId, ServiceId, StepId } from '../house/ids';
import { isWithinSlot } from '../logbook/cameOut';
import { tappedThrough } from '../logbook/tappedThrough';
import type { HouseSettings } from '../house/settings';
import type { Lesson } from './lesson';
import { isQuestioned, seenShare, type SeenShare } from './wilson';
import type { WrittenNow } from './writtenNow';

/** Of fewer visits a share says nothing. */
const FEWEST = 12;
/** What a share is off by as much is sure. */
const SURE_OFF = 0.25;
/** More often than not. */
const HALF = 0.5;

interface Count {
  hits: number;
  of: number;
}

/** Whether a visit says how long a whole one takes: it was not stopped, nor tapped through. */
function isWhole(visit: LogbookVisit): boolean {
  return visit.entry.stopped === undefined && !tappedThrough(visit).isAll;
}

interface OfService {
  readonly all: Count;
  /** held by a slot one step of the grid shorter */
  readonly shorter: Count;
  readonly days: Map<Weekday, Count>;
}

function count(counts: Map<string, Count>, key: string, isHit: boolean): void {
  const own = counts.get(key) ?? { hits: 0, of: 0 };
  counts.set(key, own);
  own.of += 1;
  if (isHit) own.hits += 1;
}

const shareOf = ({ hits, of }: Count): SeenShare => seenShare(hits, of);
const sureOf = (off: number): Lesson['sure'] => (Math.abs(off) >= SURE_OFF ? 'sure' : 'likely');

/**
 * Slots that do not hold what they promise, of all days or only of one day of the week; of the slots that are kept
 * now: those of the newest visit of each service.
 * @see L3
 */
export function slotLessons(
  visits: readonly LogbookVisit[],
  { timeZone, slotGridMinutes }: Pick<HouseSettings, 'timeZone' | 'slotGridMinutes'>,
): Lesson[] {
  const newest = new Map(visits.map(({ plan }) => [plan.serviceId, plan]));
  const byService = new Map<ServiceId, OfService>();
  for (const visit of visits) {
    const { serviceId, slotMinutes } = visit.plan;
    if (newest.get(serviceId)?.slotMinutes !== slotMinutes || !isWhole(visit)) continue;
    const own: OfService = byService.get(serviceId) ?? {
      all: { hits: 0, of: 0 },
      shorter: { hits: 0, of: 0 },
      days: new Map<Weekday, Count>(),
    };
    byService.set(serviceId, own);
    const day = weekdayOf(dayOf(new Date(visit.entry.at), timeZone));
    const ofDay = own.days.get(day) ?? { hits: 0, of: 0 };
    own.days.set(day, ofDay);
    for (const each of [own.all, ofDay]) {
      each.of += 1;
      if (isWithinSlot(visit)) each.hits += 1;
    }
    own.shorter.of += 1;
    if (visit.entry.roomMinutes <= slotMinutes - slotGridMinutes) own.shorter.hits += 1;
  }
  return [...byService].flatMap(([serviceId, { all, shorter, days }]): Lesson[] => {
    const plan = newest.get(serviceId);
    if (!plan) return [];
    const { slotMinutes, promised } = plan;
    const worst = [...days]
      .map(([weekday, of]) => ({ weekday, of }))
      .filter(({ weekday, of }) => isDayApart(of, restOf(all, days, weekday), promised))
      .toSorted((a, b) => shareOf(a.of).share - shareOf(b.of).share)[0];
    const told = worst ? shareOf(worst.of) : shareOf(all);
    if (!worst && (all.of < FEWEST || !isQuestioned(told, promised))) return [];
    const off = told.share - promised;
    /* A slot ends on the grid, so it holds more than it promises as a rule: it is too long where a shorter one holds. */
    if (off > 0 && shareOf(shorter).share < promised) return [];
    return [
      {
        key: `slot/${serviceId}${worst ? `/${worst.weekday}` : ''}`,
        about: {
          kind: 'slot',
          serviceId,
          ...(worst && { weekday: worst.weekday }),
          slotMinutes,
          promised,
          held: told,
        },
        size: off,
        sure: sureOf(off),
      },
    ];
  });
}

function restOf(all: Count, days: ReadonlyMap<Weekday, Count>, weekday: Weekday): Count {
  const own = days.get(weekday) ?? { hits: 0, of: 0 };
  return { hits: all.hits - own.hits, of: all.of - own.of };
}

/** Fewer visits of a day of the week say nothing about it. */
const FEWEST_OF_A_DAY = 6;

/** Whether a slot breaks on one day of the week and holds, or nearly, on the others. */
function isDayApart(own: Count, rest: Count, promised: number): boolean {
  if (own.of < FEWEST_OF_A_DAY || rest.of < FEWEST_OF_A_DAY) return false;
  const ofDay = shareOf(own);
  const ofRest = shareOf(rest);
  return ofDay.high < promised && ofDay.high < ofRest.low;
}

/** What is only done if needed, and is needed more or less often than is usual. @see L3 */
export function ifNeededLessons(visits: readonly LogbookVisit[], now: WrittenNow): Lesson[] {
  const counts = new Map<string, Count>();
  const of = new Map<string, { readonly protocolId: ProtocolId; readonly stepId: StepId }>();
  for (const { plan, entry } of visits) {
    if (entry.stopped !== undefined) continue;
    plan.acts.forEach(({ stepId, ifNeeded }, at) => {
      if (!stepId || !ifNeeded) return;
      const key = `${plan.protocolId}/${stepId}`;
      of.set(key, { protocolId: plan.protocolId, stepId });
      count(counts, key, (entry.minutes[at] ?? null) !== null);
    });
  }
  return [...counts].flatMap(([key, each]): Lesson[] => {
    const about = of.get(key);
    const usually = about && now.step(about.protocolId, about.stepId)?.optional?.usually;
    const done = shareOf(each);
    if (!about || !usually || each.of < FEWEST) return [];
    const isOtherwise = usually === 'done' ? done.high < HALF : done.low > HALF;
    if (!isOtherwise) return [];
    const off = done.share - (usually === 'done' ? 1 : 0);
    const lesson = { kind: 'if-needed', ...about, usually, done } as const;
    return [{ key: `if-needed/${key}`, about: lesson, size: off, sure: sureOf(off) }];
  });
}

/** Products that guests buy more or less often than is expected. @see L3 */
export function takeUpLessons(visits: readonly LogbookVisit[], now: WrittenNow): Lesson[] {
  const counts = new Map<string, Count>();
  const of = new Map<
    string,
    { readonly protocolId: ProtocolId; readonly materialId: MaterialId; readonly expected: number }
  >();
  /* Before the first sale was ever told, nobody told any. */
  const since = visits.findIndex(({ entry }) => entry.sold !== undefined);
  for (const { plan, entry } of since === -1 ? [] : visits.slice(since)) {
    const { protocolId } = plan;
    for (const { materialId, takeUp, finding } of now.protocol(protocolId)?.around?.recommends ??
      []) {
      /* What is only for some is offered to those only. */
      if (finding && !entry.client?.conditions?.includes(finding)) continue;
      const key = `${protocolId}/${materialId}`;
      of.set(key, { protocolId, materialId, expected: takeUp });
      count(counts, key, entry.sold?.some((each) => each.materialId === materialId) ?? false);
    }
  }
  return [...counts].flatMap(([key, each]): Lesson[] => {
    const about = of.get(key);
    const bought = shareOf(each);
    if (!about || each.of < FEWEST || !isQuestioned(bought, about.expected)) return [];
    const off = bought.share - about.expected;
    const lesson = { kind: 'take-up', ...about, bought } as const;
    return [{ key: `take-up/${key}`, about: lesson, size: off, sure: sureOf(off) }];
  });
}
