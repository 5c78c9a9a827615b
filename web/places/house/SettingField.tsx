import { LIMITS, MOST_PACE_SPREAD, within, type Limits } from '@bienestar/contract/limits';
import { paceSpreadOf, USUAL_SPREAD, type HouseSettings } from '@bienestar/core/house/settings';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { Segments } from '../../parts/Segments';
import { TextField } from '../../parts/TextField';
import { useSnapshot } from '../../store/house';
import { useChangeSettings } from '../../store/useEditPart';

const HIGHEST_FEE = 0.99;
const HIGHEST_ON_COST = 3;

/** Where a setting stands. */
interface Place<V> {
  readonly read: (settings: HouseSettings) => V | undefined;
  readonly write: (value: V, settings: HouseSettings) => Partial<HouseSettings>;
}

interface Words {
  readonly label: string;
  /** what it is, in a sentence, with a sensible start */
  readonly hint?: string;
  /** what becomes of it where the field is left empty, if it may be */
  readonly cleared?: Partial<HouseSettings>;
}

type Setting = Words &
  (
    | (Place<string> & { readonly kind: 'text'; readonly longest?: number })
    | (Place<string> & {
        readonly kind: 'one-of';
        readonly options: readonly { readonly value: string; readonly label: string }[];
      })
    | (Place<number> & { readonly kind: 'percent'; readonly from?: number; readonly to?: number })
    | (Place<number> & { readonly kind: 'money' })
    | (Place<number> & { readonly kind: 'number'; readonly limits: Limits; readonly unit?: string })
  );

function own<K extends keyof HouseSettings>(key: K): Place<Exclude<HouseSettings[K], undefined>> {
  return {
    read: (settings) => settings[key] as Exclude<HouseSettings[K], undefined> | undefined,
    write: (value) => ({ [key]: value }),
  };
}

function inGroup<G extends 'roomCost' | 'restock' | 'referenceClient' | 'coatMgPerCm2'>(
  group: G,
  key: keyof HouseSettings[G],
): Place<number> {
  return {
    read: (settings) => settings[group][key] as number,
    write: (value, settings) => ({ [group]: { ...settings[group], [key]: value } }),
  };
}

/** Every setting that is one field, said once: House, the ten questions and the menu show them. */
const SETTINGS = {
  name: { kind: 'text', label: 'Name', ...own('name') },
  place: { kind: 'text', label: 'Place', ...own('place') },
  currency: {
    kind: 'text',
    label: 'Currency',
    hint: 'three letters, such as EUR',
    longest: 3,
    read: ({ currency }) => currency,
    write: (currency) => ({ currency: currency.toUpperCase() }),
  },
  vat: {
    kind: 'percent',
    label: 'VAT',
    hint: 'The tax in your prices; ask your accountant which rate is yours.',
    ...own('vat'),
  },
  therapistCharge: {
    kind: 'one-of',
    label: 'A therapist is charged for',
    hint: 'Whether a service pays for the minutes at the guest, or for the whole slot that its therapist is kept.',
    options: [
      { value: 'attended', label: 'attended minutes' },
      { value: 'slot', label: 'the whole slot' },
    ],
    read: ({ therapistCharge }) => therapistCharge,
    write: (value) => ({ therapistCharge: value as HouseSettings['therapistCharge'] }),
  },
  expired: {
    kind: 'one-of',
    label: 'What expires open',
    hint: 'A jar that is opened and not used up in time is paid for by the visits that open it. Leave it out to see figures without it.',
    options: [
      { value: 'counted', label: 'in the cost of visits' },
      { value: 'left-out', label: 'left out' },
    ],
    read: ({ withoutExpired }) => (withoutExpired ? 'left-out' : 'counted'),
    write: (value) => ({ withoutExpired: value === 'left-out' ? true : undefined }),
  },
  onCost: {
    kind: 'percent',
    label: 'On-cost of pay',
    hint: 'Social security, holidays and insurance on top of pay; often 20 to 35 %. Begin with 24 %.',
    to: HIGHEST_ON_COST,
    ...own('onCost'),
  },
  bookableShare: {
    kind: 'percent',
    label: 'Bookable share of paid time',
    hint: 'Of paid hours, those in which a guest can be treated: without breaks, meetings and laundry. Begin with 75 %.',
    from: 0.01,
    ...own('bookableShare'),
  },
  fixedPerMonth: {
    kind: 'money',
    label: 'Rooms, fixed cost a month',
    hint: 'Rent, heating, light, cleaning, insurance and software of a month, all rooms together.',
    ...inGroup('roomCost', 'fixedPerMonthMinor'),
  },
  occupancy: {
    kind: 'percent',
    label: 'Planned occupancy',
    hint: 'The share of open hours that you plan to fill. Begin with 60 %; full houses reach 80 %.',
    from: 0.01,
    ...inGroup('roomCost', 'occupancy'),
  },
  openDays: {
    kind: 'number',
    label: 'Open days a month',
    hint: 'Days of a month on which guests come; six days a week are 26.',
    limits: LIMITS.openDaysPerMonth,
    ...inGroup('roomCost', 'openDaysPerMonth'),
  },
  openHours: {
    kind: 'number',
    label: 'Open hours a day',
    hint: 'Hours of a day in which a room can be booked.',
    limits: LIMITS.openHoursPerDay,
    ...inGroup('roomCost', 'openHoursPerDay'),
  },
  slotGrid: {
    kind: 'number',
    label: 'Slots on a grid of',
    hint: 'Slots are rounded up to this, as in your book.',
    unit: 'min',
    limits: LIMITS.slotGridMinutes,
    ...own('slotGridMinutes'),
  },
  usualSpread: {
    kind: 'percent',
    to: 0.9,
    label: 'Minutes and amounts vary by',
    hint: 'Filled in for least and most when you ask for them at a step. Begin with 20 %.',
    ...own('usualSpread'),
    read: ({ usualSpread = USUAL_SPREAD }) => usualSpread,
  },
  paceSpread: {
    kind: 'percent',
    to: MOST_PACE_SPREAD,
    label: 'Slow and quick days',
    hint: 'By how much a visit is slower or quicker as a whole: guests who talk, hands that are tired. Begin with 6 %; 0 % if all go alike.',
    ...own('paceSpread'),
    read: paceSpreadOf,
  },
  slotQuantile: {
    kind: 'percent',
    label: 'Visits that fit in the slot',
    hint: 'Of ten visits, how many must end within the slot; nine is usual.',
    from: 0.5,
    to: 0.999,
    ...own('slotQuantile'),
  },
  commission: {
    kind: 'percent',
    label: 'Commission on net',
    hint: 'What therapists or booking services take of the net price. None is 0 %.',
    to: HIGHEST_FEE,
    ...own('commission'),
  },
  cardFee: {
    kind: 'percent',
    label: 'Card fee on the price',
    hint: 'What the card company takes of the price with tax; often 1 to 2 %.',
    to: HIGHEST_FEE,
    ...own('cardFee'),
  },
  targetMargin: {
    kind: 'percent',
    label: 'Target margin',
    hint: 'What is to be left of the net price after all costs. Begin with 30 %.',
    to: HIGHEST_FEE,
    ...own('targetMargin'),
  },
  perRoomHour: {
    kind: 'money',
    label: 'A room hour brings',
    hint: 'What an hour of a room should bring towards rent and profit; rent and profit of a month by planned hours.',
    cleared: { targetPerRoomHourMinor: undefined },
    ...own('targetPerRoomHourMinor'),
  },
  orderCost: {
    kind: 'money',
    label: 'Cost of an order',
    hint: 'Writing, receiving and shelving one order, mostly working time; often a quarter of an hour.',
    ...inGroup('restock', 'orderCostMinor'),
  },
  holdingRate: {
    kind: 'percent',
    label: 'Keeping stock, a year',
    hint: 'Money that lies on the shelf, room and losses, a year, as a share of its value. Begin with 20 %.',
    from: 0.001,
    to: 5,
    ...inGroup('restock', 'holdingRate'),
  },
  countEvery: {
    kind: 'number',
    label: 'Count at least every',
    hint: 'How long a place on the shelf may go uncounted. Begin with 28 days.',
    unit: 'days',
    limits: LIMITS.countEveryDays,
    ...inGroup('restock', 'countEveryDays'),
  },
  spoons: {
    kind: 'one-of',
    label: 'Spoons in the drawer',
    options: [
      { value: 'metric', label: 'metric (5 and 15 ml)' },
      { value: 'us', label: 'US' },
    ],
    read: ({ spoons }) => spoons,
    write: (value) => ({ spoons: value as HouseSettings['spoons'] }),
  },
  clientHeight: {
    kind: 'number',
    label: 'Reference client, height',
    unit: 'cm',
    limits: LIMITS.heightCm,
    ...inGroup('referenceClient', 'heightCm'),
  },
  clientWeight: {
    kind: 'number',
    label: 'Reference client, weight',
    unit: 'kg',
    limits: LIMITS.weightKg,
    ...inGroup('referenceClient', 'weightKg'),
  },
  thinCoat: coatOf('thin'),
  standardCoat: coatOf('standard'),
  generousCoat: coatOf('generous'),
  handlingLoss: {
    kind: 'percent',
    label: 'Stays on hands and tools',
    to: HIGHEST_FEE,
    ...own('handlingLoss'),
  },
} as const satisfies Readonly<Record<string, Setting>>;

function coatOf(coat: keyof HouseSettings['coatMgPerCm2']) {
  return {
    kind: 'number',
    label: `A ${coat} coat`,
    unit: 'mg/cm²',
    limits: LIMITS.quantity,
    ...inGroup('coatMgPerCm2', coat),
  } as const;
}

interface SettingFieldProps {
  readonly of: keyof typeof SETTINGS;
  /** where there is less room */
  readonly hint?: string;
}

/** One setting of the house; it saves as it is left. */
export function SettingField({ of, hint }: SettingFieldProps) {
  const { settings } = useSnapshot();
  const change = useChangeSettings();
  const setting: Setting = SETTINGS[of];
  const shown = { label: setting.label, hint: hint ?? setting.hint, commitOn: 'leaving' } as const;
  const { cleared } = setting;
  const onClear = cleared ? () => void change(cleared) : 'needed';
  switch (setting.kind) {
    case 'text':
      return (
        <TextField
          {...shown}
          needed
          longest={setting.longest}
          value={setting.read(settings) ?? ''}
          onCommit={(value) => change(setting.write(value, settings))}
        />
      );
    case 'one-of':
      return (
        <div className="flex flex-col gap-2">
          <Segments
            label={setting.label}
            value={setting.read(settings) ?? ''}
            options={setting.options}
            onChoose={(value) => void change(setting.write(value, settings))}
          />
          {shown.hint !== undefined && <p className="text-xs text-ink-soft">{shown.hint}</p>}
        </div>
      );
    case 'percent':
      return (
        <PercentField
          {...shown}
          from={setting.from}
          to={setting.to}
          value={setting.read(settings)}
          onCommit={(value) => change(setting.write(value, settings))}
          onClear={onClear}
        />
      );
    case 'money':
      return (
        <MoneyField
          {...shown}
          value={setting.read(settings)}
          onCommit={(value) => change(setting.write(value, settings))}
          onClear={onClear}
        />
      );
    case 'number':
      return (
        <NumberField
          {...shown}
          unit={setting.unit}
          check={within(setting.limits)}
          value={setting.read(settings)}
          onCommit={(value) => change(setting.write(value, settings))}
          onClear={onClear}
        />
      );
  }
}

/** Settings beside one another. */
export function SettingFields({ of }: { readonly of: readonly SettingFieldProps['of'][] }) {
  return of.map((each) => <SettingField key={each} of={each} />);
}
