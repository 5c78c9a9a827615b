import type { Recovery } from '@bienestar/core/figures/recovery';
import type { ComparedScenario, Week } from '@bienestar/core/whatIf/compareScenarios';
import { money, moneyChange, number, percent } from '../../../format/figures';

interface WeekOfProps {
  readonly compared: ComparedScenario;
  readonly currency: string;
}

/** What a week of a scenario brings beside a week of today. */
export function WeekOf({ compared, currency }: WeekOfProps) {
  const { scenario, today, then, fallBelowFloor, fallUnderTarget } = compared;
  const lines: readonly (readonly [string, (week: Week) => string, number])[] = [
    [
      'Contribution a week',
      (week) => money(week.contribution, currency),
      then.contribution - today.contribution,
    ],
    ['Turnover a week', (week) => money(week.turnover, currency), then.turnover - today.turnover],
  ];
  return (
    <div>
      <h2 className="font-serif text-base font-bold">{scenario.name}</h2>
      <div className="flex flex-wrap gap-x-12">
        <dl className="min-w-72 flex-1">
          {lines.map(([label, text, by]) => (
            <div key={label} className="flex justify-between gap-4">
              <dt className="text-ink-soft">{label}</dt>
              <dd>
                {text(then)} <span className="text-ink-soft">({moneyChange(by, currency)})</span>
              </dd>
            </div>
          ))}
          <div className="flex justify-between gap-4">
            <dt className="text-ink-soft">Room hours a week</dt>
            <dd>
              {number(then.roomHours, 1)}{' '}
              <span className="text-ink-soft">(today {number(today.roomHours, 1)})</span>
            </dd>
          </div>
        </dl>
        {then.recovery && (
          <AddsUp then={then.recovery} today={today.recovery} currency={currency} />
        )}
      </div>
      <p className={fallBelowFloor + fallUnderTarget > 0 ? 'text-clay' : 'text-ink-soft'}>
        {fallWords(fallUnderTarget, fallBelowFloor)}
      </p>
    </div>
  );
}

interface AddsUpProps {
  readonly then: Recovery;
  readonly today: Recovery | undefined;
  readonly currency: string;
}

/** Whether the week of a scenario pays for rooms and pay. */
function AddsUp({ then, today, currency }: AddsUpProps) {
  const shares = (['rooms', 'pay'] as const).map((of) => ({
    label: of === 'rooms' ? 'Rooms: filled' : 'Paid time: filled',
    is: then[of],
    was: today?.[of],
  }));
  const { visitsNeeded, visitsPerMonth, leftPerMonth } = then.breakEven;
  return (
    <dl className="min-w-72 flex-1">
      {shares.map(({ label, is, was }) => (
        <div key={label} className="flex justify-between gap-4">
          <dt className="text-ink-soft">{label}</dt>
          <dd>
            {percent(is.implied)}{' '}
            <span className="text-ink-soft">
              (charged at {percent(is.assumed)}
              {was && `, today ${percent(was.implied)}`})
            </span>
          </dd>
        </div>
      ))}
      <div className="flex justify-between gap-4">
        <dt className="text-ink-soft">Visits a month that pay for all</dt>
        <dd>
          {visitsNeeded === null ? 'none do' : number(Math.ceil(visitsNeeded))}{' '}
          <span className="text-ink-soft">(planned {number(visitsPerMonth)})</span>
        </dd>
      </div>
      <div className="flex justify-between gap-4">
        <dt className="text-ink-soft">Left a month, rooms and pay paid</dt>
        <dd className={leftPerMonth < 0 ? 'text-clay' : ''}>
          {leftPerMonth < 0 && '▲ '}
          {money(leftPerMonth, currency)}{' '}
          {today && (
            <span className="text-ink-soft">
              (today {money(today.breakEven.leftPerMonth, currency)})
            </span>
          )}
        </dd>
      </div>
    </dl>
  );
}

function fallWords(underTarget: number, belowFloor: number): string {
  if (underTarget === 0 && belowFloor === 0) return 'Nothing more falls under its target.';
  const target = `▲ ${number(underTarget)} ${underTarget === 1 ? 'falls' : 'fall'} under the target`;
  return belowFloor === 0 ? `${target}.` : `${target}, ${number(belowFloor)} below the floor.`;
}
