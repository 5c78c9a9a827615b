import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { Link } from 'react-router';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { Service } from '@bienestar/core/house/house';
import { asId, type ServiceId } from '@bienestar/core/house/ids';
import { mixScenario } from '@bienestar/core/week/worth/mixScenario';
import type { MixLine, WeekMix } from '@bienestar/core/week/worth/weekMix';
import { number } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { NumberField } from '../../../parts/NumberField';
import { figures, names, TableHead, untitled } from '../../../parts/TableHead';
import { useHouse } from '../../../store/house';
import { useAddAndRemove, usePlan } from '../../../store/useEditPart';
import { lineWords } from './worthWords';

const COLUMNS = [
  untitled('Take over'),
  ...names('Service'),
  ...figures('at least', 'at most', 'planned', 'best'),
  ...names('Why'),
];

/** Each service: between what it is held, what is planned, what would be best and why; taken over into a scenario. */
export function MixTable({ mix }: { readonly mix: WeekMix | undefined }) {
  const house = useHouse();
  const { add } = useAddAndRemove('scenarios');
  const [ticked, setTicked] = useState<ReadonlySet<ServiceId>>(new Set());
  const [made, setMade] = useState<string>();
  const lines = new Map(mix?.lines.map((line) => [line.need.service.id, line]));
  const tick = (id: ServiceId): void =>
    setTicked((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const takeOver = async (): Promise<void> => {
    if (!mix) return;
    const scenario = mixScenario(mix, ticked, () => asId(nanoid(12)));
    if (await add(scenario)) {
      setMade(scenario.id);
      setTicked(new Set());
    }
  };
  return (
    <>
      <table className="w-full text-sm">
        <TableHead columns={COLUMNS} cell="py-1 pl-3 first:pl-0" />
        <tbody>
          {house.services.map((service) => (
            <MixRow
              key={service.id}
              service={service}
              line={lines.get(service.id)}
              isTicked={ticked.has(service.id)}
              onTick={() => tick(service.id)}
            />
          ))}
        </tbody>
      </table>
      <div className="flex flex-wrap items-center gap-3 py-3">
        <Button weight="main" disabled={ticked.size === 0} onClick={() => void takeOver()}>
          Try what is ticked as a scenario
        </Button>
        {made !== undefined && (
          <Link className="text-sm underline" to={`/menu/what-if/${made}`}>
            See what it does
          </Link>
        )}
        <span className="text-sm text-ink-soft">The plan stays as it is.</span>
      </div>
    </>
  );
}

interface MixRowProps {
  readonly service: Service;
  readonly line: MixLine | undefined;
  readonly isTicked: boolean;
  readonly onTick: () => void;
}

function MixRow({ service, line, isTicked, onTick }: MixRowProps) {
  const house = useHouse();
  const plan = usePlan(service);
  const { leastPerWeek, mostPerWeek } =
    house.demand.find(({ serviceId }) => serviceId === service.id) ?? {};
  const bounds = line?.bounds;
  const assumed = (value: number | undefined): string | undefined =>
    bounds?.assumed === true && value !== undefined ? `about ${number(value, 1)}` : undefined;
  return (
    <tr className="border-b border-line align-baseline">
      <td className="py-1">
        <input
          type="checkbox"
          className="size-4 accent-palm"
          aria-label={`Take over ${service.name}`}
          checked={isTicked}
          disabled={!line}
          onChange={onTick}
        />
      </td>
      <td className="pl-3">{service.name}</td>
      <BoundField
        label={`At least, ${service.name}`}
        hint={assumed(bounds?.least)}
        value={leastPerWeek}
        fault={(value) =>
          mostPerWeek !== undefined && value > mostPerWeek
            ? 'The least must not be more than the most.'
            : undefined
        }
        onCommit={(value) => plan({ leastPerWeek: value })}
      />
      <BoundField
        label={`At most, ${service.name}`}
        hint={assumed(bounds?.most)}
        value={mostPerWeek}
        fault={(value) =>
          leastPerWeek !== undefined && value < leastPerWeek
            ? 'The most must not be less than the least.'
            : undefined
        }
        onCommit={(value) => plan({ mostPerWeek: value })}
      />
      <td className="pl-3 text-right">{line ? number(line.planned, 1) : '–'}</td>
      <td className="pl-3 text-right font-semibold">{line ? number(line.best, 1) : '–'}</td>
      <td className="pl-3 text-ink-soft">
        {line ? lineWords(line, house.settings.currency) : 'Its figures are missing.'}
      </td>
    </tr>
  );
}

interface BoundFieldProps {
  readonly label: string;
  readonly hint: string | undefined;
  readonly value: number | undefined;
  readonly fault: (value: number) => string | undefined;
  readonly onCommit: (value: number | undefined) => Promise<string | undefined>;
}

/** The least or the most visits of a service; empty where the house has not said. */
function BoundField({ fault, onCommit, ...field }: BoundFieldProps) {
  const check = within(LIMITS.visitsPerWeek);
  return (
    <td className="w-20 pl-3">
      <NumberField
        labelHidden
        look="ruled"
        commitOn="leaving"
        check={(value) => check(value) ?? fault(value)}
        onCommit={onCommit}
        onClear={() => void onCommit(undefined)}
        {...field}
      />
    </td>
  );
}
