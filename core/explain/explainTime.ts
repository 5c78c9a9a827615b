import type { House, WorkedProtocol, Service } from '../house/house';
import type { Schedule } from '../time/schedule';
import { quantileMinutes } from '../time/distribution';
import { figure, type Working } from './working';

/**
 * The working of the slot a service needs.
 * @see T1 T2 T5
 */
export function explainSlot(schedule: Schedule, service: Service, house: House): Working {
  const { slotQuantile, slotGridMinutes } = house.settings;
  return {
    title: 'Slot',
    codes: ['T1', 'T2', 'T5'],
    words:
      'The minutes of all steps added up with their least, usual and most; of that spread the share of visits that must fit, rounded up to the house’s grid.',
    inputs: [
      {
        label: 'Room time, expected',
        value: figure(schedule.room.mean, 'min'),
        from: { place: 'protocol', protocolId: service.protocolId },
      },
      { label: 'Give or take', value: figure(schedule.room.sd, 'min') },
      {
        label: 'Visits that must fit',
        value: figure(slotQuantile, 'share'),
        from: { place: 'house' },
      },
      {
        label: 'Room time that fits them',
        value: figure(quantileMinutes(schedule.roomTime, slotQuantile), 'min'),
      },
      { label: 'Grid', value: figure(slotGridMinutes, 'min'), from: { place: 'house' } },
    ],
    result: figure(schedule.slotMinutes, 'min'),
  };
}

/**
 * The working of the minutes that the guest is told: those of the visit, without set-up and reset.
 * @see T3 T5
 */
export function explainGuestMinutes(schedule: Schedule, service: Service, house: House): Working {
  const { slotQuantile, slotGridMinutes } = house.settings;
  return {
    title: 'What the guest is told',
    codes: ['T3', 'T5'],
    words:
      'The minutes of the visit alone, without set-up and reset: of their spread the share of visits that must fit, rounded up to the house’s grid.',
    inputs: [
      {
        label: 'Visit, expected',
        value: figure(schedule.visit.mean, 'min'),
        from: { place: 'protocol', protocolId: service.protocolId },
      },
      { label: 'Give or take', value: figure(schedule.visit.sd, 'min') },
      {
        label: 'Visits that must fit',
        value: figure(slotQuantile, 'share'),
        from: { place: 'house' },
      },
      { label: 'Grid', value: figure(slotGridMinutes, 'min'), from: { place: 'house' } },
    ],
    result: figure(schedule.guestMinutes, 'min'),
  };
}

/**
 * The working of the minutes that the therapist is tied up.
 * @see T4
 */
export function explainAttended(schedule: Schedule, protocol: WorkedProtocol): Working {
  const rows = schedule.rows.filter(
    (row) => row.by === 'therapist' && row.handsOn + row.watching > 0,
  );
  return {
    title: 'Attended minutes',
    codes: ['T4'],
    words:
      'Expected minutes in which the therapist works on the client or watches; beside other work, a step counts only outside it.',
    inputs: rows.map((row) => ({
      label: row.layer === undefined ? row.name : `${row.name} (layer ${row.layer})`,
      value: figure(row.handsOn + row.watching, 'min'),
      from:
        row.of.kind === 'step'
          ? { place: 'step', protocolId: protocol.id, stepId: row.of.stepId }
          : { place: 'protocol', protocolId: protocol.id },
    })),
    result: figure(schedule.attended.therapist, 'min'),
  };
}
