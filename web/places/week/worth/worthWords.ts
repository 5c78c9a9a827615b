import type { Lever } from '@bienestar/core/week/worth/levers';
import type { LimitLine, MixLine } from '@bienestar/core/week/worth/weekMix';
import { money, number } from '../../../format/figures';
import { capacityName, dayName, listed } from '../weekWords';

const SAME = 0.05;

/** What the best mix has more or less of than the plan, and why not more. */
export function lineWords(
  { planned, best, bounds, bookingWorth, costsElsewhere, need }: MixLine,
  currency: string,
): string {
  const than =
    best > planned + SAME
      ? `${number(best - planned, 1)} more`
      : best < planned - SAME
        ? `${number(planned - best, 1)} fewer`
        : 'as planned';
  const brings = money(need.contribution, currency);
  const elsewhere = costsElsewhere.reduce((sum, { minor }) => sum + minor, 0);
  const limits = listed(costsElsewhere.slice(0, 2).map(({ capacity }) => capacityName(capacity)));
  if (best > bounds.most - SAME && bookingWorth > 0) {
    return `${than}: guests ask for no more. One more booking is worth ${money(bookingWorth, currency)}.`;
  }
  if (best < bounds.least + SAME && elsewhere > need.contribution) {
    return `${than}: it brings ${brings}, and its time of ${limits} would bring ${money(elsewhere, currency)} elsewhere.`;
  }
  return limits === ''
    ? `${than}.`
    : `${than}: ${limits} ${costsElsewhere.length === 1 ? 'gives' : 'give'} out; elsewhere that time brings as much.`;
}

/** What one more hour is worth over the days: the same on all, or on which most. */
export function worthWords({ capacity, worth }: LimitLine, currency: string): string {
  const per = capacity.resource.kind === 'linen' ? 1 : 60;
  const open = worth.map((each, day) => ({ minor: each * per, day }));
  const there = open.filter(({ day }) => worth.length === 1 || (capacity.perDay[day] ?? 0) > 0);
  const most = there.toSorted((a, b) => b.minor - a.minor)[0];
  if (!most || most.minor < 0.5) return 'nothing: there is some left';
  const same = there.every(({ minor }) => most.minor - minor < 0.5);
  const text = money(most.minor, currency);
  if (capacity.resource.kind === 'linen') return `${text} a use`;
  return same ? `${text} on any day` : `${text} on ${dayName(most.day)}`;
}

/** What a lever is. */
export function leverName({ lever }: Lever): string {
  switch (lever.kind) {
    case 'hour-more':
      return `An hour more of ${lever.person.name} on ${dayName(lever.day)}`;
    case 'longer-day':
      return `${dayName(lever.day)} an hour longer`;
    case 'hire':
      return `Somebody more, as ${lever.like.name}`;
    case 'device':
      return `Another ${lever.device.name.toLocaleLowerCase()}`;
    case 'linen':
      return `${lever.material.name}: ${number(lever.pieces)} pieces more`;
    case 'room':
      return `Another ${lever.roomKind} room`;
    case 'shorter-slots':
      return `Slots ${number(lever.minutes)} minutes shorter`;
  }
}

/** Whether a lever pays. */
export function leverWords(
  { lever, gainPerWeek, costPerWeek, onceMinor, weeksToPay }: Lever,
  currency: string,
): string {
  const leaves = gainPerWeek - costPerWeek;
  if (lever.kind === 'shorter-slots') return 'more visits will begin late: see Played through';
  if (onceMinor !== undefined) {
    return weeksToPay === null || weeksToPay === undefined
      ? `${money(onceMinor, currency)} that never come back`
      : `${money(onceMinor, currency)} once, back after ${number(weeksToPay, 1)} weeks`;
  }
  return leaves >= 0
    ? `leaves ${money(leaves, currency)} a week`
    : `costs ${money(-leaves, currency)} a week more than it brings`;
}
