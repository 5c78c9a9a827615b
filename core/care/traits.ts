import type { Hazard } from '../house/device';
import type { Device, Material, Step, WorkedProtocol } from '../house/house';
import { devicesOf } from '../house/protocol';
import type { ShelfIndex } from '../house/houseIndex';
import type { DeviceId, MaterialId, MixId, StepId } from '../house/ids';
import { effectsOf } from '../house/actions';
import { workedZones } from '../zone/workedZones';
import { FACE_PARTS, leavesOf, type LeafZone } from '../zone/zones';
import type { StopFor, Warning } from '../house/careFacts';

/** What a protocol does to a person that asks for care. */
export type Trait =
  | Warning
  | Hazard
  | 'exfoliation'
  | 'strong-exfoliation'
  | 'blade'
  | 'extraction'
  | 'face-massage'
  | 'body-massage'
  | 'massage'
  | 'cold-body'
  | 'wrap'
  | 'eye-area'
  | 'legs'
  | 'skin-contact';

/** By what a trait comes into a protocol. */
export interface Because {
  readonly stepId: StepId;
  readonly stepName: string;
  /** the material or device, where it is one */
  readonly thing?: string;
}

/** Everything of a protocol that cautions look at. */
export interface CareProfile {
  readonly traits: ReadonlyMap<Trait, readonly Because[]>;
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
  for (const { name, care } of materials) {
    for (const warning of care?.warnings ?? []) {
      if (!isInWater(step, warning)) note(warning, name);
    }
  }
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
  const leaves = new Set<LeafZone>(workedZones(step).flatMap(leavesOf));
  const reaches = (zones: readonly LeafZone[]): boolean => zones.some((zone) => leaves.has(zone));
  if (step.action === 'massage' || step.phase === 'massage') {
    note('massage');
    /* Where it is not said, it may be anywhere. */
    if (leaves.size === 0 || reaches(HEAD_AND_NECK)) note('face-massage');
    if (leaves.size === 0 || reaches(BODY)) note('body-massage');
  }
  if (traits.has('cold') && (leaves.size === 0 || reaches(BODY))) note('cold-body');
  if (leaves.has('eye-contour')) note('eye-area');
  if (reaches(LEGS)) note('legs');
  if (step.doses.length > 0 && step.zones.length > 0) note('skin-contact');
  return traits;
}

/** An oil in the water of the steamer does not lie on the skin. */
function isInWater({ action }: Step, warning: Warning): boolean {
  return action === 'steam' && warning === 'flammable';
}

const HEAD_AND_NECK: readonly LeafZone[] = [
  ...FACE_PARTS,
  'scalp',
  'neck-front',
  'neck-back',
  'decollete',
];

const BODY: readonly LeafZone[] = [
  'chest',
  'abdomen',
  'back',
  'buttock-left',
  'buttock-right',
  'thigh-left',
  'thigh-right',
  'lower-leg-left',
  'lower-leg-right',
];

const LEGS: readonly LeafZone[] = [
  'thigh-left',
  'thigh-right',
  'lower-leg-left',
  'lower-leg-right',
];

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
  const traits = new Map<Trait, Because[]>();
  const stopFor = new Map<StopFor, Because[]>();
  const allergens = new Map<string, Because[]>();
  const patchTests = new Map<MaterialId, CareProfile['patchTests'][number]>();
  for (const step of protocol.steps) {
    const materials = materialsOfStep(step, shelf);
    const of = (thing?: string): Because => ({
      stepId: step.id,
      stepName: step.name,
      ...(thing !== undefined && { thing }),
    });
    const machines = devicesOfStep(step, devices);
    for (const [trait, thing] of traitsOfStep(step, materials, machines)) {
      push(traits, trait, of(thing));
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
