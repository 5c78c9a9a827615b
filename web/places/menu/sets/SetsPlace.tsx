import { nanoid } from '@reduxjs/toolkit';
import { ArrowLeft } from 'lucide-react';
import { useMemo, useState, type ReactNode } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { within } from '@bienestar/contract/limits';
import { minorPerMajor } from '@bienestar/contract/currency';
import { explainCost, type ExplainedService } from '@bienestar/core/explain/explainCost';
import { explainInUse, explainProduct } from '@bienestar/core/explain/explainSpread';
import type { Working } from '@bienestar/core/explain/working';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { Change, Service } from '@bienestar/core/house/house';
import { asId, type ScenarioId } from '@bienestar/core/house/ids';
import { applyScenario } from '@bienestar/core/whatIf/compareScenarios';
import {
  plannedPerMonth,
  twoSets,
  type SetFigures,
  type TwoSets,
} from '@bienestar/core/whatIf/kitOrBulk';
import { money, number } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { NothingHere } from '../../../parts/NothingHere';
import { NumberField } from '../../../parts/NumberField';
import { Problems } from '../../../parts/Problems';
import { StepChart } from '../../../parts/StepChart';
import { WorkedFigure } from '../../../parts/working/WorkedFigure';
import { useFigures, useHouse } from '../../../store/house';
import { useAddAndRemove } from '../../../store/useEditPart';
import { figures, names, TableHead } from '../../../parts/TableHead';
import { explainedOf } from '../workings';
import { newChangeId } from '../whatIf/newChange';
import { OtherSet, type Swaps } from './OtherSet';
import { breakEvenWords } from './setWords';

const calculate = createCalculator(2);
const MOST_VISITS = 1000;
const MOST_MINUTES = 120;

/** Kit or bulk: another set of materials for the same steps, beside the one that is drawn today. */
export function SetsPlace() {
  const { serviceId = '' } = useParams();
  const service = useHouse().services.find(({ id }) => id === serviceId);
  if (!service) return <NothingHere what="There is no such service on the menu." />;
  return <Sets key={service.id} service={service} />;
}

function Sets({ service }: { readonly service: Service }) {
  const house = useHouse();
  const figures = useFigures();
  const navigate = useNavigate();
  const { add, busy } = useAddAndRemove('scenarios');
  const [swaps, setSwaps] = useState<Swaps>(new Map());
  const [minutes, setMinutes] = useState(0);
  const [visits, setVisits] = useState(() =>
    Math.max(1, Math.round(plannedPerMonth(house, service))),
  );
  const changes = useMemo(
    (): readonly Change[] => [
      ...[...swaps].map(([from, { to, amount }]): Change => ({
        id: newChangeId(),
        kind: 'swap',
        from,
        to,
        amount,
        protocolId: service.protocolId,
      })),
      ...(minutes === 0
        ? []
        : [
            {
              id: newChangeId(),
              kind: 'minutes' as const,
              phase: 'prepare' as const,
              byMinutes: minutes,
              protocolId: service.protocolId,
            },
          ]),
    ],
    [swaps, minutes, service.protocolId],
  );
  const { sides, sets } = useMemo(() => {
    const other = applyScenario(house, { changes }).house;
    const sides = [
      { house, figures },
      { house: other, figures: calculate(other) },
    ] as const;
    return { sides, sets: twoSets(service.id, visits, ...sides) };
  }, [house, figures, changes, service.id, visits]);
  const keep = async (): Promise<void> => {
    const id = asId<ScenarioId>(nanoid(12));
    const name = `Another set for ${service.name}`.slice(0, 120);
    if (await add({ id, name, changes })) await navigate(`/menu/what-if/${id}`);
  };
  return (
    <div className="flex h-full flex-col">
      <header className="flex h-14 shrink-0 items-center gap-3 border-b border-line px-6">
        <Link
          to={`/menu/${service.id}/price`}
          aria-label="Back to cost and price"
          title="Back to cost and price"
          className="inline-flex size-8 items-center justify-center rounded-sm text-ink-soft hover:bg-sunk"
        >
          <ArrowLeft aria-hidden size={18} />
        </Link>
        <h1 className="min-w-0 flex-1 truncate text-2xl">Kit or bulk: {service.name}</h1>
        <Button disabled={busy || changes.length === 0} onClick={() => void keep()}>
          Keep as a scenario
        </Button>
      </header>
      <div className="columns-of-place lg:grid-cols-2">
        <section
          aria-label="The other set"
          className="flex min-h-0 flex-col gap-4 overflow-y-auto border-r border-line px-6 py-5"
        >
          <p className="text-sm text-ink-soft">
            Choose what is drawn instead; what is not chosen stays as it is today.
          </p>
          <OtherSet service={service} swaps={swaps} onSwaps={setSwaps} />
          <div className="grid grid-cols-2 items-start gap-3">
            <NumberField
              label="The tray takes longer by"
              unit="min"
              hint="below 0 is shorter"
              commitOn="leaving"
              value={minutes}
              check={within({ least: -MOST_MINUTES, most: MOST_MINUTES })}
              onCommit={setMinutes}
            />
            <NumberField
              label="Visits"
              unit="a month"
              commitOn="leaving"
              value={visits}
              check={within({ least: 0.1, most: MOST_VISITS })}
              onCommit={setVisits}
            />
          </div>
        </section>
        <section
          aria-label="Side by side"
          className="flex min-h-0 flex-col gap-5 overflow-y-auto bg-sheet px-6 py-5"
        >
          {!sets.ok && <Problems problems={sets.problems} />}
          {sets.ok && (
            <SideBySide
              sets={sets.value}
              explained={sides.map((side) => {
                const of = side.figures.services.get(service.id);
                return of && explainedOf(side.house, service, of);
              })}
              chosen={changes.length > 0}
            />
          )}
        </section>
      </div>
    </div>
  );
}

interface SideBySideProps {
  readonly sets: TwoSets;
  /** of either side */
  readonly explained: readonly (ExplainedService | undefined)[];
  /** anything is drawn otherwise */
  readonly chosen: boolean;
}

function SideBySide({ sets, explained, chosen }: SideBySideProps) {
  const { currency } = useHouse().settings;
  const perMajor = minorPerMajor(currency);
  const { one, other, curve } = sets;
  const both = (
    label: string,
    minor: (side: SetFigures) => number,
    working: (of: ExplainedService, side: SetFigures) => Working,
  ): readonly [string, ReactNode, ReactNode] => {
    const [a, b] = [one, other].map((side, at) => {
      const of = explained[at];
      const text = money(minor(side), currency);
      return of ? (
        <WorkedFigure key={label} label={label} text={text} working={() => working(of, side)} />
      ) : (
        text
      );
    });
    return [label, a, b];
  };
  const lines: readonly (readonly [string, ReactNode, ReactNode])[] = [
    both('Product in a visit', ({ product }) => product, explainProduct),
    ['Thrown away in a visit', money(one.waste, currency), money(other.waste, currency)],
    ['Setting up', `${number(one.trayMinutes, 1)} min`, `${number(other.trayMinutes, 1)} min`],
    both(
      'Hands',
      ({ hands }) => hands,
      (of) => explainCost('therapist', of),
    ),
    [
      'On the shelf after an order',
      money(one.stockHeld, currency),
      money(other.stockHeld, currency),
    ],
    both(
      'Direct cost of a visit',
      ({ direct }) => direct,
      (of, { openTooLong }) => explainInUse(openTooLong, of),
    ),
  ];
  return (
    <>
      <table className="w-full text-sm">
        <TableHead columns={[...names('Figure'), ...figures('As today', 'The other set')]} />
        <tbody>
          {lines.map(([name, a, b], at) => (
            <tr
              key={name}
              className={`border-b border-line text-right ${at === lines.length - 1 ? 'font-semibold' : ''}`}
            >
              <th scope="row" className="py-1.5 text-left font-normal">
                {name}
              </th>
              <td>{a}</td>
              <td>{b}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p role="status" className="border-l-2 border-palm pl-3 font-serif text-lg">
        {chosen ? breakEvenWords(sets) : 'Both are the same set so far.'}
      </p>
      {chosen && (
        <section aria-labelledby="by-visits">
          <h2 id="by-visits" className="text-lg">
            Direct cost of a visit, by visits a month
          </h2>
          <StepChart
            joined
            label="Direct cost of a visit by visits a month"
            labels={curve.map(({ visits }) => String(visits))}
            series={[
              { name: 'As today', values: curve.map((each) => each.one / perMajor) },
              { name: 'The other set', values: curve.map((each) => each.other / perMajor) },
            ]}
            textOf={(value) => money(value * perMajor, currency)}
          />
          <details className="text-sm">
            <summary className="text-ink-soft">As a table</summary>
            <table className="mt-1 w-full">
              <TableHead
                columns={[...names('Visits a month'), ...figures('As today', 'The other set')]}
              />
              <tbody>
                {curve
                  .filter(({ visits }) => visits <= 10 || visits % 10 === 0)
                  .map(({ visits, one: a, other: b }) => (
                    <tr key={visits} className="border-b border-line text-right">
                      <th scope="row" className="py-1 text-left font-normal">
                        {visits}
                      </th>
                      <td>{money(a, currency)}</td>
                      <td>{money(b, currency)}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </details>
        </section>
      )}
    </>
  );
}
