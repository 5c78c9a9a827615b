import { LADDERS, type Pricing, type Service } from '@bienestar/core/house/house';
import type { ServicePrice } from '@bienestar/core/price/ladders';
import { money } from '../../format/figures';
import { MoneyField } from '../../parts/MoneyField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { LADDER_WORDS } from './ladderWords';
import { useHouse } from '../../store/house';

interface PricingFieldsProps {
  readonly service: Service;
  readonly price: ServicePrice | undefined;
  readonly put: (changes: Partial<Pricing>) => Promise<string | undefined>;
}

const ASKED_WORDS = { low: 'Lowest', usual: 'Usual', high: 'Highest' } as const;
const leaving = { commitOn: 'leaving' } as const;

/** How the price is found: by which ladder or by hand, and what is asked elsewhere. */
export function PricingFields({ service, price, put }: PricingFieldsProps) {
  const { currency } = useHouse().settings;
  const { by = 'cost-plus', ownMinor, reason, neighbourhood } = service.pricing ?? {};
  return (
    <div className="flex flex-col gap-4">
      <Segments
        label="Charged by"
        value={by}
        options={[...LADDERS, 'own' as const].map((value) => ({
          value,
          label: LADDER_WORDS[value],
        }))}
        onChoose={(chosen) =>
          void put({
            by: chosen,
            ...(chosen === 'own' && { ownMinor: ownMinor ?? price?.gross ?? 0 }),
          })
        }
      />
      <div className="grid grid-cols-4 items-start gap-3">
        {(['low', 'usual', 'high'] as const).map((which) => (
          <MoneyField
            {...leaving}
            key={which}
            label={`${ASKED_WORDS[which]} elsewhere`}
            value={neighbourhood?.[which]}
            onClear="needed"
            onCommit={(minor) =>
              put({
                neighbourhood: {
                  low: minor,
                  usual: minor,
                  high: minor,
                  ...neighbourhood,
                  [which]: minor,
                },
              })
            }
          />
        ))}
        {by === 'own' && (
          <MoneyField
            {...leaving}
            label="Price of its own"
            value={ownMinor}
            onClear="needed"
            onCommit={(minor) => put({ ownMinor: minor })}
          />
        )}
      </div>
      {price?.belowFloor === true && (
        <TextField
          {...leaving}
          label="Why it may lose money"
          hint={`▲ A visit below ${money(price.floorGross, currency)} does not pay its direct cost.`}
          value={reason ?? ''}
          onCommit={(text) => put({ reason: text.trim() === '' ? undefined : text.trim() })}
        />
      )}
    </div>
  );
}
