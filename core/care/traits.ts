import type { Hazard } from '../house/device';
import type { Device, Material, Step, WorkedProtocol } from '../house/house';
import { devicesOf } from '../house/protocol';
import type { ShelfIndex } from '../house/houseIndex';
import type { DeviceId, MaterialId, MixId, StepId } from '../house/ids';
import type { DoseInto } from '../house/ways';
import { effectsOf } from '../house/actions';
import { workedZones } from '../zone/workedZones';
import { leavesOf, type LeafZone, type ZoneId } from '../zone/zones';
import { isStrongAcid, type StopFor, type Warning } from '../house/careFacts';

/** What a protocol does to a person that asks for care. */
export type Trait =
  | Warning
  | Hazard
  | 'exfoliation'
  | 'strong-exfoliation'
  | 'strong-acid'
  | 'blade'
  | 'extraction'
  | 'massage'
  | 'wrap'
  | 'eye-protection'
  | 'skin-contact'
  /** anything at all that is done to the client */
  | 'work';

/** Where on the body a caution may hold for. */
export const REGIONS_OF_CARE = ['head', 'neck', 'eyes', 'body', 'legs'] as const;
export type RegionOfCare = (typeof REGIONS_OF_CARE)[number];

/** By what a trait comes into a protocol. */
export interface Because {
  readonly stepId: StepId;
  readonly stepName: string;
  /** the material or device, where it is one */
  readonly thing?: string;
}

/** By what a trait comes in, and where on the body. */
export interface Brought extends Because {
  readonly regions: ReadonlySet<RegionOfCare>;
}

/** Everything of a protocol that cautions look at. */
export interface CareProfile {
  readonly traits: ReadonlyMap<Trait, readonly Brought[]>;
  /** whom the makers of what is used ask not to treat */
  readonly stopFor: ReadonlyMap<StopFor, readonly Because[]>;
  readonly allergens: ReadonlyMap<string, readonly Because[]>;
  readonly patchTests: readonly {
    readonly material: string;
    readonly hoursBefore: number;
    readonly advice?: string;
  }[];
}

/** What a step does by itself: what it is, what it takes, with which devices. */
export function traitsOfStep(
  step: Step,
  materials: readonly Material[],
  devices: readonly Device[],
): ReadonlyMap<Trait, string | undefined> {
  const traits = new Map<Trait, string | undefined>();
  const note = (trait: Trait, thing?: string): void => {
    if (traits.get(trait) === undefined) traits.set(trait, thing);
  };
  const offSkin = offSkinIn(step, materials);
  for (const { name, care } of materials) {
    for (const warning of care?.warnings ?? []) {
      if (!isInWater(step, warning) && !(offSkin.has(name) && LIES_ON_SKIN.has(warning)))
        note(warning, name);
    }
  }
  for (const { name, care } of materials)
    if (care && isStrongAcid(care) && !offSkin.has(name)) note('strong-acid', name);
  for (const { name, hazards } of devices) for (const hazard of hazards) note(hazard, name);
  const effects = effectsOf(step.action);
  if (effects.includes('exfoliates') || effects.includes('exfoliates-strongly'))
    note('exfoliation');
  if (effects.includes('exfoliates-strongly')) note('strong-exfoliation');
  if (effects.includes('warms')) note('heat');
  if (effects.includes('cools')) note('cold');
  if (traits.has('acid') && step.zones.length > 0) note('strong-exfoliation', traits.get('acid'));
  if (step.action === 'blade' || step.tools?.includes('blade')) note('blade');
  if (step.action === 'extract') note('extraction');
  if (step.action === 'wrap') note('wrap');
  if (step.action === 'massage' || step.phase === 'massage') note('massage');
  if (devices.some(({ eyeProtection }) => eyeProtection)) note('eye-protection');
  if (step.doses.some(({ into }) => !isOffSkin(into)) && step.zones.length > 0)
    note('skin-contact');
  if (step.zones.length > 0) note('work');
  return traits;
}

/** What a product does only where it lies on the skin. */
const LIES_ON_SKIN: ReadonlySet<Warning> = new Set<Warning>([
  'acid',
  'alcohol',
  'flammable',
  'retinoid',
  'light-sensitising',
]);

/** What goes into the steam or a bowl is breathed or waits; a cloth and a bath bring it to the skin. */
function isOffSkin(into: DoseInto | undefined): boolean {
  return into === 'steam' || into === 'bowl';
}

/** The names of materials that a step only puts where they do not lie on the skin. */
function offSkinIn({ doses }: Step, materials: readonly Material[]): ReadonlySet<string> {
  if (doses.some(({ source }) => source.kind === 'mix')) return new Set();
  return new Set(
    materials.flatMap(({ id, name }) => {
      const own = doses.filter(
        ({ source }) => source.kind === 'material' && source.materialId === id,
      );
      return own.length > 0 && own.every(({ into }) => isOffSkin(into)) ? [name] : [];
    }),
  );
}

/** An oil in the water of the steamer does not lie on the skin. */
function isInWater({ action }: Step, warning: Warning): boolean {
  return action === 'steam' && warning === 'flammable';
}

const ZONES_OF_REGION: Readonly<Record<RegionOfCare, readonly ZoneId[]>> = {
  head: ['face', 'scalp', 'neck-front', 'neck-back', 'decollete'],
  /* Along the jaw one slips onto it. */
  neck: ['neck-front', 'jawline'],
  eyes: ['eye-contour'],
  body: ['chest', 'abdomen', 'back', 'buttocks', 'thighs', 'lower-legs'],
  legs: ['thighs', 'lower-legs'],
};

/**
 * Where steps are done, all of them together; anywhere, where none says so.
 * @example regionsOf([{ zones: ['scalp'] }]) // new Set(['head'])
 */
export function regionsOf(
  steps: readonly Pick<Step, 'zones' | 'never'>[],
): ReadonlySet<RegionOfCare> {
  const leaves = new Set<LeafZone>(steps.flatMap((step) => workedZones(step).flatMap(leavesOf)));
  return new Set(
    REGIONS_OF_CARE.filter(
      (region) =>
        leaves.size === 0 ||
        ZONES_OF_REGION[region].flatMap(leavesOf).some((leaf) => leaves.has(leaf)),
    ),
  );
}

/** The materials a step takes, also those within its mixes. */
export function materialsOfStep(step: Step, shelf: ShelfIndex): readonly Material[] {
  const found = new Map<MaterialId, Material>();
  const add = (id: MaterialId | undefined): void => {
    const material = id === undefined ? undefined : shelf.materials.get(id);
    if (material) found.set(material.id, material);
  };
  const visit = (id: MixId, seen: readonly MixId[]): void => {
    if (seen.includes(id)) return;
    for (const { source } of shelf.mixes.get(id)?.parts ?? []) {
      if (source.kind === 'material') add(source.materialId);
      else visit(source.mixId, [...seen, id]);
    }
  };
  for (const { source } of step.doses) {
    if (source.kind === 'material') add(source.materialId);
    else visit(source.mixId, []);
  }
  return [...found.values()];
}

/** The devices a step works with or that run along. */
export function devicesOfStep(
  step: Step,
  devices: ReadonlyMap<DeviceId, Device>,
): readonly Device[] {
  return devicesOf(step).flatMap((id) => devices.get(id) ?? []);
}

/** Everything of a protocol that asks for care, and by which steps and things it comes in. */
export function careProfile(
  protocol: WorkedProtocol,
  shelf: ShelfIndex,
  devices: ReadonlyMap<DeviceId, Device>,
): CareProfile {
  const traits = new Map<Trait, Brought[]>();
  const stopFor = new Map<StopFor, Because[]>();
  const allergens = new Map<string, Because[]>();
  const patchTests = new Map<MaterialId, CareProfile['patchTests'][number]>();
  const whole = regionsOf(protocol.steps.filter(({ stretch }) => stretch === 'visit'));
  for (const step of protocol.steps) {
    /* The client has left. */
    if (step.stretch === 'reset') continue;
    const materials = materialsOfStep(step, shelf);
    /* A step that does not say where is done where the others are. */
    const regions = step.zones.length > 0 ? regionsOf([step]) : whole;
    const of = (thing?: string): Because => ({
      stepId: step.id,
      stepName: step.name,
      ...(thing !== undefined && { thing }),
    });
    /* What heats up before the client is there does nothing to them; what is mixed then is put on later. */
    const machines = step.stretch === 'set-up' ? [] : devicesOfStep(step, devices);
    for (const [trait, thing] of traitsOfStep(step, materials, machines)) {
      push(traits, trait, { ...of(thing), regions });
    }
    for (const { id, name, care } of materials) {
      for (const who of care?.stopFor ?? []) push(stopFor, who, of(name));
      for (const allergen of care?.allergens ?? []) push(allergens, allergen, of(name));
      if (care?.patchTest) patchTests.set(id, { material: name, ...care.patchTest });
    }
  }
  return { traits, stopFor, allergens, patchTests: [...patchTests.values()] };
}

function push<K, V>(into: Map<K, V[]>, key: K, value: V): void {
  const known = into.get(key);
  if (known) known.push(value);
  else into.set(key, [value]);
}
