import { addOnsOf } from '../figures/addOns';
import type { HouseFigures, ServiceFigures } from '../figures/houseFigures';
import type { House, Minutes, Step, WorkedProtocol } from '../house/house';
import { indexHouse } from '../house/houseIndex';
import { asId, type ServiceId, type StepId } from '../house/ids';
import { ok, type Outcome } from '../problem/problem';
import { arrange, STRETCHES, type Occurrence } from '../protocol/arrange';
import { scheduleOf } from '../time/schedule';
import { expectedMinutes } from '../time/stepTime';
import type { Spared } from './lastingWork';
import { needOf, type VisitNeed } from './needs';

/** How a visit is worked otherwise than its service is written. */
export interface Otherwise {
  readonly spared?: readonly Spared[];
  /** worked within it */
  readonly addOnIds?: readonly ServiceId[];
}

interface Known {
  /** the figures of what is worked within it */
  readonly from: readonly (ServiceFigures | undefined)[];
  readonly need: VisitNeed;
}

const known = new WeakMap<VisitNeed, Map<string, Known>>();

/**
 * What a visit takes when some of its work is done already, or others are worked within it: its protocol is worked so,
 * and all of it follows. Its slot grows by what an add-on's figures say; an add-on that the visit does not offer changes
 * nothing.
 * @see M3 P8 T5
 */
export function needOtherwise(
  need: VisitNeed,
  { spared = [], addOnIds = [] }: Otherwise,
  house: House,
  figures: HouseFigures,
): VisitNeed {
  if (spared.length === 0 && addOnIds.length === 0) return need;
  const key = JSON.stringify([spared, addOnIds]);
  const variants = known.get(need) ?? new Map<string, Known>();
  known.set(need, variants);
  const from = addOnIds.map((id) => figures.services.get(id));
  const before = variants.get(key);
  if (before?.from.every((each, at) => each === from[at])) return before.need;
  const of = figures.services.get(need.service.id);
  const made = of ? workedSo(need, { spared, addOnIds }, of, house, figures) : need;
  variants.set(key, { from, need: made });
  return made;
}

function workedSo(
  need: VisitNeed,
  { spared, addOnIds }: Required<Otherwise>,
  of: ServiceFigures,
  house: House,
  figures: HouseFigures,
): VisitNeed {
  const { service } = need;
  if (!of.work.ok) return need;
  const own = sparedOf(of.work.value, spared);
  const addOns = offeredIn(of, addOnIds, house, figures);
  const work = addOns.reduce(
    (host, { stepId, freeMinutes, work: within, service: { visitKind } }) =>
      withAddOn(host, stepId, freeMinutes, within, visitKind),
    own,
  );
  const alone = scheduleOf(own, service.visitKind, house.settings);
  const schedule = scheduleOf(work, service.visitKind, house.settings);
  if (!alone.ok || !schedule.ok) return need;
  const slotMinutes = addOns.reduce(
    (sum, { extraSlotMinutes }) => sum + extraSlotMinutes,
    alone.value.slotMinutes,
  );
  const draws = addOns.reduce<ServiceFigures['draws']>(
    (all, addOn) => (all.ok ? ok([...all.value, ...addOn.draws]) : all),
    of.draws,
  );
  const made = needOf(
    service,
    { ...of, work: ok(work), schedule: ok({ ...schedule.value, slotMinutes }), draws },
    house,
    indexHouse(house),
    need.isAddOn,
  );
  if (!made) return need;
  const mayAll = <I extends string>(ids: readonly I[], each: (need: VisitNeed) => readonly I[]) =>
    addOns.reduce<readonly I[]>(
      (left, addOn) => left.filter((id) => each(addOn.need).includes(id)),
      ids,
    );
  return {
    ...made,
    addOns: addOns.map((addOn) => addOn.service),
    therapistIds: mayAll(made.therapistIds, ({ therapistIds }) => therapistIds),
    contribution: addOns.reduce((sum, addOn) => sum + addOn.contribution, made.contribution),
  };
}

function sparedOf(protocol: WorkedProtocol, spared: readonly Spared[]): WorkedProtocol {
  if (spared.length === 0) return protocol;
  const lessOf = new Map<StepId, number>();
  for (const { stepId, minutes, isWhole } of spared)
    lessOf.set(stepId, isWhole ? Infinity : (lessOf.get(stepId) ?? 0) + minutes);
  const shorter = (minutes: Minutes, by: number): Minutes => ({
    least: Math.max(0, minutes.least - by),
    usual: Math.max(0, minutes.usual - by),
    most: Math.max(0, minutes.most - by),
  });
  return {
    ...protocol,
    steps: protocol.steps.map((step) => {
      const by = lessOf.get(step.id);
      return by === undefined ? step : { ...step, minutes: shorter(step.minutes, by) };
    }),
  };
}

interface Offered {
  readonly service: VisitNeed['service'];
  readonly need: VisitNeed;
  readonly stepId: StepId;
  readonly freeMinutes: number;
  readonly extraSlotMinutes: number;
  readonly contribution: number;
  readonly work: WorkedProtocol;
  readonly draws: Extract<ServiceFigures['draws'], { ok: true }>['value'];
}

function offeredIn(
  of: ServiceFigures,
  addOnIds: readonly ServiceId[],
  house: House,
  figures: HouseFigures,
): readonly Offered[] {
  if (addOnIds.length === 0) return [];
  const index = indexHouse(house);
  const offered = addOnsOf(of, house, ({ id }) => figures.services.get(id));
  return addOnIds.flatMap((id): Offered[] => {
    const addOn = offered.find(({ service }) => service.id === id);
    const own = addOn && figures.services.get(id);
    const need = own && needOf(addOn.service, own, house, index, true);
    if (!need || !own.work.ok || !own.draws.ok) return [];
    const { service, stepId, freeMinutes, extraSlotMinutes } = addOn;
    return [
      {
        service,
        need,
        stepId,
        freeMinutes,
        extraSlotMinutes,
        contribution: addOn.figures.contribution,
        work: own.work.value,
        draws: own.draws.value,
      },
    ];
  });
}

/**
 * A protocol with another worked within it: beside the step that offers it where hands are free in that, else after it
 * and the layers it stands in.
 */
function withAddOn(
  host: WorkedProtocol,
  stepId: StepId,
  freeMinutes: number,
  addOn: WorkedProtocol,
  visitKind: VisitNeed['service']['visitKind'],
): WorkedProtocol {
  const at = host.steps.findIndex(({ id }) => id === stepId);
  const offers = host.steps[at];
  const steps = inOneRow(addOn, visitKind);
  if (!offers || !steps.ok) return host;
  const { layerGroupId } = offers;
  const besides = offers.meanwhileOf ?? offers.id;
  const within = steps.value.map((step): Step => ({
    ...step,
    ...(freeMinutes > 0 && { meanwhileOf: besides, ...(layerGroupId && { layerGroupId }) }),
  }));
  const last =
    layerGroupId === undefined
      ? at
      : host.steps.findLastIndex((step) => step.layerGroupId === layerGroupId);
  const after = freeMinutes > 0 ? at : last;
  return { ...host, steps: host.steps.toSpliced(after + 1, 0, ...within) };
}

/** A protocol as steps that follow one another while the guest is there; of two done side by side the longer. */
function inOneRow(
  protocol: WorkedProtocol,
  visitKind: VisitNeed['service']['visitKind'],
): Outcome<readonly Step[]> {
  const arrangement = arrange(protocol, visitKind);
  if (!arrangement.ok) return arrangement;
  const steps = STRETCHES.flatMap((stretch) => arrangement.value[stretch].flatMap(stepsIn));
  return ok(
    steps.map(({ meanwhileOf: _beside, layerGroupId: _layers, ...step }, at) => ({
      ...step,
      id: asId<StepId>(`${protocol.id}+${at}`),
      stretch: 'visit' as const,
    })),
  );
}

const WAITED: Step = {
  id: asId('waited'),
  name: 'Wait',
  stretch: 'visit',
  by: 'therapist',
  hands: 'watching',
  minutes: { least: 0, usual: 0, most: 0 },
  zones: [],
  doses: [],
};

function stepsIn(occurrence: Occurrence): readonly Step[] {
  switch (occurrence.kind) {
    case 'between': {
      const { between } = occurrence.group;
      return between ? [{ ...WAITED, minutes: between.wait }] : [];
    }
    case 'test':
      return [occurrence.spot.minutes, occurrence.spot.wait].map((minutes) => ({
        ...WAITED,
        minutes,
      }));
    case 'step': {
      const { step, meanwhile } = occurrence;
      const beside = meanwhile.reduce((sum, each) => sum + expectedMinutes(each.minutes), 0);
      return beside > expectedMinutes(step.minutes) ? meanwhile : [step];
    }
  }
}
