import { payIn } from '../cost/performers';
import type { ServiceCost } from '../cost/serviceCost';
import type { ServiceFigures } from '../figures/houseFigures';
import type { Course, CourseVisits, House, Service, VisitKind } from '../house/house';
import type { MaterialId } from '../house/ids';
import { fail, ok, type Outcome } from '../problem/problem';
import { priceFigures, type PriceFigures } from '../price/priceOf';
import { addTriples, scaleTriple, ZERO, type Triple } from '../quantity/triple';
import { countedOf, type OfferPart } from './counted';
import { offerPrice, shareOfSeveral, type OfferPrice } from './offerPrice';

/** The visits of one kind within a course, each with its cost. Minor units, minutes. */
export interface CourseLine {
  readonly visits: CourseVisits;
  readonly service: Service;
  readonly direct: number;
  readonly room: number;
  readonly full: number;
  readonly slotMinutes: number;
  /** the single price of the service */
  readonly single: number;
}

/** What a course comes to, as a whole. */
export interface CourseFigures {
  readonly kind: 'course';
  readonly lines: readonly CourseLine[];
  readonly parts: readonly OfferPart[];
  readonly price: OfferPrice;
  readonly visits: number;
  readonly perVisit: number;
  /** days from the first visit to the last, when none is late */
  readonly lastsDays: number;
  /** whether all visits fit into the days for which it is valid */
  readonly fits: boolean;
  /** consumed in all its visits, by material, in the material's unit: what selling it promises */
  readonly promised: ReadonlyMap<MaterialId, Triple>;
  readonly promisedMinutes: number;
  /** what one missed visit makes of it, whichever way the house goes: of its last kind of visit */
  readonly missed: Readonly<Record<Course['missed'], PriceFigures>>;
}

/**
 * A course: the cost of each kind of visit, its price, the margin of the whole, what it promises, and what
 * a missed visit does. A missed slot is paid for all the same: hands and room are there, only what would
 * have been drawn is saved. Made up, the visit takes hands, room and product once more.
 * @param figuresFor a service worked for a kind of visit, and which visit of the course that is
 * @returns problems of its services, of a course without visits, and of its price
 * @see C7 P1 P6 P8
 */
export function courseFigures(
  course: Course,
  house: House,
  figuresFor: (service: Service, kind: VisitKind, which: number) => ServiceFigures | undefined,
  singlePrice: (service: Service) => Outcome<number>,
): Outcome<CourseFigures> {
  const where = { offerId: course.id };
  const { settings } = house;
  const count = course.visits.reduce((sum, { times }) => sum + times, 0);
  if (!(count > 0)) {
    const message = 'A course has at least one visit.';
    return fail('course-without-visits', message, { ...where, field: 'visits' });
  }
  const lines: CourseLine[] = [];
  const parts: OfferPart[] = [];
  let promised = new Map<MaterialId, Triple>();
  let attendedMinutes = 0;
  let last: { readonly cost: ServiceCost; readonly line: CourseLine } | undefined;
  let which = 0;
  for (const { visits, isSameAs } of eachVisit(course)) {
    const service = house.services.find(({ id }) => id === visits.serviceId);
    const figures = service && figuresFor(service, visits.visitKind, (which += 1));
    const counted = countedOf(service, figures, where);
    if (!counted.ok) return counted;
    const { cost, schedule } = counted.value;
    const single = singlePrice(counted.value.service);
    if (!single.ok) return single;
    const line: CourseLine = {
      visits,
      service: counted.value.service,
      direct: cost.direct.usual,
      room: cost.room.usual,
      full: cost.full.usual,
      slotMinutes: schedule.slotMinutes,
      single: single.value,
    };
    if (figures?.consumption.ok) promised = withAll(promised, figures.consumption.value, 1);
    attendedMinutes += schedule.attended.therapist;
    last = { cost, line };
    const [before, part] = [lines.at(-1), parts.at(-1)];
    if (before && part && isSameAs && isAlike(before, line)) {
      const times = before.visits.times + 1;
      lines.splice(-1, 1, { ...before, visits: { ...before.visits, times } });
      parts.splice(-1, 1, { ...part, times });
      continue;
    }
    lines.push(line);
    parts.push({ ...counted.value, times: 1 });
  }
  const sum = (of: (line: CourseLine) => number): number =>
    lines.reduce((total, line) => total + of(line) * line.visits.times, 0);
  const sold = parts.map(({ rates, times }, at) => ({
    share: payIn(rates.pay, 0).share,
    gross: (lines[at]?.single ?? 0) * times,
  }));
  const load = {
    directCost: sum(({ direct }) => direct),
    roomCost: sum(({ room }) => room),
    slotMinutes: sum(({ slotMinutes }) => slotMinutes),
    attendedMinutes,
    roomCostPerMonth: settings.roomCost.fixedPerMonthMinor / house.rooms.length,
    pay: {
      fixed: parts.reduce((total, { cost, times }) => total + cost.fixedPay.usual * times, 0),
      perMonth:
        parts.reduce(
          (total, { rates, times }) => total + rates.pay.therapist.owedPerMonth * times,
          0,
        ) / count,
      share: shareOfSeveral(sold),
    },
  };
  const price = offerPrice(
    course,
    sum(({ single }) => single),
    load,
    settings,
    where,
  );
  if (!price.ok) return price;
  const things = last ? last.cost.direct.usual - last.cost.therapist.usual : 0;
  const lost = priceFigures(
    price.value.gross,
    { ...load, directCost: load.directCost - things },
    settings,
    where,
  );
  const madeUp = priceFigures(
    price.value.gross,
    {
      ...load,
      directCost: load.directCost + (last?.cost.therapist.usual ?? 0),
      pay: { ...load.pay, fixed: load.pay.fixed + (last?.cost.fixedPay.usual ?? 0) },
      roomCost: load.roomCost + (last?.line.room ?? 0),
      slotMinutes: load.slotMinutes + (last?.line.slotMinutes ?? 0),
    },
    settings,
    where,
  );
  if (!lost.ok) return lost;
  if (!madeUp.ok) return madeUp;
  const lastsDays = (count - 1) * course.everyDays;
  return ok({
    kind: 'course',
    lines,
    parts,
    price: price.value,
    visits: count,
    perVisit: price.value.gross / count,
    lastsDays,
    fits: lastsDays <= course.validDays,
    promised,
    promisedMinutes: load.slotMinutes,
    missed: { lost: lost.value, 'made-up': madeUp.value },
  });
}

function withAll(
  sums: ReadonlyMap<MaterialId, Triple>,
  consumed: ReadonlyMap<MaterialId, Triple>,
  times: number,
): Map<MaterialId, Triple> {
  const all = new Map(sums);
  for (const [id, amount] of consumed) {
    all.set(id, addTriples(all.get(id) ?? ZERO, scaleTriple(amount, times)));
  }
  return all;
}

/** The visits of a course one by one; whether each is sold as the one before it. */
function eachVisit({
  visits,
}: Course): readonly { readonly visits: CourseVisits; readonly isSameAs: boolean }[] {
  return visits.flatMap((each) =>
    Array.from({ length: each.times }, (_none, at) => ({
      visits: { ...each, times: 1 },
      isSameAs: at > 0,
    })),
  );
}

/** Whether two visits come to the same. */
function isAlike(a: CourseLine, b: CourseLine): boolean {
  return a.direct === b.direct && a.full === b.full && a.slotMinutes === b.slotMinutes;
}
