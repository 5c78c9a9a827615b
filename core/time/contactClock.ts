import type { Source, Step } from '../house/house';
import { takesOff } from '../house/takesOff';
import type { Half } from '../protocol/arrange';
import { workedZones } from '../zone/workedZones';
import { leavesOf, type LeafZone } from '../zone/zones';
import { allInSequence, chanceBeyond, meanMinutes, type Distribution } from './distribution';

/** Something that is done for a while, in the order of work. */
export interface Lasting {
  /** nothing for a wait between layers */
  readonly step?: Step;
  readonly meanwhile: readonly Step[];
  readonly half?: Half;
  readonly time: Distribution;
  readonly startsAt: number;
}

/** How long a product lies on the skin, from the first touch to when it is taken off. @see R4 */
export interface ContactClock {
  /** expected minutes after the room is first used */
  readonly startsAt: number;
  /** the zone that was touched first, application included */
  readonly firstZoneMinutes: number;
  /** the zone that was touched last, when the first application ended */
  readonly lastZoneMinutes: number;
  /** the chance that the first zone has it for longer than the cap */
  readonly chancePast: number;
  /** nothing takes it off while the guest is there */
  readonly neverEnds: boolean;
}

/**
 * The clock of what lies on the skin during a step: over all steps, layers and waits from the first time that it was
 * put on since something was taken off these zones, until the next step that takes it off begins.
 * @param at which of `all` holds the step
 * @returns nothing where no product was put on
 * @see R4
 */
export function contactClock(
  all: readonly Lasting[],
  at: number,
  step: Step,
  capMinutes: number,
): ContactClock | undefined {
  const here = all[at];
  if (!here) return undefined;
  const zones = leavesWorked(step);
  const isHere = (other: Lasting): boolean =>
    here.half === undefined || other.half === undefined || other.half === here.half;
  const shares = (other: Step): boolean => {
    const worked = leavesWorked(other);
    return worked.length === 0 || zones.length === 0 || worked.some((leaf) => zones.includes(leaf));
  };
  const takesOffHere = (lasting: Lasting): boolean =>
    isHere(lasting) && stepsOf(lasting).some((each) => takesOff(each) && shares(each));
  const since = all.slice(0, at).findLastIndex(takesOffHere) + 1;
  const puts = (lasting: Lasting): readonly Source[] =>
    isHere(lasting)
      ? stepsOf(lasting)
          .filter(shares)
          .flatMap(({ doses }) => doses.map(({ source }) => source))
      : [];
  const lying = all.slice(since, at + 1).map(puts);
  const product = lying.findLast((sources) => sources.length > 0);
  if (!product) return undefined;
  const first = lying.findIndex((sources) =>
    sources.some((source) => product.some((each) => isSame(each, source))),
  );
  const from = since + first;
  const later = all.findIndex((lasting, index) => index > at && takesOffHere(lasting));
  const off = takesOff(step) ? at + 1 : later;
  const until = off === -1 ? lastOfVisit(all) + 1 : off;
  const times = all.slice(from, until).map(({ time }) => time);
  const total = allInSequence(times);
  const [application] = times;
  const mean = meanMinutes(total);
  return {
    startsAt: all[from]?.startsAt ?? 0,
    firstZoneMinutes: mean,
    lastZoneMinutes: mean - (application && from < at ? meanMinutes(application) : 0),
    chancePast: chanceBeyond(total, capMinutes),
    neverEnds: off === -1,
  };
}

function lastOfVisit(all: readonly Lasting[]): number {
  return all.findLastIndex(({ step }) => step?.stretch === 'visit');
}

function stepsOf({ step, meanwhile }: Lasting): readonly Step[] {
  return step ? [step, ...meanwhile] : meanwhile;
}

function leavesWorked(step: Step): readonly LeafZone[] {
  return workedZones(step).flatMap(leavesOf);
}

function isSame(a: Source, b: Source): boolean {
  return a.kind === 'material'
    ? b.kind === 'material' && a.materialId === b.materialId
    : b.kind === 'mix' && a.mixId === b.mixId;
}
