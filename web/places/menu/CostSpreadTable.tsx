import type { CostSpread } from '@bienestar/core/cost/costSpread';
import type { ExplainedService } from '@bienestar/core/explain/explainCost';
import { explainSpread } from '@bienestar/core/explain/explainSpread';
import { marginAt } from '@bienestar/core/price/marginAt';
import type { PriceFigures } from '@bienestar/core/price/priceOf';
import { money, number, percent } from '../../format/figures';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { figures, names, TableHead } from '../../parts/TableHead';

interface CostSpreadTableProps {
  readonly spread: CostSpread;
  readonly explained: ExplainedService;
  readonly price: PriceFigures;
  readonly currency: string;
}

const EXTREMES = ['low', 'usual', 'high'] as const;

/** What a visit costs when little goes and it is short, usually, and when much goes and it is long. */
export function CostSpreadTable({ spread, explained, price, currency }: CostSpreadTableProps) {
  const lines = [
    ['Things', 'things'],
    ['Hands', 'hands'],
    ['Room', 'room'],
    ['Full cost', 'full'],
  ] as const;
  return (
    <section aria-labelledby="spread-title" className="flex flex-col gap-2">
      <h2 id="spread-title" className="text-xl">
        From a light visit to a heavy one
      </h2>
      <table className="w-full text-sm">
        <TableHead
          columns={[...names('Part'), ...figures('Little, and short', 'Usual', 'Much, and long')]}
        />
        <tbody>
          {lines.map(([name, part]) => (
            <tr
              key={name}
              className={`border-b border-line text-right ${name === 'Full cost' ? 'font-semibold' : ''}`}
            >
              <th scope="row" className="py-1.5 text-left font-normal">
                {name}
              </th>
              {EXTREMES.map((which) => (
                <td key={which}>
                  <WorkedFigure
                    label={`${name}, ${which}`}
                    text={money(spread[part][which], currency)}
                    working={() => explainSpread(which, spread, explained)[part]}
                  />
                </td>
              ))}
            </tr>
          ))}
          <tr className="border-b border-line text-right">
            <th scope="row" className="py-1.5 text-left font-normal">
              Margin at {money(price.gross, currency)}
            </th>
            {EXTREMES.map((which) => (
              <td key={which}>{percent(marginAt(price, spread.full[which]))}</td>
            ))}
          </tr>
          <tr className="text-right text-ink-soft">
            <th scope="row" className="py-1.5 text-left font-normal">
              Room time
            </th>
            {EXTREMES.map((which) => (
              <td key={which}>{number(spread.minutes[which], 0)} min</td>
            ))}
          </tr>
        </tbody>
      </table>
      <p className="text-xs text-ink-soft">
        Amounts at their least and most; one visit in ten is shorter, one in ten longer.
      </p>
    </section>
  );
}
