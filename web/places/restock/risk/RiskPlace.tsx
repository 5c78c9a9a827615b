import { useState } from 'react';
import type { ScenarioId } from '@bienestar/core/house/ids';
import { NotWorkedOut } from '../../../parts/NotWorkedOut';
import { amount, money, number, percent } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { useChangeSettings } from '../../../store/useEditPart';
import { RestockHeader } from '../RestockHeader';
import { TradeChart } from './TradeChart';
import { useTradeOff } from './useTradeOff';
import { figures, names, TableHead } from '../../../parts/TableHead';
import { useVerify, type Verifying } from './useVerify';

const NONE = 'none';
const CELL = 'py-1.5 pl-3 text-right first:pl-0 first:text-left';

/** Service level against money tied up and waste, and whether the policies hold what they promise. */
export function RiskPlace() {
  const house = useHouse();
  const change = useChangeSettings();
  const [scenarioId, setScenarioId] = useState<ScenarioId | typeof NONE>(NONE);
  const scenario = house.scenarios.find(({ id }) => id === scenarioId);
  const { today, then, hasFailed } = useTradeOff(house, scenario);
  const verify = useVerify();
  const { currency, serviceLevel } = house.settings;
  return (
    <div className="flex h-full flex-col">
      <RestockHeader title="What it risks">
        {house.scenarios.length > 0 && (
          <Choice<ScenarioId | typeof NONE>
            className="w-72"
            label="Beside a scenario"
            value={scenarioId}
            options={[
              { value: NONE, label: 'today alone' },
              ...house.scenarios.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChoose={setScenarioId}
          />
        )}
      </RestockHeader>
      <div className="columns-of-place lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <section
          aria-labelledby="curve-title"
          className="min-h-0 overflow-y-auto px-6 py-4"
          tabIndex={0}
        >
          <h2 id="curve-title" className="text-lg">
            The whole shelf at each service level
          </h2>
          <p className="pb-2 text-sm text-ink-soft">
            Orders in time, against the money that lies on the shelf and what is thrown away. Pick a
            point, and every material without a level of its own follows.
          </p>
          {today ? (
            <>
              <TradeChart
                today={today}
                then={then}
                thenName={scenario?.name}
                textOf={(minor) => money(minor, currency)}
              />
              <table className="mt-2 w-full text-sm">
                <TableHead
                  columns={[
                    ...names('Orders in time'),
                    ...figures(
                      'Tied up',
                      ...(then ? ['in the scenario'] : []),
                      'Thrown away a year',
                      'Orders late, a year',
                      'Guests without, a year',
                      'Pick',
                    ),
                  ]}
                />
                <tbody>
                  {today.map((point, at) => {
                    const picked = Math.abs(point.serviceLevel - serviceLevel) < 1e-6;
                    const level = percent(point.serviceLevel, 1);
                    return (
                      <tr
                        key={point.serviceLevel}
                        className={`border-b border-line ${picked ? 'bg-palm-wash font-semibold' : ''}`}
                      >
                        <th scope="row" className={`${CELL} font-[inherit]`}>
                          {level}
                        </th>
                        <td className={CELL}>{money(point.tiedUpMinor, currency)}</td>
                        {then && (
                          <td className={CELL}>{money(then[at]?.tiedUpMinor ?? 0, currency)}</td>
                        )}
                        <td className={CELL}>{money(point.wasteMinor, currency)}</td>
                        <td className={CELL}>{number(point.shortPerYear, 1)}</td>
                        <td className={CELL}>{number(point.withoutPerYear, 1)}</td>
                        <td className={CELL}>
                          {picked ? (
                            '● as it is'
                          ) : (
                            <button
                              type="button"
                              className="text-palm underline underline-offset-4"
                              onClick={() => void change({ serviceLevel: point.serviceLevel })}
                            >
                              pick<span className="sr-only"> {level}</span>
                            </button>
                          )}
                        </td>
                      </tr>
                    );
                  })}
                </tbody>
              </table>
            </>
          ) : (
            !hasFailed && (
              <p role="status" className="py-8 text-sm text-ink-soft">
                Working the curve out …
              </p>
            )
          )}
          {hasFailed && <NotWorkedOut what="The curve" />}
        </section>
        <section
          aria-labelledby="verified-title"
          className="min-h-0 overflow-y-auto border-l border-line bg-sheet px-5 py-4"
          tabIndex={0}
        >
          <Verification verify={verify} />
        </section>
      </div>
    </div>
  );
}

function Verification({ verify }: { readonly verify: ReturnType<typeof useVerify> }) {
  const house = useHouse();
  const { state, start, cancel } = verify;
  return (
    <>
      <div className="flex items-center gap-3">
        <h2 id="verified-title" className="flex-1 text-lg">
          Played through for a thousand years
        </h2>
        {state.is === 'playing' ? (
          <Button onClick={cancel}>Cancel</Button>
        ) : (
          <Button weight="main" onClick={() => start(house)}>
            Play the shelf through
          </Button>
        )}
      </div>
      <p className="pb-2 text-sm text-ink-soft">
        Visits at random, late deliveries, tubs that are open too long: does each order point hold
        what was asked of it?
      </p>
      {state.is === 'playing' && (
        <p role="status" className="flex items-center gap-3 text-sm">
          <progress aria-label="Playing the shelf through" value={state.done} max={state.of} />
          {state.done} of {state.of}
        </p>
      )}
      {state.is === 'failed' && <NotWorkedOut what="The shelf" again="Play it through again." />}
      {state.is !== 'nothing' && <VerifiedTable state={state} />}
    </>
  );
}

function VerifiedTable({ state }: { readonly state: Exclude<Verifying, { is: 'nothing' }> }) {
  const house = useHouse();
  const { materials } = useRestock();
  const { currency } = house.settings;
  return (
    <table className="mt-2 w-full text-sm">
      <thead>
        <tr className="border-b border-line-strong text-xs text-ink-soft">
          {[
            'Material',
            'Orders in time, asked',
            'reached',
            'Uses served',
            'Days without',
            'Tied up',
            'Wasted a year',
          ].map((title) => (
            <th key={title} className={`${CELL} font-semibold`}>
              {title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {state.verified.map(({ materialId, outcome, tiedUpMinor, wasteMinor, target }) => {
          const material = house.materials.find(({ id }) => id === materialId);
          const of = materials.get(materialId);
          if (!material || !of?.ok) return null;
          const missed = target !== null && outcome.cycleService < target - 0.01;
          return (
            <tr key={materialId} className="border-b border-line">
              <th scope="row" className={`${CELL} font-normal`}>
                {material.name}
                <span className="block text-ink-soft">
                  {amount(outcome.onHand, material.unit)} on average
                </span>
              </th>
              <td className={CELL}>{target === null ? 'by hand' : percent(target, 1)}</td>
              <td className={`${CELL} ${missed ? 'font-semibold text-clay' : ''}`}>
                {missed && '▼ '}
                {percent(outcome.cycleService, 1)}
              </td>
              <td className={CELL}>{percent(outcome.servedFromShelf, 1)}</td>
              <td className={CELL}>{number(outcome.daysWithout, 1)}</td>
              <td className={CELL}>{money(tiedUpMinor, currency)}</td>
              <td className={CELL}>{wasteMinor > 0 ? money(wasteMinor, currency) : '–'}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
