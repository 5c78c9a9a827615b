import { createCalculator } from '../../core/figures/createCalculator';
import { createTrial } from '../../core/figures/trial';
import { editionInUse } from '../../core/figures/serviceWork';
import { dayOf, weekdayOf } from '../../core/days/days';
import { toSecond } from '../../core/days/instants';
import type { HouseArchive } from '../../core/house/archive';
import { clientWith } from '../../core/house/client';
import type { House, Service, Treatment, VisitKind } from '../../core/house/house';
import { indexHouse } from '../../core/house/houseIndex';
import { asId, type PersonId } from '../../core/house/ids';
import type {
  LoggedAnswer,
  LogbookEntry,
  LogbookPlan,
  ToldAmount,
  PlannedDraw,
} from '../../core/house/logbook';
import { isSkippedUsually } from '../../core/house/logbook';
import { asKept } from '../../core/house/stock';
import { costOfVisit } from '../../core/logbook/costOfVisit';
import { keptMinutes, plannedAct, plannedDraw } from '../../core/logbook/entryOfRun';
import { withAllThatMayBe } from '../../core/run/begun';
import { isUsual, planOf, type RunPlan } from '../../core/run/plan';
import { houseOf } from '../../core/stock/houseOf';
import { NO_TIME } from '../../core/time/distribution';
import { chanceWithin, leftAfter } from '../../core/time/left';
import { around, thrown } from '../../core/testing/sampleLog';
import { TRUTHS } from './truths';

/** What is made for a house: how its visits went, by truths that differ from what is written. */
export type MadeLog = Pick<HouseArchive, 'logbookPlans' | 'logbook'>;

interface Planned {
  readonly plan: LogbookPlan;
  readonly run: RunPlan;
  readonly service: Service;
  readonly unitCosts: ReadonlyMap<string, number>;
}

const SEED = 20_261_124;
/** Every so many visits somebody puts the bottle on the scale. */
const WEIGHED_EVERY = 3;

/** The logbook of the treatments of a house, the same every time. */
export function makeLog(archive: HouseArchive): MadeLog {
  const house = houseOf(archive);
  const dice = thrown(SEED);
  const plans = new Map<string, Planned>();
  const logbook = archive.treatments.map((treatment, at): LogbookEntry => {
    const planned = plannedFor(house, treatment, plans);
    return entryFor(house, treatment, planned, dice, at);
  });
  return { logbookPlans: [...plans.values()].map(({ plan }) => plan), logbook };
}

function plannedFor(house: House, treatment: Treatment, plans: Map<string, Planned>): Planned {
  const { serviceId, visitKind } = treatment;
  const key = `${serviceId}-${visitKind}`;
  const known = plans.get(key);
  if (known) return known;
  const made = planned(house, serviceId, visitKind, key);
  plans.set(key, made);
  return made;
}

function planned(house: House, serviceId: string, visitKind: VisitKind, key: string): Planned {
  const service = house.services.find(({ id }) => id === serviceId);
  const figures = createCalculator()(house);
  const index = indexHouse(house);
  const inUse = service && editionInUse(service, index, house);
  if (!service || !inUse) throw new Error(`The demo house has no service ${serviceId}.`);
  const client = clientWith({ ...service.shownFor, visitKind });
  const all = withAllThatMayBe(client, { steps: inUse.protocol.steps.filter((s) => 'doses' in s) });
  const { work, figures: tried } = createTrial()(house, figures.materials, service, inUse, all);
  const usual = figures.services.get(service.id);
  if (!work.protocol.ok || !tried.draws.ok || !usual?.schedule.ok)
    throw new Error(`The demo house cannot work ${serviceId}.`);
  const run = planOf(work.protocol.value, visitKind, tried.draws.value, house.settings);
  if (!run.ok) throw new Error(`The demo house cannot arrange ${serviceId}.`);
  const acts = run.value.acts;
  return {
    run: run.value,
    service,
    unitCosts: new Map(
      [...figures.materials].flatMap(([id, { unitCost }]) =>
        unitCost.ok ? [[id, unitCost.value] as const] : [],
      ),
    ),
    plan: {
      id: asId(`plan-${key}`),
      serviceId: service.id,
      protocolId: service.protocolId,
      name: inUse.protocol.name,
      visitKind,
      slotMinutes: usual.schedule.value.slotMinutes,
      promised: house.settings.slotQuantile,
      acts: acts.map(plannedAct),
      draws: acts.flatMap((act, at) => act.draws.map((draw) => plannedDraw(act, at, draw))),
    },
  };
}

type Dice = () => number;

function entryFor(
  house: House,
  treatment: Treatment,
  { plan, run, service, unitCosts }: Planned,
  dice: Dice,
  at: number,
): LogbookEntry {
  const { timeZone } = house.settings;
  const day = dayOf(new Date(treatment.at), timeZone);
  const by = performerOf(service, dice);
  const isSlow =
    treatment.serviceId === TRUTHS.slot.serviceId && weekdayOf(day) === TRUTHS.slot.weekday;
  const pace =
    Math.max(0.6, 1 + TRUTHS.pace * 2 * around(dice)) * (isSlow ? TRUTHS.slot.factor : 1);
  const lot = dice();
  const minutes = plan.acts.map((act): number | null => {
    const { ifNeeded, stepId } = act;
    const { ifNeeded: truth } = TRUTHS;
    if (ifNeeded !== undefined) {
      const isTruth = plan.protocolId === truth.protocolId && stepId === truth.stepId;
      const share = isTruth ? truth.share : isSkippedUsually(act) ? 0.1 : 0.95;
      if (dice() > share) return null;
    }
    const shift = TRUTHS.minutes.find(
      (each) => each.protocolId === plan.protocolId && each.stepId === stepId,
    );
    const own = took(act.minutes, dice, pace) + (shift?.by ?? 0);
    const beside = (act.beside ?? []).reduce(
      (sum, each) => sum + took(each.minutes, dice, pace),
      0,
    );
    /* What lies on the skin is not left there because a massage is so pleasant. */
    const besides =
      shift && act.minutes.least === act.minutes.most ? Math.min(beside, own) : beside;
    return keptMinutes(Math.max(0.1, own, besides));
  });
  const roomMinutes = keptMinutes(minutes.reduce<number>((sum, each) => sum + (each ?? 0), 0));
  const told = plan.draws.flatMap((draw, which): ToldAmount[] => {
    if (minutes[draw.act] === null || !draw.amount || draw.quantity.usual <= 0) return [];
    return toldOf(plan, draw, { which, by, day, isWeighed: at % WEIGHED_EVERY === 0 }, dice);
  });
  const usual = run.acts.filter(isUsual).map(({ time }) => time);
  const fell = asKept(chanceWithin(leftAfter(NO_TIME, 0, usual), roomMinutes));
  const late = Math.round(Math.max(0, 3 + 5 * around(dice)));
  const entry: LogbookEntry = {
    id: treatment.id,
    planId: plan.id,
    at: treatment.at,
    performedBy: by,
    roomId: asId(lot < 0.5 ? 'lava' : 'duna'),
    ...(treatment.bookingId && { bookingId: treatment.bookingId }),
    ...(late > 0 &&
      lot < 0.8 && { bookedAt: toSecond(new Date(Date.parse(treatment.at) - late * 60_000)) }),
    guest: guestOf(dice),
    roomMinutes,
    minutes,
    told,
    answers: answersOf(plan, run, dice),
    notes: dice() < 0.06 ? [NOTES[Math.floor(dice() * NOTES.length)] as string] : [],
    fell,
  };
  return { ...entry, cost: costOfVisit({ plan, entry }, (id) => unitCosts.get(id)) };
}

/** Minutes between least and most, mostly near usual: half of a triangle, slowed by the pace of the visit. */
function took(
  { least, usual, most }: LogbookPlan['acts'][number]['minutes'],
  dice: Dice,
  pace: number,
): number {
  if (least === most) return usual + 0.15 * around(dice);
  /* Three throws in a row are spread as a step is expected to be: around its mean, a sixth of its range. */
  const mean = (least + 4 * usual + most) / 6;
  return (mean + ((most - least) / 6) * 2 * around(dice)) * pace;
}

function toldOf(
  plan: LogbookPlan,
  draw: PlannedDraw,
  {
    which,
    by,
    day,
    isWeighed,
  }: {
    readonly which: number;
    readonly by: PersonId;
    readonly day: string;
    readonly isWeighed: boolean;
  },
  dice: Dice,
): ToldAmount[] {
  const { usual } = draw.quantity;
  const { pump, amounts } = TRUTHS;
  const stepId = plan.acts[draw.act]?.stepId;
  const other = amounts.find(
    (each) =>
      each.protocolId === plan.protocolId &&
      each.stepId === stepId &&
      each.materialId === draw.materialId,
  );
  if (other) {
    const isSo =
      (other.personId === undefined || other.personId === by) &&
      (other.since === undefined || day >= other.since);
    const quantity = usual * (isSo ? other.factor : 1) * (1 + 0.06 * around(dice));
    return [{ draw: which, quantity: asKept(quantity), by: 'counted' }];
  }
  if (draw.materialId === pump.materialId && isWeighed) {
    const factor = day >= pump.since ? pump.factor : 1;
    const quantity = usual * factor * (1 + 0.08 * around(dice));
    return [{ draw: which, quantity: asKept(quantity), by: 'weighed' }];
  }
  /* Now and then a pump more, as often as one less. */
  const lot = dice();
  if (draw.amount?.how !== 'counted' || lot > 0.06) return [];
  const one = usual / draw.amount.quantity.usual;
  return [
    {
      draw: which,
      quantity: asKept(Math.max(0, usual + (lot < 0.03 ? one : -one))),
      by: 'counted',
    },
  ];
}

function performerOf({ therapistIds }: Service, dice: Dice): PersonId {
  return therapistIds[Math.floor(dice() * therapistIds.length)] as PersonId;
}

function answersOf(plan: LogbookPlan, { acts }: RunPlan, dice: Dice): LoggedAnswer[] {
  return plan.acts.flatMap((_, act) =>
    (acts[act]?.asks ?? []).flatMap((question): LoggedAnswer[] => {
      if (question.answer.kind !== 'score') return [];
      const score = Math.max(0, Math.round(2 + 3 * around(dice)));
      return [{ act, ask: question.ask, answer: score, response: 'go-on' }];
    }),
  );
}

const NAMES = [
  'Abril',
  'Ainara',
  'Alba',
  'Amara',
  'Arlet',
  'Bruna',
  'Candela',
  'Carla',
  'Celia',
  'Dario',
  'Duna',
  'Elia',
  'Enara',
  'Fabio',
  'Gala',
  'Ida',
  'Irene',
  'Jana',
  'Joel',
  'Lara',
  'Leire',
  'Lia',
  'Luca',
  'Luz',
  'Mara',
  'Marc',
  'Mila',
  'Nadia',
  'Naia',
  'Nora',
] as const;
const INITIALS = ['A.', 'R.'] as const;

/** Sixty guests, some of whom come more often than others. */
function guestOf(dice: Dice): string {
  const at = Math.floor(dice() * dice() * NAMES.length * INITIALS.length);
  return `${NAMES[at % NAMES.length] ?? ''} ${INITIALS[Math.floor(at / NAMES.length)] ?? ''}`;
}

const NOTES = [
  'liked the massage firmer',
  'left side more sensitive',
  'wants less scent',
  'asked for more time on the neck',
  'fell asleep',
  'came with sunburn on the shoulders: left out',
] as const;
