import { useEffect } from 'react';
import { useParams } from 'react-router';
import { asId, type RunId } from '@bienestar/core/house/ids';
import type { RunSoFar } from '@bienestar/contract/happened';
import type { Happening } from '@bienestar/core/house/run';
import { Loading } from '../../parts/Loading';
import { NothingHere } from '../../parts/NothingHere';
import { takeAlong } from '../../store/runs/offline';
import { runKeeper, useRun } from '../../store/runs/useRun';
import { AfterStage } from './AfterStage';
import { RunStage } from './RunStage';
import { TrayStage } from './TrayStage';
import { useRunWork } from './useRunWork';

/** A visit in the room: its tray, the run, and what came of it. */
export function RunPlace() {
  const { runId = '' } = useParams();
  const { soFar, isLookedFor } = useRun(asId<RunId>(runId));
  useEffect(takeAlong, []);
  if (soFar) return <Stage key={soFar.run.id} soFar={soFar} />;
  return isLookedFor ? (
    <NothingHere what="There is no such visit, in this browser or in the house." />
  ) : (
    <Loading what="Looking for the visit" />
  );
}

function Stage({ soFar }: { readonly soFar: RunSoFar }) {
  const { run } = soFar;
  const at = useRunWork(soFar);
  if (!at) return <NothingHere what="The protocol of this visit cannot be followed any more." />;
  const add = (happening: Happening): void => runKeeper.add(run.id, happening);
  const { status, endedAt } = at.state;
  if (status === 'not-begun') return <TrayStage run={run} at={at} onHappens={add} />;
  if (endedAt !== undefined)
    return <AfterStage run={run} at={at} events={soFar.events} onHappens={add} />;
  return <RunStage run={run} at={at} onHappens={add} />;
}
