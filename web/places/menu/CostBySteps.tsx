import { Link } from 'react-router';
import type { StepCost } from '@bienestar/core/cost/costByStep';
import { money } from '../../format/figures';
import { figures, names, TableHead } from '../../parts/TableHead';

interface CostByStepsProps {
  readonly steps: readonly StepCost[];
  readonly protocolId: string;
  readonly currency: string;
}

/** What each step takes of the cost: things, hands, room. */
export function CostBySteps({ steps, protocolId, currency }: CostByStepsProps) {
  const dearest = Math.max(1, ...steps.map(({ sum }) => sum));
  return (
    <table className="w-full text-sm">
      <TableHead columns={[...names('Step'), ...figures('Things', 'Hands', 'Room', 'Together')]} />
      <tbody>
        {steps.map(({ stepId, name, things, hands, room, sum }) => (
          <tr key={stepId ?? 'rest'} className="border-b border-line text-right">
            <th scope="row" className="py-1.5 pr-3 text-left font-normal">
              {stepId === undefined ? (
                <span className="text-ink-soft italic">{name}</span>
              ) : (
                <Link
                  to={`/protocols/${protocolId}/${stepId}`}
                  className="hover:text-clay hover:underline"
                >
                  {name}
                </Link>
              )}
              <span aria-hidden className="mt-1 flex h-1.5">
                {[
                  ['bg-palm', things],
                  ['bg-clay', hands],
                  ['border border-line-strong bg-sunk', room],
                ].map(([look, part]) => (
                  <span
                    key={look}
                    className={String(look)}
                    style={{ width: `${(Math.max(0, Number(part)) / dearest) * 100}%` }}
                  />
                ))}
              </span>
            </th>
            {[things, hands, room].map((part, at) => (
              <td key={at} className="pl-3 align-top text-ink-soft">
                {part === 0 ? '–' : money(part, currency)}
              </td>
            ))}
            <td className="pl-3 align-top font-semibold">{money(sum, currency)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
