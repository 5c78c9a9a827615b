import { useState } from 'react';
import { Link } from 'react-router';
import type { Performed } from '@bienestar/contract/happened';
import { bookOf } from '@bienestar/core/restock/bookOf';
import type { RunEvent } from '@bienestar/core/house/run';
import type { MaterialId } from '@bienestar/core/house/ids';
import { doneInRun, type DoneAct } from '@bienestar/core/run/done';
import { incidentsIn } from '@bienestar/core/run/incidents';
import { openToAsk, type OpenToAsk } from '@bienestar/core/run/openToAsk';
import { entryOfRun } from '@bienestar/core/logbook/entryOfRun';
import { entriesOfRun, treatmentOfRun, usedInRun, withSold } from '@bienestar/core/run/used';
import { FormFault } from '../../parts/FormFault';
import { minutesWords } from '../../format/amountWords';
import { counted, number } from '../../format/figures';
import { TableHead, figures, names } from '../../parts/TableHead';
import { toast } from '../../parts/toast';
import { useTimeZone } from '../../store/clock';
import { useFigures, useHouse } from '../../store/house';
import { outbox } from '../../store/store';
import { entered } from '../../store/useEnter';
import { HomeCare } from './HomeCare';
import { homeCareWords } from './homeCareWords';
import { TakenFrom } from './TakenFrom';
import { SoldAfter } from './SoldAfter';
import { HeldButton } from './HeldButton';
import { IncidentReport } from './IncidentReport';
import { KnuckleButton } from './KnuckleButton';
import { RunHeader } from './RunHeader';
import { answeredWords, askedWords, clockWords, layerWords, RESPONSE_WORDS } from './roomWords';
import type { StageProps } from './stageProps';

const CELL = 'py-2 pr-4';

interface AfterStageProps extends StageProps {
  readonly events: readonly RunEvent[];
}

/** What really happened, planned beside done; entered, it is in the log and in the ledger. */
export function AfterStage({ run, at, events, onHappens }: AfterStageProps) {
  const house = useHouse();
  const figuresNow = useFigures();
  const timeZone = useTimeZone();
  const { plan, state, work } = at;
  const [isBusy, setIsBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const [takenFrom, setTakenFrom] = useState<ReadonlyMap<MaterialId, OpenToAsk>>(new Map());
  const used = usedInRun(plan, state);
  const kindOf = new Map(house.materials.map(({ id, kind }) => [id, kind]));
  const nameOf = (id: MaterialId): string =>
    house.materials.find((each) => each.id === id)?.name ?? 'no longer on the shelf';
  const unitOf = (id: MaterialId): string =>
    house.materials.find((each) => each.id === id)?.unit ?? '';
  const isKept = (id: MaterialId): boolean => {
    const kind = kindOf.get(id);
    return kind !== undefined && kind !== 'linen';
  };
  const enter = async (): Promise<void> => {
    const treatment = treatmentOfRun(run, state);
    const booked = bookOf(house).find(({ id }) => id === run.bookingId);
    const log = entryOfRun(run, plan, state, events, {
      settings: house.settings,
      ...(booked && { bookedAt: booked.at }),
      devices: house.devices,
      unitCostOf: (id) => {
        const cost = figuresNow.materials.get(id)?.unitCost;
        return cost?.ok ? cost.value : undefined;
      },
    });
    const uses = entriesOfRun(
      run.id,
      withSold(used, state.sold, house.materials),
      isKept,
      treatment.at,
      run.protocol.name,
      takenFrom,
    );
    setIsBusy(true);
    const outcome = await outbox.put({ kind: 'visit', treatment, uses, log }, run.protocol.name)
      .tried;
    setIsBusy(false);
    const end = entered(outcome);
    setFault(end.ok ? undefined : end.message);
    if (!end.ok) return;
    onHappens({ kind: 'entered' });
    if (outcome.is !== 'done') return;
    const { missing } = outcome.data as Performed;
    toast.success(
      missing.length === 0
        ? `${run.protocol.name} is entered.`
        : `${run.protocol.name} is entered; ${counted(missing.length, 'material')} had less on the shelf than it took: count them.`,
    );
  };
  const done = doneInRun(plan, state);
  return (
    <div className="flex h-full flex-col print:block">
      <RunHeader run={run} />
      <div
        tabIndex={0}
        role="region"
        aria-label="What happened"
        className="min-h-0 flex-1 overflow-y-auto px-4 py-4 sm:px-6"
      >
        <h1 className="text-3xl">{state.status === 'stopped' ? 'Stopped' : 'The visit is over'}</h1>
        <p className="text-lg">
          In the room for {clockWords(done.minutes)} of a slot of {number(run.slotMinutes)} min;
          expected were {clockWords(done.expected)}.
        </p>
        {state.status === 'stopped' && (
          <p role="alert" className="mt-2 text-lg font-semibold text-clay">
            ▲ It was stopped
            {state.stoppedWhy === undefined || state.stoppedWhy === ''
              ? ''
              : ` at “${state.stoppedWhy}”`}
            . Write down below what was seen and done.
          </p>
        )}
        <h2 className="mt-5 text-xl">What was done</h2>
        <table className="mt-1 w-full max-w-4xl text-base">
          <TableHead
            columns={[...names('Step'), ...figures('Planned', 'Took'), ...names('Said and seen')]}
            cell={CELL}
          />
          <tbody>
            {done.acts.map((act) => (
              <DoneLine key={act.act.id} done={act} />
            ))}
          </tbody>
        </table>
        <h2 className="mt-5 text-xl">What was used</h2>
        <table className="mt-1 w-full max-w-xl text-base">
          <TableHead columns={[...names('Product'), ...figures('Planned', 'Used')]} cell={CELL} />
          <tbody>
            {used.map(({ materialId, quantity, planned }) => (
              <tr key={materialId} className="border-b border-line">
                <td className={CELL}>{nameOf(materialId)}</td>
                <td className={`${CELL} text-right`}>
                  {number(planned)} {unitOf(materialId)}
                </td>
                <td className={`${CELL} text-right font-semibold`}>
                  {number(quantity)} {unitOf(materialId)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <IncidentReport
          incidents={incidentsIn(events)}
          isAsked={state.status === 'stopped'}
          onHappens={onHappens}
        />
        {!state.isEntered && (
          <TakenFrom
            open={openToAsk(used, house.stock)}
            chosen={takenFrom}
            onChoose={(id, container) => setTakenFrom(new Map(takenFrom).set(id, container))}
          />
        )}
        <SoldAfter
          run={run}
          sold={state.sold}
          isOver={state.isEntered || state.isPutAway}
          onHappens={onHappens}
        />
        <HomeCare run={run} words={work ? homeCareWords(run, house.materials, timeZone) : []} />
        <FormFault fault={fault} className="mt-4" />
      </div>
      <div className="flex flex-wrap items-center gap-3 border-t border-line px-4 py-3 sm:px-6">
        {state.isEntered || state.isPutAway ? (
          <>
            <p role="status" className="flex-1 text-lg">
              {state.isEntered
                ? '✓ In the log and in the ledger.'
                : 'Put away: it was not performed.'}
            </p>
            {state.isEntered && (
              <Link
                to={`/logbook/${run.id}`}
                className="inline-flex min-h-16 items-center px-3 text-lg text-palm underline underline-offset-4"
              >
                In the logbook
              </Link>
            )}
            <Link
              to="/room"
              className="inline-flex min-h-16 items-center rounded-md border-2 border-palm bg-palm px-5 text-xl font-semibold text-on-fill"
            >
              All visits
            </Link>
          </>
        ) : (
          <>
            <HeldButton
              words="Nobody came: put it away"
              onHeld={() => onHappens({ kind: 'put-away', why: 'nobody-came' })}
            />
            <HeldButton
              words="Begun by mistake: put it away"
              onHeld={() => onHappens({ kind: 'put-away', why: 'by-mistake' })}
            />
            <KnuckleButton
              look="main"
              className="flex-1"
              disabled={isBusy}
              onClick={() => void enter()}
            >
              Enter the visit
            </KnuckleButton>
          </>
        )}
      </div>
    </div>
  );
}

function DoneLine({ done: { act, of, minutes } }: { readonly done: DoneAct }) {
  const isOut = of.standing === 'left-out';
  return (
    <tr className={`border-b border-line align-top ${isOut ? 'text-ink-soft' : ''}`}>
      <td className={CELL}>
        {act.name}
        {act.group && <span className="block text-sm text-ink-soft">{layerWords(act)}</span>}
      </td>
      <td className={`${CELL} text-right whitespace-nowrap`}>{minutesWords(act.minutes)}</td>
      <td className={`${CELL} text-right whitespace-nowrap`}>
        {isOut ? 'left out' : clockWords(minutes)}
      </td>
      <td className={CELL}>
        {of.answers.map(({ question, answer, response, reason, at }) => (
          <span key={`${question.id}/${at}`} className="block">
            {askedWords(question)} {answeredWords(question, answer)},{' '}
            {RESPONSE_WORDS[response].toLowerCase()}
            {reason === undefined ? '' : ` (${reason})`}
          </span>
        ))}
      </td>
    </tr>
  );
}
