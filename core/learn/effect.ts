import { createCalculator } from '../figures/createCalculator';
import type { HouseFigures } from '../figures/houseFigures';
import type { House } from '../house/house';
import type { MaterialId, ServiceId } from '../house/ids';
import { createRestocker } from '../restock/restocker';
import { withLesson } from './adopt';
import type { Lesson } from './lesson';

/** A figure now, and with a lesson adopted. */
export interface NowAndThen {
  readonly now: number;
  readonly then: number;
}

/** What adopting a lesson does to a service; what stays as it is is left out. Minor units, minutes. */
export interface ServiceEffect {
  readonly serviceId: ServiceId;
  readonly name: string;
  readonly slotMinutes?: NowAndThen;
  readonly roomMinutes?: NowAndThen;
  readonly cost?: NowAndThen;
  readonly price?: NowAndThen;
}

/** When a material is ordered, in its unit. */
export interface OrderPointEffect extends NowAndThen {
  readonly materialId: MaterialId;
  readonly name: string;
}

/** What adopting a lesson does to the house. */
export interface LessonEffect {
  readonly services: readonly ServiceEffect[];
  readonly orderPoints: readonly OrderPointEffect[];
}

/** Figures that differ by less are the same. */
const SAME = 0.005;

/**
 * What adopting a lesson does: to slot, cost and price of services, and to when materials are ordered.
 * @param now the moment, on which orders depend
 * @see T5 C7 P6 S4
 */
export function effectOf(house: House, lesson: Lesson, now: Date): LessonEffect {
  const then = withLesson(house, lesson, 'all');
  if (then === house) return { services: [], orderPoints: [] };
  const calculate = createCalculator(1);
  const before = calculate(house);
  const after = calculate(then);
  return {
    services: house.services.flatMap(({ id, name }) => serviceEffect(id, name, before, after)),
    orderPoints: orderPoints(house, before, then, after, now),
  };
}

function serviceEffect(
  serviceId: ServiceId,
  name: string,
  before: HouseFigures,
  after: HouseFigures,
): ServiceEffect[] {
  const [was, is] = [before.services.get(serviceId), after.services.get(serviceId)];
  if (!was || !is) return [];
  const figure = (
    of: (figures: NonNullable<typeof was>) => number | undefined,
  ): NowAndThen | undefined => {
    const [now, then] = [of(was), of(is)];
    if (now === undefined || then === undefined || Math.abs(then - now) < SAME) return undefined;
    return { now, then };
  };
  const effect = {
    slotMinutes: figure(({ schedule }) => (schedule.ok ? schedule.value.slotMinutes : undefined)),
    roomMinutes: figure(({ schedule }) => (schedule.ok ? schedule.value.roomTime.mean : undefined)),
    cost: figure(({ cost }) => (cost.ok ? cost.value.full.usual : undefined)),
    price: figure(({ price }) => (price.ok ? price.value.gross : undefined)),
  };
  const changed = Object.fromEntries(Object.entries(effect).filter(([, each]) => each));
  return Object.keys(changed).length === 0 ? [] : [{ serviceId, name, ...changed }];
}

function orderPoints(
  house: House,
  before: HouseFigures,
  then: House,
  after: HouseFigures,
  now: Date,
): OrderPointEffect[] {
  const restock = createRestocker();
  const pointsOf = (of: House, figures: HouseFigures): ReadonlyMap<MaterialId, number> =>
    new Map(
      [...restock(of, figures, now).materials].flatMap(([id, restocking]) =>
        restocking.ok ? [[id, restocking.value.orderAt] as const] : [],
      ),
    );
  const is = pointsOf(then, after);
  const was = pointsOf(house, before);
  return house.materials.flatMap(({ id, name }): OrderPointEffect[] => {
    const [point, later] = [was.get(id), is.get(id)];
    if (point === undefined || later === undefined || Math.abs(point - later) < SAME) return [];
    return [{ materialId: id, name, now: point, then: later }];
  });
}
