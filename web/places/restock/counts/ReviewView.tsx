import { Link } from 'react-router';
import type { Versioned } from '@bienestar/contract/api';
import type { CountRound } from '@bienestar/core/house/house';
import { countReview } from '@bienestar/core/restock/countReview';
import type { CountFinding } from '@bienestar/core/restock/countFinding';
import { amount, dayText, money, moneyChange, nearDay, percent } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { Loading } from '../../../parts/Loading';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { useCountHistoryQuery } from '../../../store/restockApi';
import { useChange } from '../../../store/useEditPart';
import { dayOf } from '@bienestar/core/days/days';
import { useTimeZone } from '../../../store/clock';
import { figures, names, TableHead, wide } from '../../../parts/TableHead';
import { countReasonWords } from '../restockWords';

const CELL = 'py-2 pl-4 text-right align-top first:pl-0 first:text-left';

/** What a count has found against what should be there, what it is worth, and why it may be so. */
export function ReviewView({ round }: { readonly round: Versioned<CountRound> }) {
  const house = useHouse();
  const restock = useRestock();
  const change = useChange('counts', round);
  const { data, isError, refetch } = useCountHistoryQuery(round.id);
  const { currency } = house.settings;
  if (!data) {
    return (
      <Loading what="Comparing with the ledger" failed={isError} onRetry={() => void refetch()} />
    );
  }
  const review = countReview(round, data, house, restock);
  return (
    <div className="flex flex-col gap-3">
      <div className="flex items-end gap-3">
        <div className="min-w-0 flex-1">
          <h2 className="text-2xl">{round.name}</h2>
          <p className="text-sm text-ink-soft">
            counted {dayText(round.startedOn)}
            {round.blind && ', without seeing what should be there'}
          </p>
        </div>
        <p className="text-right">
          <span className="font-serif text-xl">{money(review.missingMinor, currency)}</span>
          <span className="block text-sm text-ink-soft">
            missing{review.foundMinor > 0 && `, ${money(review.foundMinor, currency)} too much`}
          </span>
        </p>
        <Button onClick={() => void change({ endedOn: undefined })}>Go on counting</Button>
      </div>
      <table className="w-full text-sm">
        <TableHead
          columns={[
            ...names('Material'),
            ...wide(figures('Found', 'Should be')),
            ...figures('Difference', 'Worth'),
            ...wide(figures('Of what was used')),
          ]}
        />
        <tbody>
          {review.findings.map((finding) => (
            <FindingRow key={finding.material.id} finding={finding} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function FindingRow({ finding }: { readonly finding: CountFinding }) {
  const timeZone = useTimeZone();
  const house = useHouse();
  const { material, found, expected, difference, differenceMinor, shareOfUse, reasons, trend } =
    finding;
  const nameOf = (id: string): string =>
    house.services.find((service) => service.id === id)?.name ?? 'a service that is gone';
  const { unit } = material;
  return (
    <tr className="border-b border-line">
      <td className={CELL}>
        <Link
          to={`/shelf/${material.id}/left`}
          className="text-base font-medium hover:text-clay hover:underline"
        >
          {material.name}
        </Link>
        {reasons.length > 0 && (
          <span className="block">
            likely {reasons.map((reason) => countReasonWords(reason, nameOf)).join(', or ')}
          </span>
        )}
        {trend.length > 0 && (
          <span className="block text-ink-soft">
            before:{' '}
            {trend
              .map(
                ({ at, share, difference: then }) =>
                  `${share === null ? amount(then, unit) : percent(share)} on ${nearDay(dayOf(new Date(at), timeZone))}`,
              )
              .join(', ')}
          </span>
        )}
      </td>
      <td className={`${CELL} max-sm:hidden`}>{amount(found, unit)}</td>
      <td className={`${CELL} max-sm:hidden`}>{amount(expected, unit)}</td>
      <td className={`${CELL} ${difference < 0 ? 'font-semibold text-clay' : ''}`}>
        {difference === 0 ? 'none' : `${difference < 0 ? '▼ ' : '▲ +'}${amount(difference, unit)}`}
      </td>
      <td className={`${CELL} whitespace-nowrap`}>
        {difference === 0 ? '' : moneyChange(differenceMinor, house.settings.currency)}
      </td>
      <td className={`${CELL} max-sm:hidden`}>{shareOfUse === null ? '–' : percent(shareOfUse)}</td>
    </tr>
  );
}
