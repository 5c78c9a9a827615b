import { nanoid } from '@reduxjs/toolkit';
import { Plus, X } from 'lucide-react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { Versioned } from '@bienestar/contract/api';
import type { Supplier } from '@bienestar/core/house/house';
import { daysAfter, type Weekday } from '@bienestar/core/days/days';
import type { ClosedTime } from '@bienestar/core/house/supplier';
import { newSupplier } from '@bienestar/core/house/newSupplier';
import { asId } from '@bienestar/core/house/ids';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { weekdayName } from '../../format/figures';
import { Button, IconButton } from '../../parts/Button';
import { DayField } from '../../parts/DayField';
import { LABEL_LOOK } from '../../parts/FieldFrame';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import { TextField } from '../../parts/TextField';
import { useToday } from '../../store/clock';
import { useSnapshot } from '../../store/house';
import { useAddAndRemove, useChange, type ChangePart } from '../../store/useEditPart';
import { PurchaseTaxFields } from './PurchaseTaxFields';
import { AddLine, Line, Section } from './Section';

const DAYS = [
  ['leadTimeDays', 'Lead time'],
  ['leadTimeSdDays', 'give or take'],
  ['reviewDays', 'shelf checked every'],
] as const;
const WEEKDAYS: readonly Weekday[] = [1, 2, 3, 4, 5, 6, 7];

/** Who delivers, and how long it takes. */
export function SuppliersPanel() {
  const { suppliers } = useSnapshot();
  const { add } = useAddAndRemove('suppliers');
  return (
    <Section title="Suppliers">
      {suppliers.map((supplier, at) => (
        <SupplierLine key={supplier.id} supplier={supplier} labelled={at === 0} />
      ))}
      <AddLine
        what="Add a supplier"
        onAdd={() => void add(newSupplier(asId(nanoid(12)), 'New supplier'))}
      />
    </Section>
  );
}

interface DeliveryDaysProps extends SupplierLineProps {
  readonly change: ChangePart<Supplier>;
}

/** The days on which a supplier delivers; none ticked is any day. */
function DeliveryDays({ supplier, labelled, change }: DeliveryDaysProps) {
  const on = supplier.deliveryDays ?? [];
  const toggle = (day: Weekday): void => {
    void change(({ deliveryDays = [] }) => {
      const next = WEEKDAYS.filter((each) => (each === day) !== deliveryDays.includes(each));
      return { deliveryDays: next.length > 0 ? next : undefined };
    });
  };
  return (
    <fieldset className="ml-auto min-w-0">
      <legend className={labelled ? `${LABEL_LOOK} mb-1` : 'sr-only'}>
        delivers on{labelled ? '' : `: ${supplier.name}`}
      </legend>
      <div className="flex">
        {WEEKDAYS.map((day) => (
          <label
            key={day}
            title={weekdayName(day, 'long')}
            className="relative -ml-px flex h-9 w-7 items-center justify-center border border-line-strong bg-sheet text-sm first:ml-0 has-checked:bg-palm-wash has-checked:font-semibold has-focus-visible:outline-2 has-focus-visible:outline-focus"
          >
            <input
              type="checkbox"
              className="absolute inset-0 opacity-0"
              aria-label={`${supplier.name} delivers on ${weekdayName(day, 'long')}`}
              checked={on.includes(day)}
              onChange={() => toggle(day)}
            />
            {weekdayName(day, 'narrow')}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

interface SupplierLineProps {
  readonly supplier: Versioned<Supplier>;
  /** labels are shown once, above the first line */
  readonly labelled: boolean;
}

function SupplierLine({ supplier, labelled }: SupplierLineProps) {
  const change = useChange('suppliers', supplier);
  const { remove } = useAddAndRemove('suppliers');
  const { settings } = useSnapshot();
  return (
    <Line name={supplier.name} onRemove={() => void remove(supplier)}>
      <div className="flex min-w-0 flex-1 flex-col gap-2 border-b border-line pb-3">
        <div className="flex flex-wrap items-end gap-2">
          <TextField
            labelHidden={!labelled}
            className="flex-1"
            label="Supplier"
            needed
            commitOn="leaving"
            value={supplier.name}
            onCommit={(name) => change({ name })}
          />
          <TextField
            labelHidden={!labelled}
            className="w-36"
            label="published list"
            commitOn="leaving"
            longest={40}
            value={supplier.feed ?? ''}
            onCommit={(feed) => change({ feed: feed.trim() === '' ? undefined : feed.trim() })}
          />
          <MoneyField
            labelHidden={!labelled}
            className="w-32"
            label="least order"
            commitOn="leaving"
            value={supplier.leastOrderMinor}
            onCommit={(leastOrderMinor) => change({ leastOrderMinor })}
            onClear={() => void change({ leastOrderMinor: undefined })}
          />
        </div>
        <div className="flex flex-wrap items-end gap-2">
          {DAYS.map(([key, label]) => (
            <NumberField
              labelHidden={!labelled}
              key={key}
              className="w-28"
              label={label}
              unit="d"
              commitOn="leaving"
              value={supplier[key]}
              check={within(LIMITS.leadTimeDays)}
              onCommit={(days) => change({ [key]: days })}
            />
          ))}
          <DeliveryDays supplier={supplier} labelled={labelled} change={change} />
        </div>
        <PurchaseTaxFields
          of={supplier.name}
          tax={supplier.purchaseTax}
          usual={settings.purchaseTax?.rate ?? settings.vat}
          asHouse
          onChange={(purchaseTax) => change({ purchaseTax })}
        />
        <ClosedTimes supplier={supplier} change={change} />
        <TextField
          labelHidden={!labelled}
          label="through the year"
          commitOn="leaving"
          longest={LONGEST_NOTE}
          value={supplier.season ?? ''}
          onCommit={(season) =>
            change({ season: season.trim() === '' ? undefined : season.trim() })
          }
        />
      </div>
    </Line>
  );
}

interface ClosedTimesProps {
  readonly supplier: Supplier;
  readonly change: ChangePart<Supplier>;
}

/** When the supplier is closed: orders of those days wait, and what is kept is more before. */
function ClosedTimes({ supplier, change }: ClosedTimesProps) {
  const { name, closed = [] } = supplier;
  const today = useToday();
  const put = (next: readonly ClosedTime[]): Promise<string | undefined> =>
    change({ closed: next.length === 0 ? undefined : next });
  return (
    <div className="flex flex-col gap-2">
      {closed.map((time, at) => (
        <div key={at} className="flex items-end gap-2">
          <DayField
            className="w-40"
            label={at === 0 ? 'closed from' : `closed from, ${at + 1}`}
            value={time.from}
            onCommit={(from) => {
              if (from !== '')
                void put(closed.with(at, { from, to: from > time.to ? from : time.to }));
            }}
          />
          <DayField
            className="w-40"
            label={at === 0 ? 'to' : `to, ${at + 1}`}
            value={time.to}
            onCommit={(to) => {
              if (to !== '')
                void put(closed.with(at, { from: to < time.from ? to : time.from, to }));
            }}
          />
          <IconButton
            label={`Remove this time from ${name}`}
            className="mb-0.5"
            onClick={() => void put(closed.toSpliced(at, 1))}
          >
            <X aria-hidden size={16} />
          </IconButton>
        </div>
      ))}
      <Button
        weight="quiet"
        className="self-start"
        onClick={() => void put([...closed, { from: today, to: daysAfter(today, 13) }])}
      >
        <Plus aria-hidden size={16} /> {name} is closed for a time
      </Button>
    </div>
  );
}
