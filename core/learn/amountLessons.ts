import type { Amount, Dose } from '../house/house';
import type { LogbookVisit, PlannedDraw } from '../house/logbook';
import type { MaterialId, ProtocolId, StepId } from '../house/ids';
import { drawsThatCame } from '../logbook/cameOut';
import type { Triple } from '../quantity/triple';
import { differenceOf, whoseOf, type Difference, type Point } from './cause';
import { SURE_ERRORS, type Lesson } from './lesson';
import { measuredOf } from './measured';
import { correctedMean } from './towards';
import type { WrittenNow } from './writtenNow';

interface Series {
  readonly protocolId: ProtocolId;
  readonly stepId: StepId;
  readonly dose: Dose;
  readonly materialId: MaterialId;
  /** what it is planned as by the last that was written */
  written: Triple;
  readonly points: Point[];
  /** those in which the amount was told */
  readonly told: Set<Point>;
}

/** Shares of what was planned are never nearer than this. */
const LEAST_SPREAD = 0.03;
/** What differs by less is not worth writing anew. */
const WORTH_SHARE = 0.06;

/**
 * Doses that are another amount than written; and where all doses of a material went off on one day, the pump or
 * the batch that is the reason.
 * @param visits in the order in which they were
 * @see L1 L4
 */
export function amountLessons(visits: readonly LogbookVisit[], now: WrittenNow): Lesson[] {
  const shelf = shelfLessons(visits);
  const explained = new Set(shelf.map(({ materialId }) => materialId));
  const doses = [...seriesOf(visits, now).values()].flatMap((each) =>
    /* What the pump or the batch did is not the fault of what is written. */
    explained.has(each.materialId) ? [] : lessonOf(each, visits),
  );
  return [...shelf.map(({ lesson }) => lesson), ...doses];
}

function seriesOf(visits: readonly LogbookVisit[], now: WrittenNow): Map<string, Series> {
  const series = new Map<string, Series>();
  visits.forEach((visit, at) => {
    const { plan, entry } = visit;
    const repeated = new Set(entry.repeated?.map(({ act }) => act));
    for (const { draw, quantity, by, instead } of drawsThatCame(visit)) {
      if (instead || repeated.has(draw.act)) continue;
      const stepId = stepOf(visit, draw);
      const planned = draw.quantity.usual;
      if (!stepId || !draw.amount || planned <= 0) continue;
      const dose = now.dose(plan.protocolId, stepId, draw.doseId);
      if (!dose || !isSameAmount(dose.amount, draw.amount)) continue;
      const key = `${plan.protocolId}/${draw.doseId}/${draw.materialId}`;
      const own = series.get(key) ?? {
        protocolId: plan.protocolId,
        stepId,
        dose,
        materialId: draw.materialId,
        written: draw.quantity,
        points: [],
        told: new Set<Point>(),
      };
      series.set(key, own);
      own.written = draw.quantity;
      const point = { visit: at, value: quantity / planned, ...whoseOf(visit) };
      own.points.push(point);
      if (by !== 'planned') own.told.add(point);
    }
  });
  return series;
}

function stepOf({ plan }: LogbookVisit, { act, doseId }: PlannedDraw): StepId | undefined {
  const planned = plan.acts[act];
  if (!planned) return undefined;
  /* A dose of something that is done beside an act is of that step. */
  const beside = planned.beside?.find(({ doseIds }) => doseIds?.includes(doseId));
  return beside?.stepId ?? planned.stepId;
}

function isSameAmount(a: Amount, b: Amount): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

function lessonOf(of: Series, visits: readonly LogbookVisit[]): Lesson[] {
  const { protocolId, stepId, dose, materialId, written, points, told } = of;
  const difference = differenceOf(points, 1, LEAST_SPREAD);
  if (!difference || Math.abs(difference.mean - 1) < WORTH_SHARE) return [];
  return [
    {
      key: `amount/${protocolId}/${dose.id}/${materialId}`,
      about: {
        kind: 'amount',
        protocolId,
        stepId,
        doseId: dose.id,
        materialId,
        written,
        factor: correctedMean(1, valuesOf(difference)),
        told: difference.points.filter((each) => told.has(each)).length,
        measured: measuredOf(difference, points, visits),
      },
      ...sizeOf(difference),
    },
  ];
}

const valuesOf = ({ points }: Difference): number[] => points.map(({ value }) => value);

function sizeOf({ mean, errors }: Difference): Pick<Lesson, 'size' | 'sure'> {
  return { size: mean - 1, sure: errors >= SURE_ERRORS ? 'sure' : 'likely' };
}

interface ShelfLesson {
  readonly materialId: MaterialId;
  readonly lesson: Lesson;
}

interface OfMaterial {
  readonly counted: Point[];
  readonly others: Point[];
  readonly measures: Set<Extract<Amount, { how: 'counted' }>['measure']>;
}

/**
 * What was weighed tells more than what was counted: where all that is pumped of a material goes off on one day,
 * the pump gives something else; where all of it does, the batch is another.
 */
function shelfLessons(visits: readonly LogbookVisit[]): readonly ShelfLesson[] {
  const materials = new Map<MaterialId, OfMaterial>();
  visits.forEach((visit, at) => {
    for (const { draw, quantity, by, instead } of drawsThatCame(visit)) {
      const { amount, materialId } = draw;
      const planned = draw.quantity.usual;
      if (!amount || instead || by !== 'weighed' || planned <= 0) continue;
      const own = materials.get(materialId) ?? { counted: [], others: [], measures: new Set() };
      materials.set(materialId, own);
      const isCounted = amount.how === 'counted';
      const point = { visit: at, value: quantity / planned, ...whoseOf(visit) };
      (isCounted ? own.counted : own.others).push(point);
      if (isCounted) own.measures.add(amount.measure);
    }
  });
  return [...materials].flatMap(([materialId, { counted, others, measures }]): ShelfLesson[] => {
    const ofCounted = sinceOneDay(counted);
    const ofOthers = sinceOneDay(others);
    const [measure, more] = measures;
    if (ofCounted && !ofOthers && measure && !more) {
      const factor = correctedMean(1, valuesOf(ofCounted));
      const measured = measuredOf(ofCounted, counted, visits);
      const about = { kind: 'measure', materialId, measure, factor, measured } as const;
      const key = `measure/${materialId}/${measure}`;
      return [{ materialId, lesson: { key, about, ...sizeOf(ofCounted) } }];
    }
    const all = [...counted, ...others].toSorted((a, b) => a.visit - b.visit);
    const ofAll = ofOthers && sinceOneDay(all);
    if (!ofAll) return [];
    const factor = correctedMean(1, valuesOf(ofAll));
    const measured = measuredOf(ofAll, all, visits);
    const about = { kind: 'batch', materialId, factor, measured } as const;
    return [{ materialId, lesson: { key: `batch/${materialId}`, about, ...sizeOf(ofAll) } }];
  });
}

function sinceOneDay(points: readonly Point[]): Difference | undefined {
  const difference = differenceOf(points, 1, LEAST_SPREAD);
  if (difference?.cause.is !== 'since') return undefined;
  return Math.abs(difference.mean - 1) < WORTH_SHARE ? undefined : difference;
}
