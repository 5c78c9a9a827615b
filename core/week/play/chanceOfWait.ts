import type { HouseFigures } from '../../figures/houseFigures';
import type { House } from '../../house/house';
import { asId, type PersonId, type RoomId } from '../../house/ids';
import { paceSpreadOf } from '../../house/settings';
import { collect, ok, type Outcome } from '../../problem/problem';
import { weekSettingsOf } from '../capacity';
import type { VisitNeed } from '../needs';
import { DayPlay } from './playDay';
import type { PlayedVisit } from './playedDay';
import { visitParts } from './visitParts';

/** How often somebody waits where two visits share hands. */
export interface PairWaits {
  /** the chance that either guest waits for hands longer than the house allows */
  readonly chance: number;
  /** of the second visit, how much later than meant its room is taken in the mean; minutes */
  readonly meanLate: number;
}

const SEED = 20_262;
/** Any hour of a day: nothing but the two visits is in it. */
const BEGINS = 600;

/**
 * How often a guest waits for hands where the second of two visits in two rooms begins so many minutes after the first,
 * with one therapist, and one assistant where one helps.
 * @param offset minutes
 * @param runs how often both are played through; seeded
 * @returns problems of a protocol that cannot be worked
 * @see W2
 */
export function chanceOfWait(
  [first, second]: readonly [VisitNeed, VisitNeed],
  offset: number,
  helped: 'helped' | 'alone',
  house: House,
  figures: HouseFigures,
  runs: number,
): Outcome<PairWaits> {
  const { walkMinutes, waitMinutes } = weekSettingsOf(house);
  const visits = collect(
    [first, second].map((need, at): Outcome<PlayedVisit> => {
      const work = figures.services.get(need.service.id)?.work;
      if (!work) return ok(nothing(at));
      if (!work.ok) return work;
      const parts = visitParts(work.value, need.service.visitKind, paceSpreadOf(house.settings));
      return parts.ok
        ? ok({
            ...nothing(at),
            starts: BEGINS + at * offset,
            slotMinutes: need.slotMinutes,
            parts: parts.value,
            therapistId: asId<PersonId>('therapist'),
            ...(helped === 'helped' && { assistantId: asId<PersonId>('assistant') }),
          })
        : parts;
    }),
  );
  if (!visits.ok) return visits;
  const play = new DayPlay(
    {
      visits: visits.value,
      devices: house.devices,
      walkMinutes,
      waitMinutes,
      lateMinutes: waitMinutes,
      guestLateness: [],
      noShows: 0,
    },
    SEED,
  );
  play.play(runs);
  const [one, other] = play.figures().visits;
  const waits = (played: typeof one): number => played?.shareWaitedTooLong ?? 0;
  const late = (other?.shareLate ?? 0) * (1 - waits(other));
  return ok({
    chance: Math.min(1, 1 - (1 - waits(one)) * (1 - waits(other)) * (1 - late)),
    meanLate: other?.meanLate ?? 0,
  });
}

function nothing(at: number): PlayedVisit {
  return {
    key: `${at}`,
    roomId: asId<RoomId>(`room-${at}`),
    starts: BEGINS,
    slotMinutes: 0,
    parts: [],
  };
}
