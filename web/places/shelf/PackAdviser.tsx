import { LIMITS, within } from '@bienestar/contract/limits';
import { explainPackInUse } from '@bienestar/core/explain/explainPackInUse';
import { packAdvice } from '@bienestar/core/cost/packAdvice';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import type { PackId } from '@bienestar/core/house/ids';
import { amount, money, number, percent, unitMoney } from '../../format/figures';
import { Button } from '../../parts/Button';
import { NumberField } from '../../parts/NumberField';
import { Problems } from '../../parts/Problems';
import { Sheet } from '../../parts/Sheet';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useHouse } from '../../store/house';
import { useRestocking } from '../../store/restock';
import { useChangeSettings } from '../../store/useEditPart';
import { adviceWords, placeWords } from './adviceWords';
import { figures, names, TableHead, untitled } from '../../parts/TableHead';
import { contentWords } from './materialWords';

interface PackAdviserProps {
  readonly material: BoughtMaterial;
  readonly open: boolean;
  readonly onClose: () => void;
  readonly onPrefer: (id: PackId) => Promise<string | undefined>;
}

const NO_DEMAND = { usesPerDay: 0, perDay: 0 };
const CELL = 'px-2 py-2.5 align-top';

/** Which pack is cheapest in use at today's demand, why, and what switching saves. */
export function PackAdviser({ material, open, onClose, onPrefer }: PackAdviserProps) {
  const house = useHouse();
  const { settings, suppliers } = house;
  const { currency, orderDays } = settings;
  const restocking = useRestocking(material.id);
  const changeSettings = useChangeSettings();
  const demand = restocking?.demand ?? NO_DEMAND;
  const advice = packAdvice(material, demand, orderDays, house);
  const best = advice.ok ? advice.value.ranked[0] : undefined;
  return (
    <Sheet
      open={open}
      onClose={onClose}
      wide
      title={`Packs of ${material.name}`}
      description={`At ${amount(demand.perDay * 7, material.unit)} a week in ${number(demand.usesPerDay * 7)} uses, as expected.`}
    >
      {!advice.ok && <Problems problems={advice.problems} />}
      {advice.ok && best && (
        <div className="flex flex-col gap-5">
          <p className="border-l-2 border-palm pl-4 font-serif text-lg">
            {adviceWords(advice.value, material, currency)}
          </p>
          <table className="w-full text-sm">
            <TableHead
              columns={[
                ...names('Pack'),
                ...figures(`Per ${material.unit}`),
                ...names('Used before it is over'),
                ...figures('In use', 'A year'),
                untitled('Choose'),
              ]}
              cell={CELL}
            />
            <tbody>
              {advice.value.ranked.map((each) => {
                const words = contentWords(each.pack, material.unit, material.kind);
                const preferred = each.pack.id === material.preferredPackId;
                const supplier = suppliers.find(({ id }) => id === each.pack.supplierId);
                return (
                  <tr
                    key={each.pack.id}
                    className={`border-b border-line ${each === best ? 'bg-palm-wash' : ''}`}
                  >
                    <th scope="row" className={`${CELL} pl-2! text-left font-normal`}>
                      <strong className="text-base">{words}</strong>{' '}
                      {money(each.pack.priceMinor, currency)}
                      <span className="block text-ink-soft">
                        {supplier?.name} · {placeWords(each, best)}
                      </span>
                    </th>
                    <td className={`${CELL} text-right`}>{unitMoney(each.perUnit, currency)}</td>
                    <td className={CELL}>
                      <UsedBar share={each.usedShare} />
                    </td>
                    <td className={`${CELL} text-right`}>
                      <WorkedFigure
                        label={`In use, ${words}`}
                        text={unitMoney(each.inUse, currency)}
                        working={() => explainPackInUse(material, each, demand, house)}
                      />
                    </td>
                    <td className={`${CELL} text-right`}>{money(each.perYear, currency)}</td>
                    <td className={`${CELL} pr-2! text-right`}>
                      {preferred ? (
                        <span className="text-palm">preferred</span>
                      ) : (
                        <Button
                          aria-label={`Prefer ${words} of ${supplier?.name ?? ''}`}
                          onClick={() => void onPrefer(each.pack.id)}
                        >
                          Prefer
                        </Button>
                      )}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <NumberField
            className="w-56"
            label="The house buys at once for"
            unit="days"
            commitOn="leaving"
            hint="Decides which discount break an order reaches."
            value={orderDays}
            check={within(LIMITS.orderDays)}
            onCommit={(days) => changeSettings({ orderDays: days })}
          />
        </div>
      )}
    </Sheet>
  );
}

/** The share that is used, drawn as a vessel lying down: what is left open is what is thrown away. */
function UsedBar({ share }: { readonly share: number }) {
  return (
    <span className="flex items-center gap-2">
      <span aria-hidden className="block h-3 w-24 border border-line-strong">
        <span className="block h-full bg-palm" style={{ width: `${share * 100}%` }} />
      </span>
      {percent(share, share > 0.995 ? 0 : 1)}
    </span>
  );
}
