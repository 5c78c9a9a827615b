import { dayOf, daysBetween } from '../../days/days';
import type { House, PlacedVisit } from '../../house/house';
import type { ServiceId } from '../../house/ids';
import { restBetween, USUAL_RESTS, type RestKind, type RestRule } from '../../house/rests';
import type { VisitNeed } from '../needs';
import type { DayVisit } from './dayVisits';

/** What a guest goes by; nothing where nobody has said who it is. */
export function guestKey(name: string): string {
  return name.trim().toLocaleLowerCase();
}

/** A rest that is asked for: days, and the kinds of work between which; of one treatment its spacing. */
export interface RestAsked {
  readonly days: number;
  readonly rule?: RestRule;
}

/**
 * The longest rest that a visit on a day would not keep from the others of its guest, before and after: of the same
 * treatment by its spacing, of others by the rests of the house. Visits of one day are one appointment: what may be done
 * in that, protocols and rules of the house say.
 * @param day ISO date
 * @see K1 K2
 */
export function restMissed(
  { key, name, need }: Pick<DayVisit, 'key' | 'name' | 'need'>,
  day: string,
  house: Pick<House, 'placed' | 'protocols' | 'settings'>,
  needs: readonly VisitNeed[],
): RestAsked | undefined {
  const guest = guestKey(name);
  if (guest === '') return undefined;
  const { timeZone, rests = USUAL_RESTS } = house.settings;
  const found = house.placed.flatMap((other): RestAsked[] => {
    if (other.id === key || guestKey(other.name) !== guest) return [];
    const on = dayOf(new Date(other.at), timeZone);
    const days = Math.abs(daysBetween(on, day));
    const theirs = needs.find(({ service }) => service.id === other.serviceId);
    if (!theirs) return [];
    if (theirs.service.protocolId === need.service.protocolId) {
      const least = spacingOf(need, house);
      return days < least ? [{ days: least }] : [];
    }
    const kinds = kindsOf(other, needs);
    const [first, second] = on < day ? [kinds, need.restKinds] : [need.restKinds, kinds];
    const rule = restBetween(rests, first, second);
    return rule && days > 0 && days < rule.days ? [{ days: rule.days, rule }] : [];
  });
  return found.toSorted((a, b) => b.days - a.days)[0];
}

/** The kinds of work of a placed visit, and of what is worked within it. */
function kindsOf(
  { serviceId, addOnIds = [] }: PlacedVisit,
  needs: readonly VisitNeed[],
): ReadonlySet<RestKind> {
  const ids: readonly ServiceId[] = [serviceId, ...addOnIds];
  return new Set(
    needs.flatMap(({ service, restKinds }) => (ids.includes(service.id) ? [...restKinds] : [])),
  );
}

function spacingOf(
  { service }: Pick<VisitNeed, 'service'>,
  { protocols }: Pick<House, 'protocols'>,
): number {
  return protocols.find(({ id }) => id === service.protocolId)?.around?.spacing?.leastDays ?? 0;
}
