import { repriced } from '../cost/repriced';
import type {
  Change,
  Dose,
  House,
  Line,
  Material,
  Mix,
  MixPart,
  Pack,
  Person,
  Protocol,
  Source,
  TriedSetting,
} from '../house/house';
import type { PersonId, ProtocolId } from '../house/ids';
import { fail, ok, type Outcome } from '../problem/problem';
import { isStep, type Step, type Writing } from '../house/protocol';
import type { HouseSettings } from '../house/settings';
import { actionFacts } from '../house/actions';
import { withOpenDay } from '../week/openTimes';
import { withUsualDay } from '../week/roster';

/**
 * A House with one change made to it. What does not change is shared with the House given.
 * @returns a problem when what it changes is no longer there, or a figure cannot be so
 * @see C1 C3 C4 P2 P3
 */
export function applyChange(house: House, change: Change): Outcome<House> {
  switch (change.kind) {
    case 'setting':
      return withSetting(house, change.setting, change.to);
    case 'charge':
      return ok({ ...house, settings: { ...house.settings, therapistCharge: change.to } });
    case 'pay':
      return withPay(house, change);
    case 'supplier':
      return withSupplier(house, change);
    case 'pack-price': {
      const { materialId, packId, priceMinor, discount, freightMinor } = change;
      const asked = (pack: Pack): Pack => ({
        ...pack,
        priceMinor,
        discount: discount ?? pack.discount,
        freightMinor: freightMinor ?? pack.freightMinor,
      });
      return withPacks(house, materialId, packId, (material) => ({
        ...material,
        packs: material.packs.map((pack) => (pack.id === packId ? asked(pack) : pack)),
      }));
    }
    case 'pack':
      return withPacks(house, change.materialId, change.packId, (material) => ({
        ...material,
        preferredPackId: change.packId,
      }));
    case 'swap':
      return withSwap(house, change);
    case 'minutes':
      return withMinutes(house, change);
    case 'edition':
      return withEdition(house, change);
    case 'price':
      return withService(house, change.serviceId, (service) => ({
        ...service,
        pricing: { ...service.pricing, by: 'own', ownMinor: change.grossMinor },
      }));
    case 'visits':
      return withVisits(house, change);
    case 'work-hours':
      return withWorkHours(house, change);
    case 'open-hours': {
      const openHours = withOpenDay(house.settings.openHours, change.weekday, change.spans);
      return ok({ ...house, settings: { ...house.settings, openHours } });
    }
    case 'hire':
      return withHired(house, change);
    case 'room': {
      const { newId: id, name, roomKind: kind } = change;
      const others = house.rooms.filter((room) => room.id !== id);
      return ok({ ...house, rooms: [...others, { id, name, kind }] });
    }
    case 'device-count':
      return withDeviceCount(house, change);
  }
}

type Of<K extends Change['kind']> = Extract<Change, { kind: K }>;
type Bought = Exclude<Material, { kind: 'linen' }>;

function gone(what: string): Outcome<never> {
  return fail('scenario-gone', `${what} is no longer in the house.`, {});
}

/** Where a figure of the settings lies, and what it may be. */
const ROOM_SETTINGS = ['occupancy', 'fixedPerMonthMinor', 'openDaysPerMonth', 'openHoursPerDay'];

function withSetting(house: House, setting: TriedSetting, to: number): Outcome<House> {
  if (!Number.isFinite(to) || to < 0) {
    return fail('setting-invalid', 'This must be a figure of 0 or more.', {
      settings: true,
      field: setting,
    });
  }
  const { settings } = house;
  const next: HouseSettings = ROOM_SETTINGS.includes(setting)
    ? { ...settings, roomCost: { ...settings.roomCost, [setting]: to } }
    : { ...settings, [setting]: to };
  return ok({ ...house, settings: next });
}

function withPay(house: House, { personId, byShare }: Of<'pay'>): Outcome<House> {
  const raised = (minor: number): number => Math.round(minor * (1 + byShare));
  const monthly = ({ monthlyPayMinor }: Person): Pick<Person, 'monthlyPayMinor'> =>
    monthlyPayMinor === undefined ? {} : { monthlyPayMinor: raised(monthlyPayMinor) };
  if (personId === undefined) {
    const { grades } = house.settings;
    return ok({
      ...house,
      people: house.people.map((each) => ({
        ...each,
        hourlyPayMinor: raised(each.hourlyPayMinor),
        ...monthly(each),
      })),
      ...(grades && {
        settings: {
          ...house.settings,
          grades: grades.map((each) => ({ ...each, hourlyPayMinor: raised(each.hourlyPayMinor) })),
        },
      }),
    });
  }
  if (!house.people.some(({ id }) => id === personId))
    return gone('The person whose pay it changes');
  const paid = house.settings.grades ?? [];
  return ok({
    ...house,
    people: house.people.map((each) => {
      if (each.id !== personId) return each;
      const grade = paid.find(({ name }) => name === each.grade);
      const { grade: _grade, ...person } = each;
      const onCost = each.onCost ?? grade?.onCost;
      return {
        ...person,
        hourlyPayMinor: raised(grade?.hourlyPayMinor ?? each.hourlyPayMinor),
        ...monthly(each),
        ...(onCost !== undefined && { onCost }),
      };
    }),
  });
}

function withSupplier(house: House, { supplierId, byShare }: Of<'supplier'>): Outcome<House> {
  if (!house.suppliers.some(({ id }) => id === supplierId)) return gone('The supplier');
  return ok({
    ...house,
    materials: house.materials.map((material) =>
      material.kind === 'linen' || !material.packs.some((pack) => pack.supplierId === supplierId)
        ? material
        : {
            ...material,
            packs: material.packs.map((pack) =>
              pack.supplierId === supplierId ? repriced(pack, byShare) : pack,
            ),
          },
    ),
  });
}

function withPacks(
  house: House,
  id: Material['id'],
  packId: string,
  change: (material: Bought) => Bought,
): Outcome<House> {
  const found = house.materials.find((each) => each.id === id);
  if (!found || found.kind === 'linen') return gone('The material whose pack it changes');
  if (!found.packs.some((pack) => pack.id === packId)) return gone(`A pack of ${found.name}`);
  return ok({
    ...house,
    materials: house.materials.map((each) => (each === found ? change(found) : each)),
  });
}

function withSwap(house: House, { from, to, amount, protocolId }: Of<'swap'>): Outcome<House> {
  const there = (id: string): boolean => house.materials.some((each) => each.id === id);
  if (!there(from) || !there(to)) return gone('A material that it draws instead of another');
  const swapped = <D extends Dose | MixPart>(drawn: readonly D[]): readonly D[] =>
    drawn.some(({ source }) => isOf(source, from))
      ? drawn.map((each) =>
          isOf(each.source, from)
            ? { ...each, source: { kind: 'material', materialId: to } as const, amount }
            : each,
        )
      : drawn;
  const mixed = (mix: Mix): Mix => {
    const parts = swapped(mix.parts);
    const recipes = mix.recipes?.map((recipe) => ({ ...recipe, parts: swapped(recipe.parts) }));
    const same =
      parts === mix.parts &&
      (recipes ?? []).every(({ parts: now }, at) => now === mix.recipes?.[at]?.parts);
    return same ? mix : { ...mix, parts, ...(recipes && { recipes }) };
  };
  const inProtocol = inSteps(house, protocolId, (step) => {
    const doses = swapped(step.doses);
    return doses === step.doses ? step : { ...step, doses };
  });
  if (!inProtocol.ok) return inProtocol;
  const made = mixesMade(house, protocolId);
  return ok({
    ...inProtocol.value,
    /* A recipe is the same wherever it is used. */
    mixes: all(house.mixes, (mix) => (made === undefined || made.has(mix.id) ? mixed(mix) : mix)),
    editions: all(inProtocol.value.editions, (edition) => {
      if (protocolId !== undefined && edition.protocolId !== protocolId) return edition;
      const mixes = all(edition.mixes, mixed);
      return mixes === edition.mixes ? edition : { ...edition, mixes };
    }),
  });
}

function isOf(source: Source, id: Material['id']): boolean {
  return source.kind === 'material' && source.materialId === id;
}

/** The mixes that a protocol draws from; nothing where all are meant. */
function mixesMade(house: House, id: ProtocolId | undefined): ReadonlySet<string> | undefined {
  if (id === undefined) return undefined;
  const steps = house.protocols.find((each) => each.id === id)?.steps ?? [];
  return new Set(
    steps.flatMap((line) =>
      isStep(line)
        ? line.doses.flatMap(({ source }) => (source.kind === 'mix' ? source.mixId : []))
        : [],
    ),
  );
}

/** The things of a list made anew; the same list where none became another. */
function all<T>(things: readonly T[], make: (thing: T) => T): readonly T[] {
  const made = things.map(make);
  return made.every((thing, at) => thing === things[at]) ? things : made;
}

function withMinutes(
  house: House,
  { phase, byMinutes, protocolId }: Of<'minutes'>,
): Outcome<House> {
  const longer = (minutes: number): number => Math.max(0, minutes + byMinutes);
  return inSteps(house, protocolId, (step) => {
    const own = step.phase ?? (step.action && actionFacts(step.action).phase);
    if (own !== phase) return step;
    const { least, usual, most } = step.minutes;
    return { ...step, minutes: { least: longer(least), usual: longer(usual), most: longer(most) } };
  });
}

/** The House with the steps of one protocol, or of all of them, changed: drafts, blocks and editions. */
function inSteps(
  house: House,
  protocolId: ProtocolId | undefined,
  change: (step: Step) => Step,
): Outcome<House> {
  if (protocolId !== undefined && !house.protocols.some(({ id }) => id === protocolId)) {
    return gone('The protocol');
  }
  const written = <W extends Writing>(writing: W): W => {
    const steps = writing.steps.map((line): Line => (isStep(line) ? change(line) : line));
    return steps.every((line, at) => line === writing.steps[at]) ? writing : { ...writing, steps };
  };
  const meant = ({ id }: Protocol): boolean => protocolId === undefined || id === protocolId;
  return ok({
    ...house,
    /* A block belongs to every protocol that uses it. */
    blocks: protocolId === undefined ? all(house.blocks, written) : house.blocks,
    protocols: all(house.protocols, (each) => (meant(each) ? written(each) : each)),
    editions: all(house.editions, (each) => {
      const protocol = meant(each.protocol) ? written(each.protocol) : each.protocol;
      return protocol === each.protocol ? each : { ...each, protocol };
    }),
  });
}

function withService(
  house: House,
  id: string,
  change: (service: House['services'][number]) => House['services'][number],
): Outcome<House> {
  if (!house.services.some((each) => each.id === id)) return gone('The service');
  return ok({
    ...house,
    services: house.services.map((each) => (each.id === id ? change(each) : each)),
  });
}

function withEdition(house: House, { serviceId, edition }: Of<'edition'>): Outcome<House> {
  const service = house.services.find(({ id }) => id === serviceId);
  const known =
    edition === undefined ||
    house.editions.some(
      (each) => each.protocolId === service?.protocolId && each.number === edition,
    );
  if (service && !known) return gone(`Edition ${edition} of ${service.name}`);
  return withService(house, serviceId, ({ edition: _now, ...rest }) => ({
    ...rest,
    ...(edition !== undefined && { edition }),
  }));
}

function withWorkHours(
  house: House,
  { personId, weekday, spans }: Of<'work-hours'>,
): Outcome<House> {
  if (!house.people.some(({ id }) => id === personId))
    return gone('The person whose hours it changes');
  return ok({
    ...house,
    people: all(house.people, (person) =>
      person.id === personId ? withUsualDay(person, weekday, spans) : person,
    ),
  });
}

/** Somebody more, who performs and is trained for all that one does. */
function withHired(house: House, { likeId, newId, name }: Of<'hire'>): Outcome<House> {
  const like = house.people.find(({ id }) => id === likeId);
  if (!like) return gone('The person whom it hires somebody like');
  const also = (ids: readonly PersonId[]): readonly PersonId[] =>
    ids.includes(likeId) && !ids.includes(newId) ? [...ids, newId] : ids;
  const others = house.people.filter(({ id }) => id !== newId);
  return ok({
    ...house,
    people: [...others, { ...like, id: newId, name }],
    services: all(house.services, (service) => {
      const therapistIds = also(service.therapistIds);
      return therapistIds === service.therapistIds ? service : { ...service, therapistIds };
    }),
    devices: all(house.devices, (device) => {
      const trainedIds = also(device.trainedIds);
      return trainedIds === device.trainedIds ? device : { ...device, trainedIds };
    }),
  });
}

function withDeviceCount(house: House, { deviceId, count }: Of<'device-count'>): Outcome<House> {
  if (!house.devices.some(({ id }) => id === deviceId)) return gone('The device');
  return ok({
    ...house,
    devices: all(house.devices, (device) =>
      device.id === deviceId ? { ...device, count } : device,
    ),
  });
}

function withVisits(house: House, { serviceId, visitsPerWeek }: Of<'visits'>): Outcome<House> {
  if (!house.services.some((each) => each.id === serviceId)) return gone('The service');
  const others = house.demand.some((line) => line.serviceId === serviceId)
    ? house.demand.map((line) => (line.serviceId === serviceId ? { ...line, visitsPerWeek } : line))
    : [...house.demand, { serviceId, visitsPerWeek }];
  return ok({ ...house, demand: others });
}
