import type { Variant } from '@bienestar/core/price/variants';
import { money, percent } from '../../format/figures';
import { Segments } from '../../parts/Segments';
import { useChangeSettings } from '../../store/useEditPart';
import { figures, names, TableHead } from '../../parts/TableHead';

interface OtherCountsProps {
  readonly variants: readonly Variant[];
  readonly charge: 'attended' | 'slot';
  readonly currency: string;
}

const CHARGE_WORDS = { attended: 'Attended minutes charged', slot: 'Whole slot charged' } as const;

/** What the same price leaves by who performs the visit, and with hands charged the other way. */
export function OtherCounts({ variants, charge, currency }: OtherCountsProps) {
  const change = useChangeSettings();
  return (
    <section aria-labelledby="other-counts" className="flex flex-col gap-2">
      <div className="flex flex-wrap items-end justify-between gap-x-4 gap-y-2">
        <h2 id="other-counts" className="text-xl">
          Counted another way
        </h2>
        <Segments
          label="The house charges"
          labelHidden
          value={charge}
          options={[
            { value: 'attended', label: 'attended minutes' },
            { value: 'slot', label: 'the whole slot' },
          ]}
          onChoose={(therapistCharge) => void change({ therapistCharge })}
        />
      </div>
      <table className="w-full text-sm">
        <TableHead
          columns={[
            ...names('Performed by, or charged for'),
            ...figures('Hands', 'Contribution', 'Margin'),
          ]}
        />
        <tbody>
          {variants.map(({ of, hands, figures }) => {
            const name = of.kind === 'performer' ? of.person.name : CHARGE_WORDS[of.charge];
            const now = of.kind === 'charge' && of.charge === charge;
            return (
              <tr key={name} className="border-b border-line text-right">
                <th scope="row" className="py-1.5 text-left font-normal">
                  {name}
                  {now && <span className="ml-2 text-ink-soft">as the house does</span>}
                </th>
                <td>{money(hands, currency)}</td>
                <td>{money(figures.contribution, currency)}</td>
                <td className={figures.margin < 0 ? 'text-clay' : ''}>
                  {figures.margin < 0 && '▲ '}
                  {percent(figures.margin)}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
