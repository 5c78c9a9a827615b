import { useState } from 'react';
import { Link } from 'react-router';
import type { LoggedNow } from '@bienestar/contract/happened';
import type { LogbookVisit } from '@bienestar/core/house/logbook';
import type { MaterialId } from '@bienestar/core/house/ids';
import { lateMinutes, usedBeside } from '@bienestar/core/logbook/cameOut';
import { ribbonsOf } from '@bienestar/core/logbook/ribbons';
import { minutesWords } from '../../format/amountWords';
import { counted, money, momentOfYearText, number, percent } from '../../format/figures';
import { Button } from '../../parts/Button';
import { Loading } from '../../parts/Loading';
import { figures, names, TableHead } from '../../parts/TableHead';
import { useHouse } from '../../store/house';
import { useLoggedVisitQuery } from '../../store/logbookApi';
import { CorrectAmounts } from './CorrectAmounts';
import { answerWords, passesWords, setWords } from './logbookWords';
import { TwoRibbons } from './TwoRibbons';

const CELL = 'py-1.5 pr-4 align-baseline';
/** Minutes by which a step differs so that it is marked. */
const WORTH_MINUTES = 1;

/** One visit of the logbook: planned beside done. */
export function LoggedVisit({ id }: { readonly id: string }) {
  const { data, isError, refetch } = useLoggedVisitQuery(id, { refetchOnMountOrArgChange: true });
  if (!data) {
    return isError ? (
      <div role="alert" className="flex flex-col items-start gap-2">
        <p>This visit is not in the logbook, or the house does not answer just now.</p>
        <Button onClick={() => void refetch()}>Try again</Button>
      </div>
    ) : (
      <Loading what="Looking for the visit" />
    );
  }
  const { takenBackAt, ...entry } = data.entry;
  return <Visit visit={{ plan: data.plan, entry }} takenBackAt={takenBackAt} />;
}

interface VisitProps {
  readonly visit: LogbookVisit;
  readonly takenBackAt: LoggedNow['takenBackAt'];
}

function Visit({ visit, takenBackAt }: VisitProps) {
  const house = useHouse();
  const [isCorrecting, setIsCorrecting] = useState(false);
  const { plan, entry } = visit;
  const { settings } = house;
  const nameOf = (things: readonly { readonly id: string; readonly name: string }[], id?: string) =>
    things.find((each) => each.id === id)?.name;
  const late = lateMinutes(entry);
  const about = [
    momentOfYearText(entry.at, settings.timeZone),
    entry.guest,
    nameOf(house.people, entry.performedBy),
    nameOf(house.rooms, entry.roomId),
    plan.visitKind === 'first' ? 'first visit' : undefined,
  ].filter(Boolean);
  return (
    <article aria-label="Visit" className="flex max-w-5xl flex-col gap-4">
      <header>
        <h2 className="text-2xl">{nameOf(house.services, plan.serviceId) ?? plan.name}</h2>
        <p className="text-sm text-ink-soft">{about.join(' · ')}</p>
        {takenBackAt !== undefined && (
          <p className="mt-1 text-clay">
            ▲ Taken back on {momentOfYearText(takenBackAt, settings.timeZone)}: it was not
            performed.
          </p>
        )}
        {entry.stopped !== undefined && (
          <p className="mt-1 font-semibold text-clay">
            ■ Stopped{entry.stopped === '' ? '' : ` at “${entry.stopped}”`}
          </p>
        )}
        <p className="mt-1">
          In the room for {number(entry.roomMinutes, 0)} of {number(plan.slotMinutes, 0)} min;{' '}
          {percent(entry.fell, 0)} of such visits were expected to be shorter.
          {late !== undefined &&
            Math.abs(late) >= 1 &&
            ` It began ${number(Math.abs(late), 0)} min ${late > 0 ? 'after' : 'before'} the book had it.`}
        </p>
      </header>
      <TwoRibbons ribbons={ribbonsOf(visit, settings)} slotMinutes={plan.slotMinutes} />
      <Steps visit={visit} />
      <Amounts visit={visit} />
      {entry.cost && (
        <p className="text-sm">
          What it used cost {money(entry.cost.came, settings.currency)}; expected were{' '}
          {money(entry.cost.expected.usual, settings.currency)} (
          {money(entry.cost.expected.low, settings.currency)} to{' '}
          {money(entry.cost.expected.high, settings.currency)}).
        </p>
      )}
      {(entry.notes.length > 0 || (entry.sold?.length ?? 0) > 0) && (
        <section aria-label="Noted">
          <h3 className="text-lg">Noted</h3>
          <ul className="list-disc pl-5 text-sm">
            {entry.notes.map((note, at) => (
              <li key={at}>{note}</li>
            ))}
            {entry.sold?.map(({ materialId, quantity }) => (
              <li key={materialId}>
                Sold: {counted(quantity, 'pack')} of{' '}
                {nameOf(house.materials, materialId) ?? 'something no longer on the shelf'}
              </li>
            ))}
          </ul>
        </section>
      )}
      {entry.incidents && (
        <p className="text-sm">
          ✚ Something went wrong:{' '}
          <Link to={`/room/${entry.id}`} className="text-palm underline underline-offset-4">
            what was seen and done
          </Link>
        </p>
      )}
      {entry.corrections?.map((correction) => (
        <p key={correction.id} className="border-l-4 border-line-strong pl-3 text-sm">
          Corrected on {momentOfYearText(correction.at, settings.timeZone)}: {correction.why}
        </p>
      ))}
      {takenBackAt === undefined &&
        (isCorrecting ? (
          <CorrectAmounts visit={visit} onDone={() => setIsCorrecting(false)} />
        ) : (
          <div>
            <Button onClick={() => setIsCorrecting(true)}>Correct an amount</Button>
          </div>
        ))}
    </article>
  );
}

function Steps({ visit: { plan, entry } }: { readonly visit: LogbookVisit }) {
  const { ownZones } = useHouse().settings;
  return (
    <table className="w-full text-sm">
      <TableHead
        columns={[...names('Step'), ...figures('Planned', 'Took'), ...names('Said and seen')]}
        cell={CELL}
      />
      <tbody>
        {plan.acts.map((act, at) => {
          const took = entry.minutes[at] ?? null;
          if (took === null && act.ifNeeded === 'left-out') return null;
          const { least, most } = act.minutes;
          const isOff =
            took !== null && (took > most + WORTH_MINUTES || took < least - WORTH_MINUTES);
          return (
            <tr key={act.id} className="border-b border-line">
              <td className={CELL}>
                {act.name}
                {entry.repeated
                  ?.filter((each) => each.act === at)
                  .map(({ times }) => ` × ${times}`)}
                {act.layer !== undefined && (
                  <span className="text-ink-soft"> layer {act.layer}</span>
                )}
              </td>
              <td className={`${CELL} text-right whitespace-nowrap`}>
                {minutesWords(act.minutes)}
              </td>
              <td
                className={`${CELL} text-right whitespace-nowrap ${isOff ? 'font-semibold text-clay' : ''}`}
              >
                {took === null ? 'left out' : `${number(took, 1)} min`}
                {isOff && <span className="sr-only"> not as planned</span>}
              </td>
              <td className={`${CELL} text-ink-soft`}>
                {[
                  ...entry.answers.filter((answer) => answer.act === at).map(answerWords),
                  ...(entry.settings ?? [])
                    .filter((setting) => setting.act === at)
                    .map((setting) => setWords(setting, ownZones)),
                  ...(entry.passes ?? [])
                    .filter((passes) => passes.act === at)
                    .map((passes) => passesWords(passes, ownZones)),
                ].join('; ')}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Amounts({ visit }: { readonly visit: LogbookVisit }) {
  const { materials } = useHouse();
  const used = usedBeside(visit);
  if (used.length === 0) return null;
  const materialOf = (id: MaterialId) => materials.find((each) => each.id === id);
  return (
    <table className="w-full max-w-2xl text-sm">
      <TableHead columns={[...names('Product'), ...figures('Planned', 'Used')]} cell={CELL} />
      <tbody>
        {used.map(({ materialId, quantity, low, usual, high, isTold }) => {
          const material = materialOf(materialId);
          const unit = material?.unit ?? '';
          const isOff = quantity < low || quantity > high;
          return (
            <tr key={materialId} className="border-b border-line">
              <td className={CELL}>{material?.name ?? 'no longer on the shelf'}</td>
              <td className={`${CELL} text-right whitespace-nowrap`}>
                {low === high
                  ? `${number(usual)} ${unit}`
                  : `${number(low)}–${number(high)} ${unit}`}
              </td>
              <td
                className={`${CELL} text-right whitespace-nowrap ${isOff ? 'font-semibold text-clay' : ''}`}
              >
                {number(quantity)} {unit}
                {isTold ? '' : <span className="text-ink-soft"> as planned</span>}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
