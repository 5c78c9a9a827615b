import type { Dose, House, Minutes, Protocol, Step } from '../house/house';
import { indexHouse } from '../house/houseIndex';
import type { DoseId, ProtocolId, StepId } from '../house/ids';
import { expandBlocks } from '../protocol/expandBlocks';

/** What is written of protocols now, step by step. */
export interface WrittenNow {
  readonly protocol: (id: ProtocolId) => Protocol | undefined;
  /** also of what stands in a block */
  readonly step: (protocol: ProtocolId, step: StepId) => Step | undefined;
  readonly dose: (protocol: ProtocolId, step: StepId, dose: DoseId) => Dose | undefined;
}

/** The drafts of a house: what a lesson would correct. */
export function writtenNow(house: House): WrittenNow {
  const { blocks } = indexHouse(house);
  const protocols = new Map(house.protocols.map((each) => [each.id, each]));
  const steps = new Map<ProtocolId, ReadonlyMap<StepId, Step>>();
  const stepsOf = (id: ProtocolId): ReadonlyMap<StepId, Step> => {
    const known = steps.get(id);
    if (known) return known;
    const protocol = protocols.get(id);
    const expanded = protocol && expandBlocks(protocol, blocks, { protocolId: id });
    const made = new Map(
      (expanded?.ok ? expanded.value.steps : []).map((each) => [each.id, each] as const),
    );
    steps.set(id, made);
    return made;
  };
  return {
    protocol: (id) => protocols.get(id),
    step: (protocol, step) => stepsOf(protocol).get(step),
    dose: (protocol, step, dose) =>
      stepsOf(protocol)
        .get(step)
        ?.doses.find(({ id }) => id === dose),
  };
}

/** Whether minutes are the same. */
export function areSame(a: Minutes, b: Minutes): boolean {
  return a.least === b.least && a.usual === b.usual && a.most === b.most;
}
