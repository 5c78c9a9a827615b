import { useMemo } from 'react';
import { Link } from 'react-router';
import { explainBreakEven, explainImplied } from '@bienestar/core/explain/explainAddsUp';
import { addsUp, type AddsUp } from '@bienestar/core/figures/addsUp';
import type { HouseBreakEven, Recovered } from '@bienestar/core/figures/recovery';
import { money, number, percent } from '../../format/figures';
import { Button } from '../../parts/Button';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { figures as figureColumns, names, TableHead } from '../../parts/TableHead';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useFigures, useHouse } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';
import { MenuHeader } from './MenuHeader';

const CELL = 'py-1.5 pl-3 text-right first:pl-0 first:text-left';

/** Whether the planned visits pay for rooms and pay, what prices would be if they did, and whether slots hold. */
export function AddsUpPlace() {
  const house = useHouse();
  const figures = useFigures();
  const all = useMemo(() => addsUp(house, figures), [house, figures]);
  return (
    <div className="flex h-full flex-col">
      <MenuHeader title="Does it add up?" />
      {all ? (
        <div className="columns-of-place lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
          <div
            tabIndex={0}
            role="region"
            aria-label="Costs"
            className="min-h-0 overflow-y-auto px-6 py-5"
          >
            <Costs all={all} />
          </div>
          <div
            tabIndex={0}
            role="region"
            aria-label="Slots"
            className="min-h-0 overflow-y-auto border-l border-line bg-sheet px-6 py-5"
          >
            <Slots all={all} />
          </div>
        </div>
      ) : (
        <div className="px-6 py-8">
          <EmptyPlace title="No visit is planned yet">
            Plan visits of your services: then it stands here whether they pay for rooms and pay,
            and how often a visit lasts longer than its slot.
          </EmptyPlace>
        </div>
      )}
    </div>
  );
}

function Costs({ all }: { readonly all: AddsUp }) {
  const { settings } = useHouse();
  const change = useChangeSettings();
  const { currency, roomCost } = settings;
  return (
    <div className="flex flex-col gap-6">
      <div className="grid gap-6 sm:grid-cols-2">
        <Recovery
          of="rooms"
          title="Rooms"
          recovered={all.rooms}
          paidWords="the rooms cost"
          assumedWords="The figures go by an occupancy of"
          onCharge={(occupancy) => void change({ roomCost: { ...roomCost, occupancy } })}
        />
        <Recovery
          of="pay"
          title="Hands"
          recovered={all.pay}
          paidWords="pay that is owed whether or not somebody comes is"
          assumedWords="The figures go by a bookable share of"
          onCharge={(bookableShare) => void change({ bookableShare })}
        />
      </div>
      <BreakEven of={all.breakEven} />
      <section aria-labelledby="at-plan">
        <h2 id="at-plan" className="text-xl">
          Each price, if visits had to pay for all of it
        </h2>
        <p className="pb-1 text-sm text-ink-soft">
          At the shares that the plan fills: what a visit costs, what the price that is charged
          leaves, and what cost plus would ask.
        </p>
        <table className="w-full text-sm">
          <TableHead
            columns={[
              ...names('Service'),
              ...figureColumns(
                'a week',
                'Full cost',
                'at the plan',
                'Price',
                'Margin',
                'left at the plan',
                'would ask',
              ),
            ]}
          />
          <tbody>
            {all.services.map((each) => (
              <tr key={each.service.id} className="border-b border-line">
                <th scope="row" className={`${CELL} font-normal`}>
                  <Link
                    to={`/menu/${each.service.id}/price`}
                    className="hover:text-clay hover:underline"
                  >
                    {each.service.name}
                  </Link>
                </th>
                <td className={CELL}>{number(each.visitsPerWeek, 1)}</td>
                <td className={CELL}>{money(each.fullCost, currency)}</td>
                <td className={`${CELL} font-semibold`}>{money(each.fullCostImplied, currency)}</td>
                <td className={CELL}>{money(each.gross, currency)}</td>
                <td className={CELL}>{percent(each.margin)}</td>
                <td
                  className={`${CELL} font-semibold ${each.marginImplied < 0 ? 'text-clay' : ''}`}
                >
                  {each.marginImplied < 0 && '▲ '}
                  {percent(each.marginImplied)}
                </td>
                <td className={CELL}>
                  {each.grossImplied === null ? 'none' : money(each.grossImplied, currency)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </div>
  );
}

/** The visits at which the house pays rent and everything that is owed. */
function BreakEven({ of }: { readonly of: HouseBreakEven }) {
  const { currency } = useHouse().settings;
  const { rentPerMonth, owedPerMonth, perVisit, visitsPerMonth, visitsNeeded, leftPerMonth } = of;
  return (
    <section aria-labelledby="break-even" className="flex flex-col gap-2">
      <h2 id="break-even" className="text-xl">
        What pays for all of it
      </h2>
      <p>
        One more guest adds{' '}
        <WorkedFigure
          label="One more guest adds"
          text={money(perVisit, currency)}
          working={() => explainBreakEven('perVisit', of)}
        />
        , of the visits as they are planned. Rooms ({money(rentPerMonth, currency)}) and pay that is
        owed anyhow ({money(owedPerMonth, currency)}) are paid{' '}
        {visitsNeeded === null ? (
          'by no number of such visits'
        ) : (
          <>
            by{' '}
            <WorkedFigure
              label="Visits a month that pay for all of it"
              text={number(Math.ceil(visitsNeeded))}
              working={() => explainBreakEven('visitsNeeded', of)}
            />{' '}
            visits a month
          </>
        )}
        ; {number(visitsPerMonth)} are planned.
      </p>
      <p className={leftPerMonth < 0 ? 'text-clay' : ''}>
        {leftPerMonth < 0 ? '▲ The plan is short of it by ' : 'The plan leaves '}
        <strong>{money(Math.abs(leftPerMonth), currency)}</strong> a month. Tips are no turnover:
        they stand in none of this.
      </p>
    </section>
  );
}

interface RecoveryProps {
  readonly of: 'rooms' | 'pay';
  readonly title: string;
  readonly recovered: Recovered;
  readonly paidWords: string;
  readonly assumedWords: string;
  readonly onCharge: (share: number) => void;
}

/** What is charged for something beside what it costs, and the share that the plan fills. */
function Recovery({ of, title, recovered, paidWords, assumedWords, onCharge }: RecoveryProps) {
  const { currency } = useHouse().settings;
  const { charged, paid, assumed, implied } = recovered;
  const share = paid > 0 ? charged / paid : 1;
  const toCharge = Math.min(1, Math.round(implied * 1000) / 1000);
  const isAsPlanned = Math.abs(implied - assumed) < 0.0005;
  return (
    <section aria-labelledby={`recovered-${of}`} className="flex flex-col gap-2">
      <h2 id={`recovered-${of}`} className="text-xl">
        {title}
      </h2>
      <div aria-hidden className="relative h-7 border border-line-strong bg-sunk">
        <span
          className={`absolute inset-y-0 left-0 ${share > 1 ? 'bg-palm' : 'bg-clay'}`}
          style={{ width: `${Math.min(1, share) * 100}%` }}
        />
      </div>
      <p>
        The planned visits are charged <strong>{money(charged, currency)}</strong> a month;{' '}
        {paidWords} <strong>{money(paid, currency)}</strong>.
      </p>
      <p className="text-sm">
        {assumedWords} {percent(assumed, 1)}; the plan fills{' '}
        <WorkedFigure
          label={`${title}: the plan fills`}
          text={percent(implied, 1)}
          working={() => explainImplied(of, recovered)}
        />
        .
      </p>
      {implied > 1 && (
        <p role="status" className="text-sm text-clay">
          ▲ More is planned than there is time for.
        </p>
      )}
      {isAsPlanned ? (
        <p className="text-sm text-ink-soft">Visits are charged at what the plan fills.</p>
      ) : (
        toCharge > 0 && (
          <Button className="self-start" onClick={() => onCharge(toCharge)}>
            Charge at {percent(toCharge, 1)}
          </Button>
        )
      )}
    </section>
  );
}

function Slots({ all }: { readonly all: AddsUp }) {
  return (
    <section aria-labelledby="slots-hold" className="flex flex-col gap-2">
      <h2 id="slots-hold" className="text-xl">
        Do slots hold?
      </h2>
      <p>
        Of {number(all.visitsPerWeek, 1)} planned visits a week about{' '}
        <strong>{number(all.overPerWeek, 1)}</strong> last longer than their slot, slow days
        included.
      </p>
      <table className="w-full text-sm">
        <TableHead
          columns={[
            ...names('Service'),
            ...figureColumns('Slot', 'last longer', 'hardly any with'),
          ]}
        />
        <tbody>
          {all.slots.map(({ service, slotMinutes, chanceOver, minutesMore }) => (
            <tr key={service.id} className="border-b border-line">
              <th scope="row" className={`${CELL} font-normal`}>
                <Link
                  to={`/protocols/${service.protocolId}`}
                  className="hover:text-clay hover:underline"
                >
                  {service.name}
                </Link>
              </th>
              <td className={CELL}>{number(slotMinutes)} min</td>
              <td className={CELL}>{percent(chanceOver, 1)}</td>
              <td className={CELL}>
                {minutesMore === 0 ? 'as it is' : `${number(minutesMore)} min more`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
