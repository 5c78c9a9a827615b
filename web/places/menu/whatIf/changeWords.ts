import type { Change, House, TriedSetting } from '@bienestar/core/house/house';
import { spansText } from '@bienestar/core/week/typedSpans';
import { money, number, percent, weekdayName } from '../../../format/figures';
import { spoken } from '../../../format/protocolWords';

/** A figure of the house that can be tried, in words, and how it is typed. */
export const SETTING_WORDS: Record<
  TriedSetting,
  { readonly name: string; readonly as: 'share' | 'money' | 'number' }
> = {
  vat: { name: 'VAT', as: 'share' },
  commission: { name: 'Commission on net', as: 'share' },
  cardFee: { name: 'Card fee', as: 'share' },
  onCost: { name: 'On-cost of pay', as: 'share' },
  bookableShare: { name: 'Bookable share of paid time', as: 'share' },
  targetMargin: { name: 'Target margin', as: 'share' },
  targetPerRoomHourMinor: { name: 'A room hour brings', as: 'money' },
  occupancy: { name: 'Planned occupancy', as: 'share' },
  fixedPerMonthMinor: { name: 'Rooms, fixed cost a month', as: 'money' },
  openDaysPerMonth: { name: 'Open days a month', as: 'number' },
  openHoursPerDay: { name: 'Open hours a day', as: 'number' },
};

/** What can be tried, as it stands in the list that offers it. */
export const KIND_WORDS: Record<Change['kind'], string> = {
  setting: 'A figure of the house',
  charge: 'How hands are charged',
  pay: 'Pay',
  supplier: 'All prices of a supplier',
  'pack-price': 'The price of a pack',
  pack: 'Another pack',
  swap: 'Another material instead',
  minutes: 'Longer or shorter',
  edition: 'Another edition',
  price: 'A price on the menu',
  visits: 'Visits a week',
  'work-hours': 'Who works when',
  'open-hours': 'When the house is open',
  hire: 'Somebody more',
  room: 'Another room',
  'device-count': 'How many of a device',
};

/** What the house has now of a figure that can be tried. */
export function settingNow({ settings }: House, setting: TriedSetting): number {
  switch (setting) {
    case 'occupancy':
    case 'fixedPerMonthMinor':
    case 'openDaysPerMonth':
    case 'openHoursPerDay':
      return settings.roomCost[setting];
    case 'targetPerRoomHourMinor':
      return settings.targetPerRoomHourMinor ?? 0;
    default:
      return settings[setting];
  }
}

/** One change of a scenario, said in a line. */
export function changeWords(change: Change, house: House): string {
  const { currency } = house.settings;
  const material = (id: string): string => nameIn(house.materials, id);
  switch (change.kind) {
    case 'setting': {
      const { name } = SETTING_WORDS[change.setting];
      return `${name} ${settingText(change.setting, change.to, currency)} instead of ${settingText(change.setting, settingNow(house, change.setting), currency)}`;
    }
    case 'charge':
      return change.to === 'slot' ? 'The whole slot is charged' : 'Attended minutes are charged';
    case 'pay': {
      const who =
        change.personId === undefined ? 'Everybody' : nameIn(house.people, change.personId);
      return `${who} is paid ${changeBy(change.byShare)}`;
    }
    case 'supplier':
      return `${nameIn(house.suppliers, change.supplierId)} asks ${changeBy(change.byShare)}`;
    case 'pack-price':
      return `A pack of ${material(change.materialId)} at ${money(change.priceMinor, currency)}`;
    case 'pack':
      return `${material(change.materialId)} bought in another pack`;
    case 'swap':
      return `${material(change.to)} instead of ${material(change.from)}${within(house, change.protocolId)}`;
    case 'minutes': {
      const long = change.byMinutes < 0 ? 'shorter' : 'longer';
      return `“${spoken(change.phase)}” ${number(Math.abs(change.byMinutes))} min ${long}${within(house, change.protocolId)}`;
    }
    case 'edition': {
      const by = change.edition === undefined ? 'its draft' : `edition ${change.edition}`;
      return `${nameIn(house.services, change.serviceId)} worked by ${by}`;
    }
    case 'price':
      return `${nameIn(house.services, change.serviceId)} at ${money(change.grossMinor, currency)}`;
    case 'visits':
      return `${nameIn(house.services, change.serviceId)}: ${number(change.visitsPerWeek)} visits a week`;
    case 'work-hours':
      return `${nameIn(house.people, change.personId)} on ${weekdayName(change.weekday, 'long')}: ${spansText(change.spans) || 'off'}`;
    case 'open-hours':
      return `${weekdayName(change.weekday, 'long')} open ${spansText(change.spans) || 'not at all'}`;
    case 'hire':
      return `${change.name}, as ${nameIn(house.people, change.likeId)}`;
    case 'room':
      return `${change.name}, a ${change.roomKind} room more`;
    case 'device-count':
      return `${number(change.count)} of ${nameIn(house.devices, change.deviceId)}`;
  }
}

function settingText(setting: TriedSetting, value: number, currency: string): string {
  const { as } = SETTING_WORDS[setting];
  if (as === 'share') return percent(value, 2);
  return as === 'money' ? money(value, currency) : number(value);
}

function changeBy(share: number): string {
  return share < 0 ? `${percent(-share, 2)} less` : `${percent(share, 2)} more`;
}

function within({ protocols }: House, id: string | undefined): string {
  return id === undefined ? '' : ` in ${nameIn(protocols, id)}`;
}

function nameIn(
  things: readonly { readonly id: string; readonly name: string }[],
  id: string,
): string {
  return things.find((thing) => thing.id === id)?.name ?? 'what is no longer there';
}
