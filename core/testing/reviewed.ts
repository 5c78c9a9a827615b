import type { HouseRule } from '../house/houseRule';
import type { Device } from '../house/device';
import type { Material, Mix, Step, WorkedProtocol } from '../house/house';
import { asId, type DeviceId } from '../house/ids';
import { findingsIn } from '../review/findings';
import { scheduleOf } from '../time/schedule';
import { cleanser, dose, measured, minutes, protocol, settings, shelf, step } from './sample';

/** A device that needles, within the limits of the house. */
export const device = (changes: Partial<Device> = {}): Device => ({
  id: asId('pen'),
  name: 'Pen',
  count: 1,
  hazards: ['needles'],
  settings: [{ kind: 'depth', unit: 'mm', least: 0.25, most: 1.5, safer: 'less' }],
  neverZones: ['eye-contour'],
  eyeProtection: false,
  trainedIds: [],
  ...changes,
});
/** A step that goes by its name. */
export const named = (name: string, changes: Partial<Step> = {}): Step =>
  step(name, changes.minutes ?? minutes(5), { id: asId(name), ...changes });

/** What is reviewed. */
export interface Given {
  readonly steps: readonly Step[];
  readonly materials?: readonly Material[];
  readonly mixes?: readonly Mix[];
  readonly devices?: readonly Device[];
  readonly more?: Partial<WorkedProtocol>;
  readonly dayTime?: 'day' | 'evening';
  readonly rules?: readonly HouseRule[];
}

/** What is found in a protocol. */
export function found({
  steps,
  materials = [],
  mixes = [],
  devices = [],
  more,
  dayTime = 'evening',
  rules,
}: Given) {
  const worked = protocol(steps, more);
  const byId = new Map<DeviceId, Device>(devices.map((each) => [each.id, each]));
  const onShelf = shelf(materials, mixes);
  return findingsIn({
    written: worked,
    worked,
    schedule: scheduleOf(worked, 'first', settings),
    shelf: onShelf,
    index: { devices: byId, materials: onShelf.materials },
    settings: { ...settings, ...(rules && { rules }) },
    dayTime,
  });
}
/** The same in words, with where it is. */
export const words = (given: Given): string[] =>
  found(given).map(
    ({ code, where, message }) =>
      `${code} @${where.stepId ?? where.choiceId ?? where.layerGroupId ?? ''}: ${message}`,
  );
/** A material with warnings of its maker. */
export const material = (
  id: string,
  warnings: NonNullable<Material['care']>['warnings'],
): Material => cleanser({ id: asId(id), name: id, care: { warnings } });
/** A ml of a material. */
export const takes = (id: string): Step['doses'] => [dose(asId(id), measured(1, 'ml'))];
/** Done on the face. */
export const face = { zones: ['face'] } as const;
