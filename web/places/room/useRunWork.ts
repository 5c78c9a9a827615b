import { useMemo } from 'react';
import { clientOfRun, withoutOthers } from '@bienestar/core/run/begun';
import { planOf, type RunPlan } from '@bienestar/core/run/plan';
import { workFor } from '@bienestar/core/protocol/workFor';
import { runState } from '@bienestar/core/run/runState';
import type { RunState } from '@bienestar/core/run/standing';
import { trayOf } from '@bienestar/core/room/tray';
import type { RunSoFar } from '@bienestar/contract/happened';
import type { Choice, WorkedProtocol } from '@bienestar/core/house/house';
import { choiceDue, decidedIn } from '@bienestar/core/run/decide';
import { clientWords } from '../../format/protocolWords';
import { useFigures, useHouse } from '../../store/house';
import { cardWords, type CardLine } from '../card/cardWords';
import { trayWords, type TrayLine } from '../card/trayWords';
import { roomWorkOf, type RoomWork } from '../card/roomWork';

/** A run as the room shows it. */
export interface RunWork {
  readonly plan: RunPlan;
  readonly state: RunState;
  /** with amounts; nothing where they cannot be said any more, as when a material is gone */
  readonly work: RoomWork | undefined;
  /** what the card says of each step, by its id */
  readonly lines: ReadonlyMap<string, CardLine>;
  /** what must stand ready, in the order of need */
  readonly tray: readonly TrayLine[];
  /** what has come up and is to be decided at the couch */
  readonly choice: Choice | undefined;
}

/** As it is for this guest: what would be otherwise for others is not said in the room. */
function forThisVisit(work: RoomWork): RoomWork {
  const protocol = withoutOthers(work.protocol);
  return { ...work, protocol, written: protocol };
}

/** What is to be done in a run, and how far it is; nothing where its protocol cannot be arranged. */
export function useRunWork({ run, events }: RunSoFar): RunWork | undefined {
  const house = useHouse();
  const { materials } = useFigures();
  /* A tap changes no plan, unless something is decided. */
  const decided = events.filter(({ kind }) => kind === 'decided').length;
  const planned = useMemo(() => {
    const client = clientOfRun(run, events);
    const service = house.services.find(({ id }) => id === run.serviceId);
    const inUse = { protocol: run.protocol, mixes: house.mixes, called: 'as it was begun' };
    const work = roomWorkOf(house, materials, inUse, service, client);
    const known = work.ok ? forThisVisit(work.value) : undefined;
    /* Where its amounts cannot be said any more, its steps still can. */
    const plain = known ? undefined : workFor(run.protocol, new Map(), client);
    const protocol =
      known?.protocol ?? (plain?.ok ? plain.value : (run.protocol as WorkedProtocol));
    const plan = planOf(protocol, run.visitKind, known?.draws ?? [], house.settings);
    const card = known && cardWords(known, clientWords(client));
    const lines = new Map(
      card?.stretches.flatMap((stretch) => stretch.lines.map((line) => [line.key, line] as const)),
    );
    const tray =
      known &&
      trayOf(
        [
          {
            name: run.protocol.name,
            protocol: known.protocol,
            schedule: known.schedule,
            draws: known.draws,
          },
        ],
        known.shelf,
        known.settings,
      );
    const trayLines = tray?.ok ? trayWords(tray.value, house) : [];
    return plan.ok ? { plan: plan.value, work: known, lines, tray: trayLines } : undefined;
    // oxlint-disable-next-line react-hooks/exhaustive-deps
  }, [house, materials, run, decided]);
  return useMemo(() => {
    if (!planned) return undefined;
    const state = runState(planned.plan, events);
    const choice = choiceDue(run.protocol, planned.plan, state, decidedIn(run, events));
    return { ...planned, state, choice };
  }, [planned, events, run]);
}
