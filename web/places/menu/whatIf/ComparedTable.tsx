import { Link } from 'react-router';
import type { Working } from '@bienestar/core/explain/working';
import type { HouseFigures } from '@bienestar/core/figures/houseFigures';
import type { Change, House, Service } from '@bienestar/core/house/house';
import type { ServiceId } from '@bienestar/core/house/ids';
import type { Scenario } from '@bienestar/core/house/scenario';
import type {
  ComparedScenario,
  ComparedService,
  Side,
} from '@bienestar/core/whatIf/compareScenarios';
import { money, moneyChange, percent } from '../../../format/figures';
import { WorkedFigure } from '../../../parts/working/WorkedFigure';
import { useFigures, useHouse, useSnapshot } from '../../../store/house';
import { useChangeOf } from '../../../store/useEditPart';
import { newChangeId } from './newChange';
import { WeekOf } from './WeekOf';
import { workingsOf, type MenuWorkings } from '../workings';

interface ComparedTableProps {
  /** the one in hand in front */
  readonly compared: readonly ComparedScenario[];
}

const CELL = 'px-2 py-1.5 align-baseline whitespace-nowrap last:pr-6';

/** Every service today and in each scenario, and the week of the house. */
export function ComparedTable({ compared }: ComparedTableProps) {
  const { currency } = useHouse().settings;
  const hold = useHold();
  const [first] = compared;
  if (!first) return null;
  return (
    <div className="flex min-h-0 flex-col">
      <div
        className="min-h-0 flex-1 overflow-auto"
        tabIndex={0}
        role="group"
        aria-label="Services compared"
      >
        <table className="w-full text-sm">
          <thead className="sticky top-0 z-10 bg-paper text-xs text-ink-soft">
            <tr>
              <th
                rowSpan={2}
                scope="col"
                className="border-b border-line-strong px-2 pb-1 pl-6 text-left align-bottom font-semibold"
              >
                Service
              </th>
              <th
                colSpan={3}
                scope="colgroup"
                className="px-2 pt-3 text-right font-serif text-base font-bold text-ink"
              >
                Today
              </th>
              {compared.map(({ scenario }) => (
                <th
                  key={scenario.id}
                  colSpan={3}
                  scope="colgroup"
                  className="max-w-48 border-l border-line px-2 pt-3 text-right font-serif text-base font-bold text-clay last:pr-6"
                >
                  {scenario.name}
                </th>
              ))}
            </tr>
            <tr className="border-b border-line-strong text-right">
              <Heads titles={['Full cost', 'Price', 'Margin']} />
              {compared.map(({ scenario }) => (
                <Heads key={scenario.id} titles={['Full cost', 'Margin', 'To hold it']} ruled />
              ))}
            </tr>
          </thead>
          <tbody>
            {first.services.map(({ service, today }, at) => (
              <tr key={service.id} className="border-b border-line text-right hover:bg-sunk/60">
                <th scope="row" className="px-2 py-1.5 pl-6 text-left font-normal">
                  <Link
                    to={`/menu/${service.id}/price`}
                    className="hover:text-clay hover:underline"
                  >
                    {service.name}
                  </Link>
                </th>
                <Today service={service} today={today} />
                {compared.map(({ scenario, services, tried, figures }) => (
                  <Then
                    key={scenario.id}
                    of={services[at]}
                    workings={thenWorkings(tried.house, services[at]?.service, figures)}
                    currency={currency}
                    alone={compared.length === 1}
                    scenarioName={scenario.name}
                    onHold={(grossMinor) => hold(scenario, service.id, grossMinor)}
                  />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <section
        aria-label="The week of the house"
        className="grid shrink-0 grid-cols-[repeat(auto-fit,minmax(15rem,1fr))] gap-x-8 gap-y-2 border-t border-line-strong bg-sheet px-6 py-3 text-sm"
      >
        {compared.map((each) => (
          <WeekOf key={each.scenario.id} compared={each} currency={currency} />
        ))}
      </section>
    </div>
  );
}

function Heads({
  titles,
  ruled,
}: {
  readonly titles: readonly string[];
  readonly ruled?: boolean;
}) {
  return titles.map((title, at) => (
    <th
      key={title}
      scope="col"
      className={`px-2 pb-1 font-semibold whitespace-nowrap last:pr-6 ${ruled === true && at === 0 ? 'border-l border-line' : ''}`}
    >
      {title}
    </th>
  ));
}

/** Puts the price of a service into a scenario, in the place of another one that it has for it. */
function useHold(): (scenario: Scenario, serviceId: ServiceId, grossMinor: number) => void {
  const { scenarios } = useSnapshot();
  const change = useChangeOf('scenarios');
  return ({ id }, serviceId, grossMinor) => {
    const scenario = scenarios.find((each) => each.id === id);
    if (!scenario) return;
    const isPriceOfIt = (each: Change): boolean =>
      each.kind === 'price' && each.serviceId === serviceId;
    const price: Change = { id: newChangeId(), kind: 'price', serviceId, grossMinor };
    void change(scenario, ({ changes }) => ({
      changes: [...changes.filter((each) => !isPriceOfIt(each)), price],
    }));
  };
}

interface ThenProps {
  readonly of: ComparedService | undefined;
  readonly workings: MenuWorkings | undefined;
  readonly currency: string;
  /** there is room for what moved beside the figure */
  readonly alone: boolean;
  readonly scenarioName: string;
  /** takes that price into the scenario */
  readonly onHold: (grossMinor: number) => void;
}

/** A service in one scenario: its cost, its margin, and the price that would keep today's margin. */
function Then({ of, workings, currency, alone, scenarioName, onHold }: ThenProps) {
  const { today, then, toHold } = of ?? {};
  if (!then) {
    return (
      <td colSpan={3} className={`${CELL} border-l border-line text-clay`}>
        ▲ cannot be counted
      </td>
    );
  }
  const dearer = today !== undefined && toHold !== undefined && toHold > today.gross;
  return (
    <>
      <td className={`${CELL} border-l border-line`}>
        {today && alone && <Moved by={then.fullCost - today.fullCost} currency={currency} beside />}
        <Worked
          label="Full cost then"
          text={money(then.fullCost, currency)}
          working={workings?.full}
        />
        {today && !alone && <Moved by={then.fullCost - today.fullCost} currency={currency} />}
      </td>
      <td className={`${CELL} ${then.belowFloor || then.underTarget ? 'text-clay' : ''}`}>
        {then.belowFloor ? '▲ loses money, ' : then.underTarget ? '▲ under target, ' : ''}
        <Worked label="Margin then" text={percent(then.margin)} working={workings?.margin} />
        {then.gross !== today?.gross && (
          <span className={`text-xs text-ink-soft ${alone ? 'ml-2' : 'block'}`}>
            at {money(then.gross, currency)}
          </span>
        )}
      </td>
      <td className={`${CELL} ${dearer ? 'font-semibold' : 'text-ink-soft'}`}>
        {toHold === undefined || toHold === then.gross ? (
          '–'
        ) : (
          <button
            type="button"
            aria-label={`Charge ${money(toHold, currency)} for ${of?.service.name ?? ''} in ${scenarioName}`}
            title="Charge this price in the scenario"
            className="underline decoration-dotted underline-offset-4 hover:text-clay"
            onClick={() => onHold(toHold)}
          >
            {money(toHold, currency)}
          </button>
        )}
      </td>
    </>
  );
}

interface WorkedProps {
  readonly label: string;
  readonly text: string;
  readonly working: (() => Working) | undefined;
}

function Worked({ label, text, working }: WorkedProps) {
  return working ? <WorkedFigure label={label} text={text} working={working} /> : text;
}

function Today({
  service,
  today,
}: {
  readonly service: Service;
  readonly today: Side | undefined;
}) {
  const house = useHouse();
  const figures = useFigures().services.get(service.id);
  const { currency } = house.settings;
  const workings = figures && workingsOf(house, service, figures);
  if (!today) {
    return (
      <td colSpan={3} className={CELL}>
        –
      </td>
    );
  }
  return (
    <>
      <td className={CELL}>
        <Worked label="Full cost" text={money(today.fullCost, currency)} working={workings?.full} />
      </td>
      <td className={CELL}>
        <Worked label="Price" text={money(today.gross, currency)} working={workings?.gross} />
      </td>
      <td className={CELL}>
        <Worked label="Margin" text={percent(today.margin)} working={workings?.margin} />
      </td>
    </>
  );
}

function thenWorkings(
  house: House,
  service: Service | undefined,
  figures: HouseFigures,
): MenuWorkings | undefined {
  const of = service && figures.services.get(service.id);
  return of && workingsOf(house, service, of);
}

interface MovedProps {
  readonly by: number;
  readonly currency: string;
  readonly beside?: boolean;
}

function Moved({ by, currency, beside = false }: MovedProps) {
  if (Math.abs(by) < 0.5) return null;
  return (
    <span className={`text-xs text-ink-soft ${beside ? 'mr-3' : 'block'}`}>
      {moneyChange(by, currency)}
    </span>
  );
}
