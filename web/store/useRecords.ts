import { skipToken } from '@reduxjs/toolkit/query';
import { useState } from 'react';
import {
  ENDED_AT_HAND,
  type Aggregates,
  type HouseSnapshot,
  type RecordName,
  type Versioned,
} from '@bienestar/contract/api';
import { useSnapshot } from './house';
import { useEndedInfiniteQuery, useRecordQuery } from './restockApi';

/** Records of one kind: what goes on and the newest of what has ended, and the way to what is older. */
export interface Records<N extends RecordName> {
  readonly records: readonly Versioned<Aggregates[N]>[];
  /** reads what is older; nothing when all of it is there */
  readonly readEarlier: (() => void) | undefined;
}

/** Records in the order in which they were written; what is older is read when it is asked for. */
export function useRecords<N extends RecordName>(name: N): Records<N> {
  const [isAsked, setIsAsked] = useState(false);
  const here = recordsAtHand(useSnapshot(), name);
  const { data, hasNextPage, fetchNextPage } = useEndedInfiniteQuery(isAsked ? name : skipToken);
  const ended = data?.pages.flatMap(({ things }) => things) ?? [];
  const known = new Set<string>(here.map(({ id }) => id));
  const earlier = ended.filter(({ id }) => !known.has(id)).toReversed();
  const hasMore = isAsked ? hasNextPage : here.length >= ENDED_AT_HAND;
  const readMore = isAsked ? () => void fetchNextPage() : () => setIsAsked(true);
  return {
    records: [...(earlier as unknown as typeof here), ...here],
    readEarlier: hasMore ? readMore : undefined,
  };
}

/** One record: of those at hand, or read by itself. */
export function useRecord<N extends 'orders' | 'counts'>(
  name: N,
  id: string | undefined,
): Versioned<Aggregates[N]> | undefined {
  const found = recordsAtHand(useSnapshot(), name).find((each) => each.id === id);
  const isElsewhere = id !== undefined && found === undefined;
  const { currentData } = useRecordQuery(isElsewhere ? { of: name, id } : skipToken);
  return found ?? (currentData as Versioned<Aggregates[N]> | undefined);
}

function recordsAtHand<N extends RecordName>(
  house: HouseSnapshot,
  name: N,
): readonly Versioned<Aggregates[N]>[] {
  return house[name] as unknown as readonly Versioned<Aggregates[N]>[];
}
