import { isPeelingAcid } from '../house/careFacts';
import type { Device, WorkedProtocol } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import type { DeviceId } from '../house/ids';
import { REST_KINDS, type RestKind } from '../house/rests';
import { careProfile, materialsOfStep, type Trait } from './traits';

const BRINGS: Readonly<Record<Exclude<RestKind, 'acid'>, readonly Trait[]>> = {
  blade: ['blade'],
  needles: ['needles'],
  heat: ['radio-frequency', 'ultrasound'],
  light: ['light'],
  current: ['current'],
};

/**
 * The kinds of work of a protocol after and before which skin rests. Heat is that of a device that goes deep: steam and
 * warm towels are none of that kind; an acid is one that peels, and no enzyme or toner.
 * @see K2
 */
export function restKindsOf(
  protocol: WorkedProtocol,
  shelf: ShelfIndex,
  devices: ReadonlyMap<DeviceId, Device>,
): ReadonlySet<RestKind> {
  const { traits } = careProfile(protocol, shelf, devices);
  const peels = protocol.steps.some(
    (step) =>
      step.stretch === 'visit' &&
      step.zones.length > 0 &&
      materialsOfStep(step, shelf).some(({ care }) => care && isPeelingAcid(care)),
  );
  return new Set(
    REST_KINDS.filter((kind) =>
      kind === 'acid' ? peels : BRINGS[kind].some((trait) => traits.has(trait)),
    ),
  );
}
