import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import { openLifeOf } from '@bienestar/core/house/packs';
import { SOON_DAYS, type LotState, type OpenState } from '@bienestar/core/stock/shelfLife';
import { FormFault } from '../../parts/FormFault';
import { amount, dayText, number, timeLeft } from '../../format/figures';
import { Vessels } from '../../figures/Vessels';
import { Button } from '../../parts/Button';
import { Problems } from '../../parts/Problems';
import { WaitingHere } from '../../parts/waiting/WaitingHere';
import { useHouse } from '../../store/house';
import { materialsMovedBy } from '../../store/outbox/queuedWrite';
import { useRestock } from '../../store/restock';
import { useHouseClock, useTimeZone } from '../../store/clock';
import { shelfStates } from '../../store/shelf';
import { newEntryId, useEnter } from '../../store/useEnter';
import { CountSheet } from './CountSheet';
import { DiscardSheet, type Discarded } from './DiscardSheet';
import { History } from './History';
import { containerWords } from './materialWords';
import { dayOf } from '@bienestar/core/days/days';
import { UseSheet } from './UseSheet';

type Asked =
  | { readonly is: 'use' }
  | { readonly is: 'count' }
  | ({ readonly is: 'discard' } & Discarded);

/** What is left of a material, and everything that can happen to it. */
export function LeftFacet({ material }: { readonly material: BoughtMaterial }) {
  const house = useHouse();
  const clock = useHouseClock();
  const state = shelfStates(house, clock).get(material.id);
  const restocking = useRestock().materials.get(material.id);
  const enter = useEnter();
  const [asked, setAsked] = useState<Asked>();
  const [fault, setFault] = useState<string>();
  const [, setSearch] = useSearchParams();
  if (!state) return null;
  const opens = openLifeOf(material) !== undefined;
  const [one, many] = containerWords(material.kind);
  const cover = restocking?.ok ? restocking.value.cover : undefined;

  const openOne = async (): Promise<void> => {
    const entered = await enter(
      { kind: 'opening', id: newEntryId(), materialId: material.id },
      material.name,
    );
    setFault(entered.ok ? undefined : entered.message);
  };
  return (
    <div className="flex flex-col gap-4">
      <div className="flex items-end gap-4">
        <p>
          <span className="font-serif text-3xl">{amount(state.onHand, material.unit)}</span>
          {state.over > 0 && (
            <span className="block text-sm text-clay">
              ▲ {amount(state.over, material.unit)} of it is over
            </span>
          )}
        </p>
        <Vessels
          state={state}
          label={`${number(state.sealedContainers, 1)} sealed, ${number(state.open.length)} open`}
        />
      </div>
      <WaitingHere isHere={({ change }) => materialsMovedBy(change).includes(material.id)} />
      <p className="text-sm text-ink-soft">
        {cover === undefined || cover.daysOfCover === null
          ? 'No expected visit uses it.'
          : `Lasts ${number(cover.daysOfCover, 0)} days at the visits expected.`}{' '}
        {cover?.shouldOrder && <strong className="text-clay">▲ Order now.</strong>}
        {state.expiringSoon > 0 && (
          <strong className="block text-ink">
            ● {amount(state.expiringSoon, material.unit)} to use within {SOON_DAYS} days.
          </strong>
        )}
      </p>
      <div className="grid grid-cols-2 gap-2">
        <Button className="h-11 justify-center" onClick={() => setAsked({ is: 'use' })}>
          Used some
        </Button>
        {opens && (
          <Button className="h-11 justify-center" onClick={() => void openOne()}>
            Open one
          </Button>
        )}
        <Button className="h-11 justify-center" onClick={() => setAsked({ is: 'count' })}>
          Count or weigh
        </Button>
        <Button
          className="h-11 justify-center"
          onClick={() => setSearch({ enter: 'delivery' }, { replace: true })}
        >
          Some came
        </Button>
      </div>
      <FormFault fault={fault} />
      {restocking && !restocking.ok && <Problems problems={restocking.problems} />}
      {state.open.length > 0 && (
        <section aria-labelledby="open-title">
          <h3 id="open-title" className="text-lg">
            Open
          </h3>
          <ul className="text-sm">
            {state.open.map((each) => (
              <OpenLine
                key={each.containerId}
                of={each}
                unit={material.unit}
                onDiscard={(what) => setAsked({ is: 'discard', ...what })}
              />
            ))}
          </ul>
        </section>
      )}
      {state.lots.some(({ sealed }) => sealed > 0) && (
        <section aria-labelledby="sealed-title">
          <h3 id="sealed-title" className="text-lg">
            Sealed
          </h3>
          <ul className="text-sm">
            {state.lots
              .filter(({ sealed }) => sealed > 0)
              .map((each) => (
                <SealedLine
                  key={each.lot.id}
                  of={each}
                  unit={material.unit}
                  words={[one, many]}
                  onDiscard={(what) => setAsked({ is: 'discard', ...what })}
                />
              ))}
          </ul>
        </section>
      )}
      <History material={material} />
      <UseSheet
        material={material}
        open={asked?.is === 'use'}
        onClose={() => setAsked(undefined)}
      />
      <CountSheet
        material={material}
        state={state}
        open={asked?.is === 'count'}
        onClose={() => setAsked(undefined)}
      />
      {asked?.is === 'discard' && (
        <DiscardSheet material={material} what={asked} onClose={() => setAsked(undefined)} />
      )}
    </div>
  );
}

interface OpenLineProps {
  readonly of: OpenState;
  readonly unit: string;
  readonly onDiscard: (what: Discarded) => void;
}

function OpenLine({ of, unit, onDiscard }: OpenLineProps) {
  const { lot, containerId, openedAt, remaining, daysLeft } = of;
  const over = daysLeft !== undefined && daysLeft < 0;
  const timeZone = useTimeZone();
  return (
    <li className="flex items-center gap-2 border-b border-line py-1.5">
      <span className="min-w-0 flex-1">
        <strong>{amount(remaining, unit)}</strong> of {amount(lot.content, unit)}
        <span className="block text-ink-soft">
          {lot.code && `lot ${lot.code}, `}opened {dayText(dayOf(new Date(openedAt), timeZone))}
        </span>
      </span>
      {daysLeft !== undefined && (
        <span className={over ? 'font-semibold text-clay' : 'text-ink-soft'}>
          {over && '▲ '}
          {timeLeft(daysLeft)}
        </span>
      )}
      <Button
        weight="quiet"
        aria-label={`Throw away the open container${lot.code === '' ? '' : ` of lot ${lot.code}`}`}
        onClick={() =>
          onDiscard({
            lotId: lot.id,
            containerId,
            quantity: remaining,
            reason: over ? 'open-too-long' : 'other',
          })
        }
      >
        Throw away
      </Button>
    </li>
  );
}

interface SealedLineProps {
  readonly of: LotState;
  readonly unit: string;
  readonly words: readonly [string, string];
  readonly onDiscard: (what: Discarded) => void;
}

function SealedLine({
  of: { lot, sealed, containers, daysLeft },
  unit,
  words,
  onDiscard,
}: SealedLineProps) {
  const over = daysLeft !== undefined && daysLeft < 0;
  return (
    <li className="flex items-center gap-2 border-b border-line py-1.5">
      <span className="min-w-0 flex-1">
        <strong>{amount(sealed, unit)}</strong>
        {unit !== 'piece' &&
          ` in ${number(containers, 1)} ${containers === 1 ? words[0] : words[1]}`}
        <span className="block text-ink-soft">
          {lot.code && `lot ${lot.code}, `}came {dayText(lot.deliveredOn)}
        </span>
      </span>
      {lot.expiresOn !== undefined && daysLeft !== undefined && (
        <span
          className={over ? 'font-semibold text-clay' : 'text-ink-soft'}
          title={dayText(lot.expiresOn)}
        >
          {over && '▲ '}
          {daysLeft > 60 || over ? dayText(lot.expiresOn) : timeLeft(daysLeft)}
        </span>
      )}
      <Button
        weight="quiet"
        aria-label={`Throw away sealed ${lot.code === '' ? 'containers' : `of lot ${lot.code}`}`}
        onClick={() =>
          onDiscard({ lotId: lot.id, quantity: sealed, reason: over ? 'expired' : 'broken' })
        }
      >
        Throw away
      </Button>
    </li>
  );
}
