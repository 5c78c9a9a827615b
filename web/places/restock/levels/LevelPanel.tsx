import { useMemo } from 'react';
import { Link } from 'react-router';
import {
  explainOrderSize,
  explainPosition,
  explainReorderPoint,
} from '@bienestar/core/explain/explainReorder';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import type { Outcome } from '@bienestar/core/problem/problem';
import type { Review } from '@bienestar/core/house/restock';
import { schoolsOf } from '@bienestar/core/restock/restockRules';
import { takesLonger, type Restocking } from '@bienestar/core/restock/restocking';
import { whyUnused, type Unused } from '@bienestar/core/restock/unused';
import { amount, counted, dayText, money, number, percent } from '../../../format/figures';
import { Fold } from '../../../parts/Fold';
import { Problems } from '../../../parts/Problems';
import { WorkedFigure } from '../../../parts/working/WorkedFigure';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { contentWords } from '../../shelf/materialWords';
import { coverWords, howWords, REVIEW_WORDS, unusedWords, withoutWords } from '../restockWords';
import { AheadView } from './AheadView';
import { LevelFields } from './LevelFields';
import { figures, names, TableHead } from '../../../parts/TableHead';
import { OnHandField } from './OnHandField';

/** Why it is never ordered, and where to change that. */
function NeverOrdered({ unused }: { readonly unused: Unused }) {
  return (
    <p className="border-l-2 border-palm pl-3 text-sm">
      {unusedWords(unused)}{' '}
      {unused.because === 'nowhere' ? (
        <Link to="/protocols" className="underline underline-offset-4">
          Protocols
        </Link>
      ) : (
        <Link to="/restock/demand" className="underline underline-offset-4">
          Who comes
        </Link>
      )}
    </p>
  );
}

interface LevelPanelProps {
  readonly material: BoughtMaterial;
  readonly of: Outcome<Restocking>;
}

/** One material: when it is ordered by each school, what that risks, and the weeks ahead. */
export function LevelPanel({ material, of }: LevelPanelProps) {
  if (!of.ok) return <Problems problems={of.problems} />;
  return <Known material={material} restocking={of.value} />;
}

function Known({
  material,
  restocking,
}: {
  readonly material: BoughtMaterial;
  readonly restocking: Restocking;
}) {
  const house = useHouse();
  const restock = useRestock();
  const { unit } = material;
  const { position, orderSize, pack, supplier, servedFromShelf, withoutPerYear, wastePerYear } =
    restocking;
  const { currency } = house.settings;
  const unused = whyUnused(material.id, house, restock);
  return (
    <div className="flex flex-col gap-4">
      <div className="flex items-start gap-3">
        <div className="min-w-0 flex-1">
          <h2 className="text-2xl">
            <Link to={`/shelf/${material.id}/left`} className="hover:text-clay hover:underline">
              {material.name}
            </Link>
          </h2>
          <p className="text-sm text-ink-soft">
            {supplier.name}, {contentWords(pack, unit)}; {coverWords(restocking, restock.today)}
          </p>
        </div>
        <OnHandField material={material} onHand={position.onHand} />
      </div>
      {unused && <NeverOrdered unused={unused} />}
      <dl className="grid grid-cols-4 gap-3 text-sm">
        <Figure title="Counts">
          <WorkedFigure
            label={`What counts of ${material.name}`}
            text={amount(position.amount, unit)}
            className="font-serif text-xl"
            working={() => explainPosition(material, restocking, restock.promises.get(material.id))}
          />
          <span className="block text-ink-soft">
            {[
              position.onOrder > 0 && `${amount(position.onOrder, unit)} on its way`,
              position.promised > 0 && `${amount(position.promised, unit)} promised`,
              position.lost > 0 && `${amount(position.lost, unit)} will be over`,
            ]
              .filter(Boolean)
              .join(', ')}
          </span>
        </Figure>
        <Figure title="Order">
          <WorkedFigure
            label={`Order size of ${material.name}`}
            text={counted(orderSize.packs, 'pack')}
            className="font-serif text-xl"
            working={() => explainOrderSize(material, restocking, house)}
          />
          <span className="block text-ink-soft">
            {number(orderSize.ordersPerYear, 1)} times a year
          </span>
          {orderSize.tooMany > 0 && (
            <span className="block text-clay">
              ▲ {counted(orderSize.tooMany, 'pack')} will be over unused
            </span>
          )}
        </Figure>
        <Figure title="Uses served">
          <span className="font-serif text-xl">{percent(servedFromShelf, 1)}</span>
          <span className="block text-ink-soft">
            {number(withoutPerYear, 1)} guests a year go without
          </span>
        </Figure>
        <Figure title="Wasted a year">
          <span className="font-serif text-xl">
            {wastePerYear > 0 ? money(restocking.wastePerYearMinor, currency) : 'nothing'}
          </span>
          {wastePerYear > 0 && (
            <span className="block text-ink-soft">{amount(wastePerYear, unit)}, open too long</span>
          )}
        </Figure>
      </dl>
      <Schools material={material} restocking={restocking} />
      {takesLonger(restocking) && (
        <p className="text-sm text-clay">
          ▲ It keeps a shorter time than it takes to come: several orders will be on their way at
          once.
        </p>
      )}
      <AheadView material={material} restocking={restocking} />
      <Fold title="How it is ordered" summary={howWords(material, restocking)}>
        <LevelFields material={material} restocking={restocking} />
      </Fold>
    </div>
  );
}

function Figure({
  title,
  children,
}: {
  readonly title: string;
  readonly children: React.ReactNode;
}) {
  return (
    <div>
      <dt className="text-xs font-semibold text-ink-soft">{title}</dt>
      <dd>{children}</dd>
    </div>
  );
}

/** The schools of looking at the shelf side by side, and what was set by hand. */
function Schools({
  material,
  restocking,
}: {
  readonly material: BoughtMaterial;
  readonly restocking: Restocking;
}) {
  const house = useHouse();
  const { unit } = material;
  const { school, levels, orderAt, supplier, policy, lead: inUse } = restocking;
  const schools = useMemo(() => schoolsOf(material, restocking), [material, restocking]);
  if (!schools.ok) return null;
  const bySchool = schools.value;
  const CELL = 'py-1.5 pl-3 text-right first:pl-0 first:text-left';
  return (
    <table className="w-full text-sm">
      <TableHead
        columns={[
          ...names('Shelf checked'),
          ...figures('Order at', 'In packs', 'Waits', 'Orders in time'),
        ]}
      />
      <tbody>
        {(['any-day', 'delivery-day'] as const).map((each: Review) => {
          const { reorderPoint, uses, lead } = bySchool[each];
          const inForce = each === school && !levels;
          return (
            <tr key={each} className={`border-b border-line ${inForce ? 'font-semibold' : ''}`}>
              <th scope="row" className={`${CELL} font-[inherit]`}>
                {REVIEW_WORDS[each]}
                {inForce && ' ●'}
                {inForce && <span className="sr-only"> (as the house does)</span>}
              </th>
              <td className={CELL}>
                <WorkedFigure
                  label={`Order ${REVIEW_WORDS[each]}: ${material.name}`}
                  text={amount(reorderPoint.amount, unit)}
                  working={() =>
                    explainReorderPoint(
                      material,
                      { ...restocking, school: each, lead, uses, reorderPoint },
                      house,
                    )
                  }
                />
              </td>
              <td className={CELL}>{number(reorderPoint.packs)}</td>
              <td className={CELL}>{counted(uses.protectionDays, 'day')}</td>
              <td className={CELL}>{percent(reorderPoint.inTime, 1)}</td>
            </tr>
          );
        })}
        {levels && policy.how === 'manual' && (
          <tr className="border-b border-line font-semibold">
            <th scope="row" className={`${CELL} font-[inherit]`}>
              by hand ●
            </th>
            <td className={CELL}>{amount(orderAt, unit)}</td>
            <td className={`${CELL} font-normal text-ink-soft`}>
              up to {amount(policy.maximum, unit)}
            </td>
            <td className={CELL} />
            <td className={CELL}>{percent(levels.inTime, 1)}</td>
          </tr>
        )}
      </tbody>
      {levels && (
        <caption className="caption-bottom pt-1 text-left text-sm text-clay">
          {withoutWords(levels)}
        </caption>
      )}
      {!levels && school === 'delivery-day' && (
        <caption className="caption-bottom pt-1 text-left text-sm text-ink-soft">
          The shelf is checked for {supplier.name} every {counted(inUse.reviewDays, 'day')}; an
          order of today is there on {dayText(restocking.arrivesOn)}.
        </caption>
      )}
    </table>
  );
}
