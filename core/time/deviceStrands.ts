import type { Device, WorkedProtocol } from '../house/house';
import type { DeviceId } from '../house/ids';
import type { Schedule } from './schedule';
import type { Segment } from './strands';

/** When a device is in use along the minutes. */
export interface DeviceStrand {
  readonly device: Device;
  readonly pieces: readonly Segment[];
}

/** The strand of each device that a protocol uses: worked with is hands-on, running along is watching. */
export function deviceStrands(
  protocol: WorkedProtocol,
  schedule: Schedule,
  devices: ReadonlyMap<DeviceId, Device>,
): readonly DeviceStrand[] {
  const steps = new Map(protocol.steps.map((step) => [step.id, step]));
  const pieces = new Map<DeviceId, Segment[]>();
  for (const row of schedule.rows) {
    const step = row.of.kind === 'step' ? steps.get(row.of.stepId) : undefined;
    if (!step) continue;
    const to = row.startsAt + (row.meanwhileOf === undefined ? row.roomMinutes : row.ownMinutes);
    const note = (id: DeviceId, mark: Segment['mark']): void => {
      const piece: Segment = {
        from: row.startsAt,
        to,
        name: step.name,
        mark,
        stepId: step.id,
        layer: row.layer,
        half: row.half,
      };
      pieces.set(id, [...(pieces.get(id) ?? []), piece]);
    };
    if (step.device) note(step.device.deviceId, 'hands-on');
    for (const id of step.running ?? []) note(id, 'watching');
  }
  return [...pieces].flatMap(([id, of]) => {
    const device = devices.get(id);
    return device ? [{ device, pieces: of }] : [];
  });
}
