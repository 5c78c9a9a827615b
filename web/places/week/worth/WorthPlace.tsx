import type { Remote } from 'comlink';
import { nanoid } from '@reduxjs/toolkit';
import { useCallback, useState } from 'react';
import { useNavigate } from 'react-router';
import { useAddAndRemove } from '../../../store/useEditPart';
import { asId } from '@bienestar/core/house/ids';
import { leverScenario } from '@bienestar/core/week/worth/leverScenario';
import type { Lever } from '@bienestar/core/week/worth/levers';
import type { WeekMix } from '@bienestar/core/week/worth/weekMix';
import type { WeekWorker, Worth } from '../../../workers/week.worker';
import { money, number, percent } from '../../../format/figures';
import { Loading } from '../../../parts/Loading';
import { Problems } from '../../../parts/Problems';
import { Segments } from '../../../parts/Segments';
import { figures, names, TableHead } from '../../../parts/TableHead';
import { useWeekHouse } from '../useWeekHouse';
import { useHouse } from '../../../store/house';
import { NeedsHours } from '../NeedsHours';
import { SourceChoice } from '../SourceChoice';
import { useWeekInHand } from '../useWeek';
import { useWeekWorked } from '../useWeekWorked';
import { WeekHeader } from '../WeekHeader';
import { capacityName } from '../weekWords';
import { leverName, leverWords, worthWords } from './worthWords';
import { MixTable } from './MixTable';

type Wholeness = 'parts' | 'whole';

/** The mix of visits that brings most in a week, what one more hour of everything would bring, and what it would cost. */
export function WorthPlace() {
  const { house, choice } = useWeekHouse();
  const week = useWeekInHand();
  const { monday, today, source } = week;
  const [whole, setWhole] = useState<Wholeness>('parts');
  const ask = useCallback(
    (worker: Remote<WeekWorker>) => worker.worth({ house, monday, today, source }, whole),
    [house, monday, today, source, whole],
  );
  const { answer, isWorking, hasFailed } = useWeekWorked(ask);
  const missing =
    answer?.ok === false &&
    answer.problems.some(({ code }) => code === 'hours-missing' || code === 'roster-missing')
      ? answer.problems
      : undefined;
  return (
    <div className="flex h-full flex-col">
      <WeekHeader title="What an hour is worth" week={week}>
        {choice}
        <SourceChoice week={week} />
        <Segments<Wholeness>
          labelHidden
          label="Visits"
          value={whole}
          options={[
            { value: 'parts', label: 'on average' },
            { value: 'whole', label: 'whole visits' },
          ]}
          onChoose={setWhole}
        />
      </WeekHeader>
      {!answer ? (
        <Loading what="Looking for the best week" failed={hasFailed} />
      ) : missing ? (
        <NeedsHours problems={missing} />
      ) : (
        <div
          className="columns-of-place lg:grid-cols-[minmax(0,3fr)_minmax(22rem,2fr)]"
          aria-busy={isWorking}
        >
          <section
            aria-label="The best mix"
            tabIndex={0}
            className="min-h-0 overflow-y-auto px-3 py-4 sm:px-6"
          >
            {answer.ok ? (
              <MixSum mix={answer.value.mix} whole={whole} />
            ) : (
              <Problems problems={answer.problems} isTold />
            )}
            <MixTable mix={answer.ok ? answer.value.mix : undefined} />
          </section>
          {answer.ok && <Limits worth={answer.value} />}
        </div>
      )}
    </div>
  );
}

function MixSum({ mix, whole }: { readonly mix: WeekMix; readonly whole: Wholeness }) {
  const { currency } = useHouse().settings;
  const { more } = mix;
  const apart = mix.atMost - mix.contribution;
  return (
    <p className="max-w-[70ch] pb-3 text-lg">
      The visits that bring most bring <strong>{money(mix.contribution, currency)}</strong> a week,{' '}
      {more >= 0 ? (
        <>{money(more, currency)} more than those that are planned</>
      ) : (
        <>{money(-more, currency)} less than the plan, which does not fit</>
      )}
      .{' '}
      <span className="text-sm text-ink-soft">
        It is advice beside the plan: before what is owed anyhow, with rooms, hands, devices and
        linen as they are.
        {whole === 'whole' && apart > 1
          ? ` Nothing can bring more than ${money(mix.atMost, currency)} (${percent(apart / mix.atMost, 2)} above).`
          : ''}
      </span>
    </p>
  );
}

function Limits({ worth: { mix, levers } }: { readonly worth: Worth }) {
  const { currency } = useHouse().settings;
  const limits = mix.limits.toSorted((a, b) => Math.max(...b.worth) - Math.max(...a.worth));
  return (
    <aside
      aria-label="What one more would bring"
      tabIndex={0}
      className="flex min-h-0 flex-col gap-5 overflow-y-auto border-l border-line bg-sheet px-5 py-4 text-sm"
    >
      <section>
        <h2 className="pb-1 text-lg">One more hour</h2>
        <table className="w-full">
          <TableHead columns={[...names('Of'), ...figures('used'), ...names('is worth')]} />
          <tbody>
            {limits.map((line) => {
              const used = line.used.reduce((sum, each) => sum + each, 0);
              const there = line.capacity.perDay.reduce((sum, each) => sum + each, 0);
              return (
                <tr
                  key={capacityName(line.capacity)}
                  className="border-b border-line align-baseline"
                >
                  <td className="py-1">{capacityName(line.capacity)}</td>
                  <td className="pl-3 text-right whitespace-nowrap">
                    {there > 0 ? percent(used / there, 0) : '–'}
                  </td>
                  <td className="pl-3">{worthWords(line, currency)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </section>
      <section>
        <h2 className="pb-1 text-lg">What else the week could have</h2>
        {levers.length === 0 ? (
          <p className="text-ink-soft">
            Nothing more would bring anything: guests ask for no more.
          </p>
        ) : (
          <ul className="flex flex-col">
            {levers.map((lever) => (
              <LeverLine key={leverName(lever)} lever={lever} />
            ))}
          </ul>
        )}
      </section>
      <p className="text-ink-soft">
        The worth of an hour is what the best week would bring more with it; the least that is kept
        and the most that guests ask for stand in the table, {number(mix.lines.length)} services.
      </p>
    </aside>
  );
}

/** What the week could have, what that brings and costs, and the way to try it. */
function LeverLine({ lever }: { readonly lever: Lever }) {
  const { currency } = useHouse().settings;
  const { add } = useAddAndRemove('scenarios');
  const navigate = useNavigate();
  const { gainPerWeek, costPerWeek } = lever;
  const scenario = leverScenario(lever.lever, leverName(lever), () => asId(nanoid(12)));
  return (
    <li className="border-b border-line py-1.5">
      <span className="flex justify-between gap-3">
        <span>{leverName(lever)}</span>
        <span className="whitespace-nowrap">brings {money(gainPerWeek, currency)}</span>
      </span>
      <span className="flex items-start justify-between gap-3">
        <span className={gainPerWeek - costPerWeek >= 0 ? 'text-ink-soft' : 'text-clay'}>
          {costPerWeek > 0 && `costs ${money(costPerWeek, currency)} a week; `}
          {leverWords(lever, currency)}
        </span>
        {scenario && (
          <button
            type="button"
            className="whitespace-nowrap underline underline-offset-4"
            aria-label={`Try it as a scenario: ${leverName(lever)}`}
            onClick={() =>
              void add(scenario).then((isThere) => {
                if (isThere) void navigate(`/menu/what-if/${scenario.id}`);
              })
            }
          >
            Try it
          </button>
        )}
      </span>
    </li>
  );
}
