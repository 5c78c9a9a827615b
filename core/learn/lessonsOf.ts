import type { House } from '../house/house';
import type { LogbookVisit } from '../house/logbook';
import { paceSpreadOf, type DeclinedLesson } from '../house/settings';
import { amountLessons } from './amountLessons';
import { SURE_ERRORS, written as writtenTo, type Lesson } from './lesson';
import { minuteLessons } from './minuteLessons';
import { paceSeen } from './pace';
import { settingLessons } from './settingLessons';
import { ifNeededLessons, slotLessons, takeUpLessons } from './shareLessons';
import { writtenNow } from './writtenNow';

/** How far one is: parts of 1. */
export type Progress = (done: number) => void;

/**
 * What the log teaches about the house, the surest and largest first. Only visits that were worked by what is
 * written now count, so that what was adopted is not taught again.
 * @param visits of the logbook, in any order; what was taken back is left out by the caller
 * @param onProgress is told how far it is
 * @see L1 L2 L3 L4 T7
 */
export function lessonsOf(
  visits: readonly LogbookVisit[],
  house: House,
  onProgress: Progress = () => undefined,
): Lesson[] {
  const inOrder = visits.toSorted((a, b) => (a.entry.at < b.entry.at ? -1 : 1));
  const now = writtenNow(house);
  const parts: readonly (() => Lesson[])[] = [
    () => minuteLessons(inOrder, now, house.settings),
    () => amountLessons(inOrder, now),
    () => settingLessons(inOrder, now),
    () => slotLessons(inOrder, house.settings),
    () => ifNeededLessons(inOrder, now),
    () => takeUpLessons(inOrder, now),
    () => paceLessons(inOrder, house),
  ];
  const all = parts.flatMap((teach, at) => {
    const lessons = teach();
    onProgress((at + 1) / parts.length);
    return lessons;
  });
  const rank = ({ sure, size }: Lesson): number => (sure === 'sure' ? 1 : 0) + Math.abs(size);
  return all.toSorted((a, b) => rank(b) - rank(a));
}

/** Another spread of the pace than this is worth writing. */
const WORTH_SPREAD = 0.01;
const NO_CHANCE = 3.5;
const PACE_PLACES = 3;

function paceLessons(visits: readonly LogbookVisit[], { settings }: House): Lesson[] {
  const seen = paceSeen(visits, settings);
  const written = paceSpreadOf(settings);
  if (!seen || seen.errors < NO_CHANCE) return [];
  const proposed = writtenTo(seen.proposed, PACE_PLACES);
  if (Math.abs(proposed - written) < WORTH_SPREAD) return [];
  return [
    {
      key: 'pace',
      about: { kind: 'pace', written, seen: seen.spread, proposed, visits: seen.visits },
      size: written === 0 ? seen.spread : seen.spread / written - 1,
      sure: seen.errors >= SURE_ERRORS ? 'sure' : 'likely',
    },
  ];
}

/** By how much a lesson that was declined must have grown to be told again. */
const GROWN = 1.5;

/** The lessons that are to be told: not those that were declined and have not grown by half since. */
export function lessonsToTell(
  lessons: readonly Lesson[],
  declined: readonly DeclinedLesson[],
): { readonly told: readonly Lesson[]; readonly declined: readonly Lesson[] } {
  const known = new Map(declined.map((each) => [each.key, each]));
  const isDeclined = ({ key, size }: Lesson): boolean => {
    const before = known.get(key);
    if (!before) return false;
    const isOtherWay = Math.sign(size) !== Math.sign(before.size);
    return !isOtherWay && Math.abs(size) < GROWN * Math.abs(before.size);
  };
  return {
    told: lessons.filter((each) => !isDeclined(each)),
    declined: lessons.filter(isDeclined),
  };
}
