import { useEffect, useRef } from 'react';
import { useHealthQuery, useHouseQuery } from '../store/api';
import { outbox } from '../store/store';

const LOOK_EVERY_MS = 5_000;
const LOOK_AGAIN_MS = 1_500;

/** Says when the server or its database does not answer, and brings the house back when it does. */
export function AwayNotice({ houseMissing }: { readonly houseMissing: boolean }) {
  const health = useHealthQuery(undefined, { pollingInterval: LOOK_EVERY_MS });
  const away = health.isError || health.data?.database === 'away';
  useHealthQuery(undefined, { pollingInterval: LOOK_AGAIN_MS, skip: !away });
  const { refetch } = useHouseQuery();
  const wasAway = useRef(false);

  /* At each answer, not whenever the house is missing: a house that is not there is asked for no faster. */
  const { fulfilledTimeStamp: answeredAt } = health;
  useEffect(() => {
    if (!away) {
      if (wasAway.current || houseMissing) void refetch();
      outbox.kick();
    }
    wasAway.current = away;
  }, [answeredAt, away, houseMissing, refetch]);

  const isFull = !away && health.data?.disk === 'full';
  return (
    <div role="status">
      {isFull && (
        <p className="border-b border-clay bg-clay-wash px-6 py-2 text-sm font-semibold">
          The disk of this machine is full: nothing can be saved until there is room. What you
          change is kept in this browser and saved then; to add or remove something, press again
          then.
        </p>
      )}
      {away && (
        <p className="border-b border-clay bg-clay-wash px-6 py-2 text-sm font-semibold">
          {health.isError ? 'The house does not answer.' : 'The database does not answer.'} What you
          change is kept in this browser and saved when it is back; to add or remove something,
          press again then.
        </p>
      )}
    </div>
  );
}
