import { Link } from 'react-router';
import type { RunSoFar } from '@bienestar/contract/happened';
import type { Run } from '@bienestar/core/house/run';
import type { RunId } from '@bienestar/core/house/ids';
import { contactsNow } from '@bienestar/core/run/runTimes';
import { useOpenRunsQuery } from '../../store/happenedApi';
import { useHouse } from '../../store/house';
import { useNow, useRun, useRunsHere } from '../../store/runs/useRun';
import { useContactSignal } from './roomSignals';
import { clockWords, onSkinWords } from './roomWords';
import { useRunWork } from './useRunWork';

/** How often it is looked whether somebody began another visit. */
const LOOK_EVERY_MS = 5_000;

/**
 * The other visits that go on, each with its clock: a therapist in two rooms sees and hears both, and so do two
 * therapists with one guest.
 */
export function OtherRuns({ run }: { readonly run: Run }) {
  const { data } = useOpenRunsQuery(undefined, { pollingInterval: LOOK_EVERY_MS });
  const here = useRunsHere();
  const known = new Set(data?.runs.map(({ id }) => id));
  const others = [...(data?.runs ?? []), ...here.filter(({ id }) => !known.has(id))].filter(
    ({ id, performedBy, guest }) =>
      id !== run.id &&
      (run.performedBy === undefined ||
        performedBy === run.performedBy ||
        (guest !== undefined && guest === run.guest)),
  );
  if (others.length === 0) return null;
  return (
    <ul aria-label="Other visits that go on" className="flex flex-col">
      {others.map(({ id }) => (
        <OtherRun key={id} id={id} />
      ))}
    </ul>
  );
}

function OtherRun({ id }: { readonly id: RunId }) {
  const { soFar } = useRun(id);
  return soFar ? <Going soFar={soFar} /> : null;
}

function Going({ soFar }: { readonly soFar: RunSoFar }) {
  const house = useHouse();
  const now = useNow();
  const at = useRunWork(soFar);
  const [contact] = at ? contactsNow(at.plan, at.state, now) : [];
  useContactSignal(contact?.stage);
  if (!at || at.state.status === 'not-begun' || at.state.endedAt !== undefined) return null;
  const { run } = soFar;
  const { inHand } = at.state;
  const act = inHand === undefined ? undefined : at.plan.acts[inHand];
  const beganAt = inHand === undefined ? undefined : at.state.acts[inHand]?.beganAt;
  const isOff = contact?.stage === 'off-now' || at.state.takeOff !== undefined;
  const look = isOff
    ? 'bg-clay text-on-fill font-bold'
    : contact?.stage === 'soon'
      ? 'bg-clay-wash font-semibold'
      : 'bg-palm-wash';
  const asked = at.state.asked[0]?.ask;
  return (
    <li>
      <Link
        to={`/room/${run.id}`}
        className={`flex min-h-16 flex-wrap items-center gap-x-4 border-b border-line px-4 text-lg sm:px-6 ${look}`}
      >
        <span className="min-w-40 flex-1">
          {run.guest ?? run.protocol.name}: {act?.name ?? 'nothing in hand'}
          {asked !== undefined && asked !== '' && ` · asks “${asked}”`}
        </span>
        {contact ? (
          <span className="tabular-nums">
            {isOff ? '▲ OFF NOW ' : ''}
            {onSkinWords(contact, house)} {clockWords(contact.minutes)} of{' '}
            {clockWords(contact.capMinutes)}
          </span>
        ) : (
          beganAt !== undefined && (
            <span className="tabular-nums">{clockWords((now - beganAt) / 60_000)}</span>
          )
        )}
      </Link>
    </li>
  );
}
