import { combinationsIn } from './combinations';
import type { WorkedProtocol } from '../house/house';
import { mixFindings } from './mixReadiness';
import { drawsOf } from '../draws/drawsOf';
import { batchFindings } from './batches';
import { choiceFaults } from './choiceFaults';
import { conflictsIn } from './conflicts';
import { deviceLimitFindings } from './deviceLimits';
import type { Finding, ReviewedProtocol } from './finding';
import { homeFaults } from './homeFaults';
import { houseRuleFindings } from './houseRules';
import { kitFindings } from './kitFindings';
import { settingFaults } from './settingFaults';

/** Amounts that cannot be resolved, or just open another pack, also in options that are not taken for the client shown. */
function doseFindings({ written, worked, shelf, settings }: ReviewedProtocol): Finding[] {
  const all: WorkedProtocol = { ...worked, ...written };
  const draws = drawsOf(all, 'returning', shelf, settings);
  if (draws.ok) return batchFindings(draws.value, worked.id, shelf);
  return draws.problems
    .filter(({ where }) => where.stepId !== undefined)
    .map((problem) => ({ ...problem, weight: 'fault' }));
}

/**
 * Everything that does not fit in a protocol, apart from what keeps its figures from being counted:
 * choices nobody meets, settings beyond the house's limits, hands or devices taken twice, covered
 * zones, caps that are passed, mixes that are too old, combinations that ask for care.
 * @see T6
 */
export function findingsIn(reviewed: ReviewedProtocol): readonly Finding[] {
  const { written, worked, schedule } = reviewed;
  return [
    ...doseFindings(reviewed),
    ...kitFindings(reviewed),
    ...choiceFaults(written, worked.id, reviewed.settings),
    ...settingFaults(reviewed),
    ...(schedule.ok ? conflictsIn(reviewed, schedule.value) : []),
    ...(schedule.ok ? deviceLimitFindings(worked, schedule.value, reviewed.index.devices) : []),
    ...(schedule.ok ? mixFindings(worked, schedule.value, reviewed.shelf) : []),
    ...houseRuleFindings(reviewed),
    ...homeFaults(worked, reviewed.shelf, reviewed.settings),
    ...combinationsIn(reviewed),
  ];
}
