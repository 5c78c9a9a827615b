import type { Device } from '../house/device';
import type { Step, WorkedProtocol } from '../house/house';
import { devicesOf } from '../house/protocol';
import type { DeviceId } from '../house/ids';
import { problem } from '../problem/problem';
import { resolvedSettings } from '../protocol/deviceSettings';
import type { Schedule } from '../time/schedule';
import { leavesOf, type LeafZone } from '../zone/zones';
import { zoneName } from '../zone/zoneNames';
import type { Finding } from './finding';

/**
 * Devices with which a visit goes on for longer, or oftener over the same skin, than the house does with one guest, or
 * whose protocol does not say how often a year it may come.
 */
export function deviceLimitFindings(
  worked: WorkedProtocol,
  schedule: Schedule,
  devices: ReadonlyMap<DeviceId, Device>,
): Finding[] {
  const used = new Set(worked.steps.flatMap(devicesOf));
  return [...used].flatMap((id): Finding[] => {
    const device = devices.get(id);
    const { minutesPerVisit, passesPerVisit, visitsPerYear } = device?.limits ?? {};
    const last = worked.steps.findLast((step) => devicesOf(step).includes(id));
    if (!device || !last) return [];
    const where = { protocolId: worked.id, stepId: last.id, field: 'device' };
    const minutes = schedule.deviceMinutes.get(id) ?? 0;
    const passes = mostPasses(worked, schedule, id);
    const aYear = worked.around?.spacing?.mostPerYear;
    return [
      ...(minutesPerVisit !== undefined && minutes > minutesPerVisit
        ? [
            {
              weight: 'fault' as const,
              ...problem(
                'device-limit',
                `${device.name} is on for ${Math.round(minutes * 10) / 10} min in a visit, and the house goes up to ${minutesPerVisit}.`,
                where,
              ),
            },
          ]
        : []),
      ...(passesPerVisit !== undefined && passes && passes.count > passesPerVisit
        ? [
            {
              weight: 'fault' as const,
              ...problem(
                'device-limit',
                `${device.name} goes ${passes.count} times over ${zoneName(passes.zone)} in a visit, and the house goes up to ${passesPerVisit}.`,
                where,
              ),
            },
          ]
        : []),
      ...(visitsPerYear !== undefined && !(aYear !== undefined && aYear <= visitsPerYear)
        ? [
            {
              weight: 'prompt' as const,
              ...problem(
                'device-limit',
                `${device.name} is used at most ${visitsPerYear} times a year with one guest: say under Before and after how many visits a year there may be.`,
                where,
              ),
            },
          ]
        : []),
    ];
  });
}

/** Where a device goes oftenest over the same skin, passes and layers together. */
function mostPasses(
  { steps }: WorkedProtocol,
  { rows }: Schedule,
  id: DeviceId,
): { readonly zone: LeafZone; readonly count: number } | undefined {
  const over = new Map<LeafZone, number>();
  const timesOf = (step: Step): number =>
    rows.filter(({ of }) => of.kind === 'step' && of.stepId === step.id).length;
  for (const step of steps) {
    if (step.device?.deviceId !== id) continue;
    for (const { zones, passes = 1 } of resolvedSettings(step.device.settings)) {
      for (const leaf of new Set(zones.flatMap(leavesOf)))
        over.set(leaf, (over.get(leaf) ?? 0) + passes * timesOf(step));
    }
  }
  return [...over]
    .map(([zone, count]) => ({ zone, count }))
    .toSorted((a, b) => b.count - a.count)[0];
}
