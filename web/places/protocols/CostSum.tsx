import type { ServiceCost } from '@bienestar/core/cost/serviceCost';
import { shownCost } from '@bienestar/core/cost/shownCost';
import { COST_PART_TITLES, type CostPart } from '@bienestar/core/explain/explainCost';
import type { Working } from '@bienestar/core/explain/working';
import type { TherapistCharge } from '@bienestar/core/house/settings';
import { money, moneyChange } from '../../format/figures';
import { WorkedFigure } from '../../parts/working/WorkedFigure';

const PARTS: readonly CostPart[] = [
  'product',
  'consumables',
  'singleUse',
  'linen',
  'givenAway',
  'expires',
  'devices',
  'therapist',
  'direct',
  'room',
  'full',
];
/** Only told where there is any. */
const SELDOM: ReadonlySet<CostPart> = new Set(['singleUse', 'givenAway', 'expires', 'devices']);
const SUMS: ReadonlySet<CostPart> = new Set(['direct', 'full']);
const CHARGE_WORDS: Record<TherapistCharge, string> = {
  attended: 'attended minutes charged',
  slot: 'whole slot charged',
};

interface CostSumProps {
  readonly cost: ServiceCost;
  readonly opened: ServiceCost | undefined;
  readonly currency: string;
  readonly charge: TherapistCharge;
  readonly working: (part: CostPart) => Working;
}

/** What a visit costs, part by part, and what changed since the protocol was opened. */
export function CostSum({ cost, opened, currency, charge, working }: CostSumProps) {
  const shown = shownCost(cost);
  const before = opened && shownCost(opened);
  return (
    <table className="w-full text-sm">
      <caption className="sr-only">Cost of a visit</caption>
      <tbody>
        {PARTS.filter((part) => !SELDOM.has(part) || cost[part].usual > 0).map((part) => {
          const change = before ? shown[part] - before[part] : 0;
          const sum = SUMS.has(part);
          return (
            <tr key={part} className={sum ? 'border-t border-line-strong font-semibold' : ''}>
              <th
                scope="row"
                className={`py-0.5 text-left ${sum ? 'font-semibold' : 'font-normal'}`}
              >
                {COST_PART_TITLES[part]}
                {part === 'therapist' && (
                  <span className="block text-xs font-normal text-ink-soft">
                    {CHARGE_WORDS[charge]}
                  </span>
                )}
              </th>
              <td className="py-0.5 text-right align-top">
                <WorkedFigure
                  label={COST_PART_TITLES[part]}
                  text={money(shown[part], currency)}
                  working={() => working(part)}
                />
                {change !== 0 && (
                  <span className="block text-xs font-normal text-clay">
                    {moneyChange(change, currency)} since opened
                  </span>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
