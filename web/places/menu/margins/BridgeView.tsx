import { Link } from 'react-router';
import { minorPerMajor } from '@bienestar/contract/currency';
import type { Service } from '@bienestar/core/house/house';
import { gatheredParts, type Bridge } from '@bienestar/core/watch/bridge';
import type { HistoryPoint, Memory } from '@bienestar/core/watch/history';
import { NotWorkedOut } from '../../../parts/NotWorkedOut';
import { dayText, money, percent } from '../../../format/figures';
import { StepChart } from '../../../parts/StepChart';
import { useHouse } from '../../../store/house';
import { partName, partWords, points } from './bridgeWords';
import { useServiceHistory } from './useMemory';
import { figures, names, TableHead } from '../../../parts/TableHead';
import { useToday } from '../../../store/clock';

interface BridgeViewProps {
  readonly service: Service;
  /** nothing where nothing has moved it */
  readonly bridge: Bridge | undefined;
  readonly since: string;
  readonly memory: Memory | undefined;
}

/** From a service's old margin to its new one, cause by cause; and its cost and price from day to day. */
export function BridgeView({ service, bridge, since, memory }: BridgeViewProps) {
  const house = useHouse();
  const { answer: history, hasFailed } = useServiceHistory(house, memory, service.id);
  return (
    <div className="flex flex-col gap-5">
      <div>
        <h2 className="text-xl">
          <Link to={`/menu/${service.id}/price`} className="hover:text-clay hover:underline">
            {service.name}
          </Link>
        </h2>
        <p className="text-sm text-ink-soft">
          {bridge
            ? `${percent(bridge.before.margin)} on ${dayText(since)}, ${percent(bridge.after.margin)} now`
            : `Nothing has moved its margin since ${dayText(since)}.`}
        </p>
      </div>
      {bridge && <BridgeTable bridge={bridge} />}
      {history && history.length > 0 && <History history={history} />}
      {hasFailed && <NotWorkedOut what="Its price and cost over time" />}
    </div>
  );
}

/** The parts of a bridge, each drawn from where the one before has left off. */
function BridgeTable({ bridge }: { readonly bridge: Bridge }) {
  const { currency } = useHouse().settings;
  const { before, after } = bridge;
  const parts = gatheredParts(bridge.parts);
  const ends = parts.reduce<number[]>(
    (levels, part) => [...levels, (levels.at(-1) ?? 0) + part.margin],
    [before.margin],
  );
  const least = Math.min(...ends, after.targetMargin);
  const most = Math.max(...ends, after.targetMargin);
  const room = most - least || 1;
  const across = (margin: number): number => ((margin - least) / room) * 100;
  return (
    <table className="w-full text-sm">
      <caption className="sr-only">What moved the margin</caption>
      <tbody>
        {parts.map((part, at) => {
          const from = ends[at] ?? 0;
          const to = ends[at + 1] ?? 0;
          const fell = part.margin < 0;
          return (
            <tr key={`${part.cause}-${part.name ?? ''}`} className="border-b border-line">
              <th scope="row" className="py-1.5 pr-3 text-left align-top font-normal">
                {partName(part)}
                <span className="block text-ink-soft">{partWords(part, currency)}</span>
              </th>
              <td className="w-36 py-1.5 align-top">
                <span aria-hidden className="relative mt-1 block h-3 bg-sunk">
                  <span
                    className={`absolute inset-y-0 min-w-px ${fell ? 'bg-clay' : 'bg-palm'}`}
                    style={{
                      left: `${across(Math.min(from, to))}%`,
                      width: `${across(Math.max(from, to)) - across(Math.min(from, to))}%`,
                    }}
                  />
                  <span
                    className="absolute -inset-y-1 border-l border-dashed border-ink"
                    style={{ left: `${across(after.targetMargin)}%` }}
                  />
                </span>
              </td>
              <td className="w-24 py-1.5 text-right align-top">{points(part.margin)}</td>
            </tr>
          );
        })}
        {parts.length === 0 && (
          <tr>
            <td className="py-1.5 text-ink-soft">Nothing has moved it since.</td>
          </tr>
        )}
        <tr className="font-semibold">
          <th scope="row" className="py-1.5 text-left">
            Now {percent(after.margin)}, target {percent(after.targetMargin)}
          </th>
          <td className="text-right text-xs font-normal text-ink-soft">target ┆</td>
          <td className="py-1.5 text-right">{points(after.margin - before.margin)}</td>
        </tr>
      </tbody>
    </table>
  );
}

function History({ history }: { readonly history: readonly HistoryPoint[] }) {
  const { currency } = useHouse().settings;
  const perMajor = minorPerMajor(currency);
  const today = useToday();
  const days = [...new Set([...history.map(({ on }) => on), today])];
  const figure = (of: 'gross' | 'fullCost') =>
    days.map((day) => {
      const then = history.findLast(({ on }) => on <= day);
      return then ? then[of] / perMajor : null;
    });
  return (
    <section aria-labelledby="history-title">
      <h3 id="history-title" className="text-lg">
        Price and cost over time
      </h3>
      <StepChart
        label="Price and full cost over time"
        labels={days.map(dayText)}
        series={[
          { name: 'Price', values: figure('gross') },
          { name: 'Full cost', values: figure('fullCost') },
        ]}
        textOf={(value) => money(value * perMajor, currency)}
      />
      <details className="text-sm">
        <summary className="text-ink-soft">As a table</summary>
        <table className="mt-1 w-full">
          <TableHead columns={[...names('From'), ...figures('Price', 'Full cost', 'Margin')]} />
          <tbody>
            {history.toReversed().map(({ on, gross, fullCost, margin }) => (
              <tr key={on} className="border-b border-line text-right">
                <th scope="row" className="py-1 text-left font-normal">
                  {dayText(on)}
                </th>
                <td>{money(gross, currency)}</td>
                <td>{money(fullCost, currency)}</td>
                <td>{percent(margin)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </section>
  );
}
