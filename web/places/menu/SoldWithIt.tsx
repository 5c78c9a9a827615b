import type { Retail } from '@bienestar/core/price/retail';
import { money, percent } from '../../format/figures';
import { spoken } from '../../format/protocolWords';
import { TableHead, figures, names } from '../../parts/TableHead';

interface SoldWithItProps {
  readonly retail: Retail;
  readonly currency: string;
}

/** What is recommended to buy after the visit, and what it leaves beside the price. */
export function SoldWithIt({ retail, currency }: SoldWithItProps) {
  return (
    <section aria-labelledby="sold-with-it" className="flex flex-col gap-2">
      <h2 id="sold-with-it" className="text-xl">
        Sold with it
      </h2>
      <table className="w-full text-sm">
        <TableHead
          columns={[
            ...names('Recommended'),
            ...figures('Sold for', 'Cost of one', 'A sale leaves', 'Guests who buy', 'A visit'),
          ]}
        />
        <tbody>
          {retail.lines.map((line) => (
            <tr key={line.materialId} className="border-b border-line text-right align-top">
              <th scope="row" className="py-1.5 pr-3 text-left font-normal">
                <span className="font-semibold">{line.name}</span>
                {line.finding && (
                  <span className="block text-ink-soft">for {spoken(line.finding)}</span>
                )}
                {line.priceMinor === undefined && (
                  <span className="block text-clay">
                    Say on the shelf what it is sold for, as something that guests take home.
                  </span>
                )}
              </th>
              {[line.priceMinor, line.costMinor, line.leavesMinor].map((minor, at) => (
                <td key={at} className="py-1.5 pl-4 whitespace-nowrap">
                  {minor === undefined ? '–' : money(minor, currency)}
                </td>
              ))}
              <td className="py-1.5 pl-4">{percent(line.takeUp)}</td>
              <td className="py-1.5 pl-4 whitespace-nowrap">
                {money(line.perVisitMinor, currency)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-sm text-ink-soft">
        On average a visit leaves {money(retail.perVisitMinor, currency)} more by what is sold. It
        stands in no price, and apart from what is given away.
      </p>
    </section>
  );
}
