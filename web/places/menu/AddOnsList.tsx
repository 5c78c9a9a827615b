import { Link } from 'react-router';
import { explainAddOn, explainToPay } from '@bienestar/core/explain/explainAddOn';
import type { AddOn } from '@bienestar/core/figures/addOns';
import { money, number, percent } from '../../format/figures';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useHouse } from '../../store/house';
import { figures, names, TableHead } from '../../parts/TableHead';

interface AddOnsListProps {
  readonly addOns: readonly AddOn[];
}

/** What may be offered within the visit: whether it fits into free time, and what it brings. */
export function AddOnsList({ addOns }: AddOnsListProps) {
  const { settings } = useHouse();
  const { currency } = settings;
  return (
    <section aria-labelledby="add-ons" className="flex flex-col gap-2">
      <h2 id="add-ons" className="text-xl">
        Offered within it
      </h2>
      <table className="w-full text-sm">
        <TableHead
          columns={[
            ...names('Add-on'),
            ...figures('Price', 'It takes', 'It brings', 'To pay', 'Room hour, both'),
          ]}
        />
        <tbody>
          {addOns.map((addOn) => (
            <tr key={addOn.service.id} className="border-b border-line text-right align-top">
              <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                <Link
                  to={`/menu/${addOn.service.id}/price`}
                  className="font-semibold hover:text-clay hover:underline"
                >
                  {addOn.service.name}
                </Link>
                <span className="block text-ink-soft">
                  {fitWords(addOn)}. {payWords(addOn, currency)}
                </span>
              </th>
              <td className="py-1.5 pl-4 whitespace-nowrap">
                {money(addOn.figures.gross, currency)}
              </td>
              <td className="py-1.5 pl-4 whitespace-nowrap">
                {money(addOn.extraDirect + addOn.extraRoom, currency)}
              </td>
              <td className="py-1.5 pl-4 whitespace-nowrap">
                <WorkedFigure
                  label="It brings"
                  text={money(addOn.figures.contribution, currency)}
                  working={() => explainAddOn(addOn, settings)}
                />
              </td>
              <td className="py-1.5 pl-4">
                {addOn.toPay === null ? (
                  '–'
                ) : (
                  <WorkedFigure
                    label="To pay"
                    text={number(addOn.toPay, 0)}
                    working={() => explainToPay(addOn, settings)}
                  />
                )}
              </td>
              <td className="py-1.5 pl-4 whitespace-nowrap">
                {money(addOn.togetherPerRoomHour, currency)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function payWords({ stake, toPay }: AddOn, currency: string): string {
  if (stake === 0) return 'Nothing is bought for it alone.';
  return toPay === null
    ? `It never pays for the ${money(stake, currency)} of packs bought for it alone.`
    : `${number(toPay, 0)} pay for the ${money(stake, currency)} of packs bought for it alone.`;
}

function fitWords({
  stepName,
  ownMinutes,
  freeMinutes,
  extraSlotMinutes,
  chanceOver,
}: AddOn): string {
  const there = `${number(ownMinutes, 0)} min at “${stepName}”, ${number(freeMinutes, 0)} of them free`;
  if (extraSlotMinutes > 0) return `${there}: the slot grows by ${number(extraSlotMinutes, 0)} min`;
  return chanceOver > 0.005
    ? `${there}: the slot stays, ${percent(chanceOver, 0)} of visits run over`
    : `${there}: fits, the slot stays`;
}
