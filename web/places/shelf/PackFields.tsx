import { priceIsMeant } from './priceIsMeant';
import { ChevronRight, Plus, X } from 'lucide-react';
import { LIMITS, within } from '@bienestar/contract/limits';
import { purchaseTaxOf } from '@bienestar/core/cost/purchaseTax';
import type { BoughtMaterial, DiscountBreak, Pack } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { money, number } from '../../format/figures';
import { Button, IconButton } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { TextField } from '../../parts/TextField';
import { useHouse } from '../../store/house';
import { contentWords, typedWords } from './materialWords';

interface PackFieldsProps {
  readonly material: BoughtMaterial;
  readonly pack: Pack;
  readonly unfolded: boolean;
  readonly onUnfold: (unfolded: boolean) => void;
  /** changes the pack, from how it is when its turn has come */
  readonly onChange: (make: (pack: Pack) => Pack) => Promise<string | undefined>;
  readonly onPrefer: () => void;
  readonly onRemove: () => void;
}

const leaving = { commitOn: 'leaving' } as const;

/** One pack at one supplier: folded to a line, or with all its terms. */
export function PackFields(props: PackFieldsProps) {
  const { material, pack, unfolded, onUnfold, onPrefer, onRemove } = props;
  const { suppliers, settings } = useHouse();
  const preferred = pack.id === material.preferredPackId;
  const supplier = suppliers.find((each) => each.id === pack.supplierId);
  const words = contentWords(pack, material.unit, material.kind);
  return (
    <li className={`border border-line ${preferred ? 'border-l-4 border-l-palm' : ''}`}>
      <div className="flex items-center gap-2 px-2 py-1.5 text-sm">
        <button
          type="button"
          aria-expanded={unfolded}
          onClick={() => onUnfold(!unfolded)}
          className="flex min-w-0 flex-1 items-center gap-1.5 text-left"
        >
          <ChevronRight
            aria-hidden
            size={14}
            className={`shrink-0 text-ink-soft ${unfolded ? 'rotate-90' : ''}`}
          />
          <span className="min-w-0">
            <strong>{words}</strong> {money(pack.priceMinor, settings.currency)}
            <span className="block truncate text-ink-soft">
              {supplier?.name}
              {pack.code !== undefined && `, ${pack.code}`}
            </span>
          </span>
        </button>
        {preferred ? (
          <span className="text-palm">preferred</span>
        ) : (
          <>
            <Button weight="quiet" onClick={onPrefer}>
              Prefer
            </Button>
            <IconButton label={`Remove the pack of ${words}`} onClick={onRemove}>
              <X aria-hidden size={16} />
            </IconButton>
          </>
        )}
      </div>
      {unfolded && <Terms {...props} />}
    </li>
  );
}

function Terms({ material, pack, onChange }: PackFieldsProps) {
  const { suppliers, settings } = useHouse();
  const put = (changes: Partial<Pack>) => onChange((latest) => ({ ...latest, ...changes }));
  /** Without a key that was cleared, as the house keeps it. */
  const clear = (key: keyof Pack): void => {
    void onChange(({ [key]: _gone, ...rest }) => rest as Pack);
  };
  const single = material.kind === 'single-dose';
  return (
    <div className="flex flex-col gap-3 border-t border-line px-3 py-3">
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label="Supplier"
          value={String(pack.supplierId)}
          options={suppliers.map(({ id, name }) => ({ value: String(id), label: name }))}
          onChoose={(supplierId) => void put({ supplierId: asId(supplierId) })}
        />
        <TextField
          {...leaving}
          label="Article number"
          value={pack.code ?? ''}
          onCommit={(code) => (code.trim() === '' ? clear('code') : put({ code: code.trim() }))}
        />
        <NumberField
          {...leaving}
          label={
            single
              ? 'Doses in the pack'
              : material.kind === 'fresh'
                ? 'Pieces'
                : 'Containers in the pack'
          }
          value={pack.containers}
          check={within(LIMITS.pieces)}
          onCommit={(containers) => put({ containers })}
        />
        {material.kind !== 'fresh' && (
          <NumberField
            {...leaving}
            label={single ? 'In one dose' : 'In one container'}
            unit={material.unit === 'piece' ? 'pcs' : material.unit}
            value={pack.content}
            check={within(LIMITS.quantity)}
            onCommit={(content) => put({ content })}
          />
        )}
        <MoneyField
          {...leaving}
          label="Pack price"
          hint={typedWords(purchaseTaxOf(pack, { settings, suppliers }))}
          value={pack.priceMinor}
          onCommit={async (priceMinor) =>
            (await priceIsMeant(material.name, pack.priceMinor, priceMinor, settings.currency)) ??
            put({ priceMinor })
          }
        />
        <PercentField
          {...leaving}
          label="Discount"
          value={pack.discount}
          onCommit={(discount) => put({ discount })}
        />
        <MoneyField
          {...leaving}
          label="Freight share"
          value={pack.freightMinor}
          onCommit={(freightMinor) => put({ freightMinor })}
        />
        <MoneyField
          {...leaving}
          label="Tax not recovered"
          value={pack.unrecoveredTaxMinor}
          onCommit={(unrecoveredTaxMinor) => put({ unrecoveredTaxMinor })}
        />
        {material.kind === 'back-bar' && (
          <>
            <PercentField
              {...leaving}
              label="Stays in the pack"
              to={0.99}
              value={pack.residual}
              onCommit={(residual) => put({ residual })}
            />
            <NumberField
              {...leaving}
              label="Empty container with lid"
              unit="g"
              value={pack.tareG}
              check={within(LIMITS.tareG)}
              onCommit={(tareG) => put({ tareG })}
              onClear={() => clear('tareG')}
            />
          </>
        )}
        <NumberField
          {...leaving}
          label="Least order, packs"
          value={pack.leastPacks}
          check={within(LIMITS.pieces)}
          onCommit={(leastPacks) => put({ leastPacks })}
          onClear={() => clear('leastPacks')}
        />
        <NumberField
          {...leaving}
          label="Its own lead time"
          unit="d"
          value={pack.leadTimeDays}
          check={within(LIMITS.leadTimeDays)}
          onCommit={(leadTimeDays) => put({ leadTimeDays })}
          onClear={() =>
            void onChange(({ leadTimeDays: _days, leadTimeSdDays: _sd, ...rest }) => rest)
          }
        />
        {pack.leadTimeDays !== undefined && (
          <NumberField
            {...leaving}
            label="give or take"
            unit="d"
            value={pack.leadTimeSdDays}
            check={within(LIMITS.leadTimeDays)}
            onCommit={(leadTimeSdDays) => put({ leadTimeSdDays })}
            onClear={() => clear('leadTimeSdDays')}
          />
        )}
      </div>
      <Breaks
        breaks={pack.breaks ?? []}
        onChange={(make) =>
          onChange(({ breaks = [], ...rest }) => {
            const next = make(breaks);
            return next.length > 0 ? { ...rest, breaks: next } : rest;
          })
        }
      />
    </div>
  );
}

interface BreaksProps {
  readonly breaks: readonly DiscountBreak[];
  readonly onChange: (
    make: (breaks: readonly DiscountBreak[]) => readonly DiscountBreak[],
  ) => Promise<string | undefined>;
}

/** Less for each pack from so many in one order. */
function Breaks({ breaks, onChange }: BreaksProps) {
  const put = (at: number, changes: Partial<DiscountBreak>) =>
    onChange((latest) =>
      latest.map((step, which) => (which === at ? { ...step, ...changes } : step)),
    );
  const next = Math.max(1, ...breaks.map(({ fromPacks }) => fromPacks)) + 5;
  return (
    <div className="flex flex-col gap-2">
      <span className={LABEL_LOOK}>Discount breaks</span>
      {breaks.map((step, at) => (
        <div key={at} className="flex items-start gap-2">
          <NumberField
            {...leaving}
            className="w-28"
            label={`Break ${at + 1}, from packs`}
            labelHidden
            unit="packs"
            value={step.fromPacks}
            check={within(LIMITS.breakFromPacks)}
            onCommit={(fromPacks) => put(at, { fromPacks })}
          />
          <PercentField
            {...leaving}
            className="w-24"
            label={`Break ${at + 1}, discount`}
            labelHidden
            value={step.discount}
            onCommit={(discount) => put(at, { discount })}
          />
          <IconButton
            label={`Remove the break from ${number(step.fromPacks)} packs`}
            onClick={() => void onChange((latest) => latest.toSpliced(at, 1))}
          >
            <X aria-hidden size={16} />
          </IconButton>
        </div>
      ))}
      <Button
        className="self-start"
        onClick={() => void onChange((latest) => [...latest, { fromPacks: next, discount: 0.05 }])}
      >
        <Plus aria-hidden size={16} /> A break
      </Button>
    </div>
  );
}
