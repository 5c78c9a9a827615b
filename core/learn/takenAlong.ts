import type { House } from '../house/house';
import type { LogbookVisit } from '../house/logbook';
import type { ProtocolId } from '../house/ids';
import { isStep } from '../house/protocol';
import { seenShare, type SeenShare } from './wilson';

/** How often something that is offered during treatments is taken. */
export interface TakenAlong {
  readonly protocolId: ProtocolId;
  readonly name: string;
  /** of the visits in which it is offered; at most all of them */
  readonly taken: SeenShare;
}

/**
 * How often add-ons are taken: visits of what is offered beside the visits whose protocols offer it, the most often
 * offered in front. Who takes one without its treatment counts, too.
 * @param visits of the logbook, in any order
 * @see L3
 */
export function takenAlong(
  visits: readonly LogbookVisit[],
  { protocols }: Pick<House, 'protocols'>,
): TakenAlong[] {
  const counts = new Map<ProtocolId, number>();
  for (const { plan } of visits)
    counts.set(plan.protocolId, (counts.get(plan.protocolId) ?? 0) + 1);
  const offeredIn = new Map<ProtocolId, number>();
  for (const { id, steps } of protocols) {
    const offers = new Set(steps.flatMap((line) => (isStep(line) ? (line.offers ?? []) : [])));
    for (const offered of offers)
      offeredIn.set(offered, (offeredIn.get(offered) ?? 0) + (counts.get(id) ?? 0));
  }
  return [...offeredIn]
    .filter(([, of]) => of > 0)
    .map(([protocolId, of]) => ({
      protocolId,
      name: protocols.find(({ id }) => id === protocolId)?.name ?? 'something that is gone',
      taken: seenShare(Math.min(of, counts.get(protocolId) ?? 0), of),
    }))
    .toSorted((a, b) => b.taken.of - a.taken.of);
}
