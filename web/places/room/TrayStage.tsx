import { useNavigate } from 'react-router';
import { asId, type MaterialId } from '@bienestar/core/house/ids';
import { onHandOf } from '@bienestar/core/house/stock';
import { standInsFor } from '@bienestar/core/room/standIns';
import { useHouse } from '../../store/house';
import { clientWords } from '../../format/protocolWords';
import { clientOfRun } from '@bienestar/core/run/begun';
import type { TrayLine } from '../card/trayWords';
import { HeldButton } from './HeldButton';
import { KnuckleButton } from './KnuckleButton';
import { thisDevice } from '../../store/runs/thisDevice';
import { useNow } from '../../store/runs/useRun';
import { MixClocks } from './MixClocks';
import { OtherRuns } from './OtherRuns';
import { RunHeader } from './RunHeader';
import type { StageProps } from './stageProps';

/** What must stand ready, ticked with a knuckle; then the room is taken. */
export function TrayStage({ run, at, onHappens }: StageProps) {
  const navigate = useNavigate();
  const now = useNow();
  const putAway = (): void => {
    onHappens({ kind: 'put-away', why: 'nobody-came' });
    void navigate('/room');
  };
  const house = useHouse();
  const { tray: lines, state } = at;
  const missing = new Set(
    house.stock.flatMap((stock) => (onHandOf(stock) > 0 ? [] : [stock.materialId as string])),
  );
  const standInsOf = (id: string): readonly string[] =>
    standInsFor(house, asId<MaterialId>(id)).map(({ name }) => name);
  const left = lines.filter(({ key }) => !state.ready.has(key)).length;
  return (
    <div className="flex h-full flex-col">
      <RunHeader run={run} />
      <OtherRuns run={run} />
      <MixClocks at={at} now={now} />
      <div className="min-h-0 flex-1 overflow-y-auto px-4 py-4 sm:px-6">
        <h1 className="text-3xl">The tray</h1>
        <p className="text-lg text-ink-soft">
          {clientWords(clientOfRun(run))} ·{' '}
          {left === 0 ? 'all of it stands ready' : `${left} of ${lines.length} still to get`}
        </p>
        <ul className="mt-3 grid gap-2 lg:grid-cols-2">
          {lines.map((line) => (
            <li key={line.key}>
              <Tick
                line={line}
                isReady={state.ready.has(line.key)}
                isMissing={missing.has(line.key)}
                standIns={missing.has(line.key) ? standInsOf(line.key) : []}
                onTick={(isReady) => onHappens({ kind: 'readied', thing: line.key, isReady })}
              />
            </li>
          ))}
        </ul>
        {lines.length === 0 && (
          <p className="text-lg">Nothing is known of what this visit takes: see its card.</p>
        )}
      </div>
      <div className="flex flex-wrap gap-3 border-t border-line px-4 py-3 sm:px-6">
        <HeldButton words="Nobody came: put it away" onHeld={putAway} />
        <KnuckleButton
          look="main"
          className="flex-1"
          onClick={() => onHappens({ kind: 'began', on: thisDevice() })}
        >
          The room is taken: begin
        </KnuckleButton>
      </div>
    </div>
  );
}

interface TickProps {
  readonly line: TrayLine;
  readonly isReady: boolean;
  readonly isMissing: boolean;
  /** what could stand in for it, by name */
  readonly standIns: readonly string[];
  readonly onTick: (isReady: boolean) => void;
}

function Tick({ line, isReady, isMissing, standIns, onTick }: TickProps) {
  return (
    <button
      type="button"
      role="checkbox"
      aria-checked={isReady}
      onClick={() => onTick(!isReady)}
      className={`flex min-h-16 w-full items-center gap-4 rounded-md border-2 px-4 py-2 text-left text-lg ${isReady ? 'border-palm bg-palm-wash' : 'border-line-strong bg-sheet'}`}
    >
      <span aria-hidden className="w-7 text-center text-2xl">
        {isReady ? '✓' : '○'}
      </span>
      <span className="min-w-0 flex-1">
        <strong>{line.amount}</strong> {line.name}
        {line.note !== '' && <span className="block text-base text-ink-soft">{line.note}</span>}
        {isMissing && (
          <span className="block text-base text-clay">
            ▲ none on the shelf by the ledger
            {standIns.length > 0 &&
              `: ${standIns.join(' or ')} does the same work elsewhere, if its maker allows it here`}
          </span>
        )}
      </span>
      <span className="text-base text-ink-soft">{line.at}</span>
    </button>
  );
}
