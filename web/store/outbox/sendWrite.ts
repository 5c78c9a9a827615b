import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { isRecord, type HouseSnapshot, type Versioned } from '@bienestar/contract/api';
import { PROBLEM_TYPES, type ProblemDocument } from '@bienestar/contract/problems';
import { toSecond } from '@bienestar/core/days/instants';
import type { Service } from '@bienestar/core/house/house';
import { api, keepInHouse, lacksEdition, type Write } from '../api';
import { refusedBy } from '../refusals';
import { happenedApi } from '../happenedApi';
import type { Sender, Sent } from './outcome';
import { editedThing, type Change, type QueuedWrite, type WriteState } from './queuedWrite';
import { isSame, rebase } from './rebase';

type Of<K extends Change['kind']> = Extract<Change, { kind: K }>;
type ApiState = Parameters<ReturnType<typeof api.endpoints.house.select>>[0];
type DraftWrite = Write<Of<'draft'>['part']>;
type Version = { readonly version: number };

/* Whoever put a write keeps its outcome; the store need not. */
const ASKED = { track: false } as const;

/** How each kind of write is sent to the house. */
export function senderOf(
  dispatch: ThunkDispatch<ApiState, unknown, UnknownAction>,
  getState: () => ApiState,
): Sender {
  const save = async (writeId: string, { part, value }: Write): Promise<Sent> => {
    const answer = await dispatch(api.endpoints.save.initiate({ part, value, writeId }, ASKED));
    const sent = sentBy(answer);
    const there = sent.is === 'done' ? (sent.data as Versioned<object>) : theirsIn(sent);
    if (!there) return sent;
    /* At once, so that the next write names the version that this one made. */
    dispatch(keepInHouse(part, there));
    const { data: house } = api.endpoints.house.select()(getState());
    const isWithout =
      part === 'services' && house && lacksEdition(house, there as Versioned<Service>);
    if (isWithout) dispatch(api.util.invalidateTags(['House']));
    return sent;
  };

  /** What has no version yet is not there yet. */
  const create = async (writeId: string, write: DraftWrite): Promise<Sent> => {
    const { part, value } = write;
    const asked = { part, value: unversioned(value), writeId };
    return sentBy(await dispatch(api.endpoints.add.initiate(asked, ASKED)));
  };

  const edit: SenderOf<'edit'> = async ({ id, state }, { part, base, mine }, fix) => {
    if (state.is === 'sent' && state.write) return madeAnew(await save(id, state.write));
    const { data: house } = api.endpoints.house.select()(getState());
    if (!house) return { is: 'unready' };
    /* Of records that have ended the house here knows nothing: the house there tells what is newer. */
    const latest =
      latestOf(house, { part, mine }) ?? (isRecord(part) ? versioned(base) : undefined);
    if (!latest) return { is: 'refused', document: GONE };
    const { value, clashes } = rebase<object>(unversioned(base), unversioned(mine), latest);
    if (clashes.length > 0) return { is: 'clash', theirs: latest };
    if (isSame(value, latest)) return { is: 'done', data: latest };
    const write = { part, value } as Write;
    await fix({ is: 'sent', write });
    return madeAnew(await save(id, write));
  };

  const draft: SenderOf<'draft'> = async ({ id, state }, { part, base, mine }, fix) => {
    const before = state.is === 'sent' ? (state.write as DraftWrite | undefined) : undefined;
    if (!before && isSame(unversioned(base), mine)) return { is: 'done', data: base };
    const write = before ?? { part, value: { ...mine, version: base.version } };
    if (!before) await fix({ is: 'sent', write });
    if (write.value.version === 0) return create(id, write);
    const sent = await save(id, write);
    if (sent.is !== 'refused' || !isStale(sent.document)) return sent;
    const theirs = theirsIn(sent);
    /* An answer that was lost so long ago that the house has forgotten it. */
    if (theirs && isSame(unversioned(theirs), mine)) return { is: 'done', data: theirs };
    dispatch(api.util.invalidateTags(['House']));
    return { is: 'clash', theirs: theirs ?? null };
  };

  const { enter } = api.endpoints;
  const { receiveOrder, enterCounted, perform, beginRun, addToRun } = happenedApi.endpoints;
  return async (write, fix) => {
    const { id: writeId, change } = write;
    if (change.kind === 'edit') return edit(write, change, fix);
    if (change.kind === 'draft') return draft(write, change, fix);
    await fix({ is: 'sent' });
    switch (change.kind) {
      case 'entry': {
        /* What was held is entered for when it happened. It counts once by the id of the entry, too. */
        const isLate = write.isHeld === true && change.entry.at === undefined;
        const asked = isLate
          ? { entry: { ...change.entry, at: toSecond(write.at) }, writeId: `${writeId}-late` }
          : { entry: change.entry, writeId };
        return sentBy(await dispatch(enter.initiate(asked, ASKED)));
      }
      case 'receipt': {
        const { orderId: id, version, receiving } = change;
        const asked = { id, version, receiving, writeId };
        const sent = sentBy(await dispatch(receiveOrder.initiate(asked, ASKED)));
        const theirs = theirsIn(sent);
        if (theirs) dispatch(keepInHouse('orders', theirs));
        return sent;
      }
      case 'count':
        return sentBy(await dispatch(enterCounted.initiate({ ...change, writeId }, ASKED)));
      case 'run':
        return sentBy(await dispatch(beginRun.initiate({ ...change, writeId }, ASKED)));
      case 'run-events':
        return sentBy(await dispatch(addToRun.initiate({ ...change, writeId }, ASKED)));
      case 'visit':
        return sentBy(await dispatch(perform.initiate({ ...change, writeId }, ASKED)));
    }
  };
}

type SenderOf<K extends Change['kind']> = (
  write: QueuedWrite,
  change: Of<K>,
  fix: (state: WriteState) => Promise<QueuedWrite>,
) => Promise<Sent>;

/** Something that was deleted while a field of it waited. */
const GONE: ProblemDocument = {
  type: PROBLEM_TYPES.notFound,
  title: 'Not found',
  status: 404,
  detail: 'Somebody else removed it meanwhile.',
  instance: '',
};

function sentBy(answer: { readonly data?: unknown; readonly error?: unknown }): Sent {
  if (!answer.error) return { is: 'done', data: answer.data };
  const refused = refusedBy(answer.error);
  return refused.kind === 'away' ? { is: 'away' } : { is: 'refused', document: refused.document };
}

/** A field that met a newer version is done once more, to that one. */
function madeAnew(sent: Sent): Sent {
  return theirsIn(sent) ? { is: 'stale' } : sent;
}

/** Whether somebody else changed it, or took it away. */
function isStale({ type }: ProblemDocument): boolean {
  return type === PROBLEM_TYPES.stale || type === PROBLEM_TYPES.notFound;
}

function theirsIn(sent: Sent): Versioned<object> | undefined {
  if (sent.is !== 'refused' || sent.document.type !== PROBLEM_TYPES.stale) return undefined;
  return (sent.document.current as Versioned<object> | null | undefined) ?? undefined;
}

/** How a thing is by the last that the house said; a plan that nobody wrote yet is one of no visits. */
function latestOf(
  house: HouseSnapshot,
  { part, mine }: Pick<Of<'edit'>, 'part' | 'mine'>,
): Versioned<object> | undefined {
  if (part === 'settings') return house.settings;
  const target = editedThing(part, mine);
  const things: readonly Versioned<object>[] = house[part];
  const found = things.find((each) => editedThing(part, each) === target);
  if (found || part !== 'demand' || !('serviceId' in mine)) return found;
  return { serviceId: mine.serviceId, visitsPerWeek: 0, version: 0 } as Versioned<object>;
}

function versioned(value: object): Versioned<object> | undefined {
  return 'version' in value ? (value as Versioned<object>) : undefined;
}

/** A thing without the version that it was read at. */
function unversioned(value: object): object {
  const { version: _version, ...plain } = value as object & Partial<Version>;
  return plain;
}
