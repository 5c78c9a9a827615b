import type { Conflict } from '@bienestar/core/week/day/conflicts';
import type { SharedWork } from '@bienestar/core/week/day/sharedWork';
import type { FitReason } from '@bienestar/core/week/day/fits';
import { workName } from '@bienestar/core/week/needs';
import type { DayVisit } from '@bienestar/core/week/day/dayVisits';
import { spoken } from '../../../format/protocolWords';
import { money, number, shortDay } from '../../../format/figures';
import { clock, listed, ROOM_KIND_WORDS } from '../weekWords';

/** A visit in a few words. */
export function visitWords({ starts, need, name }: DayVisit): string {
  return `${clock(starts)} ${workName(need)}${name === '' ? '' : ` (${name})`}`;
}

/** What does not fit, said so that one knows what to do about it. */
export function conflictWords(conflict: Conflict): string {
  const { kind, visits, span, name = '', figure = 0 } = conflict;
  const last = visits.at(-1);
  const which = listed(visits.map(visitWords));
  const from = clock(span.from);
  const to = clock(span.to);
  switch (kind) {
    case 'room-twice':
      return `${name} is taken twice from ${from} to ${to}: ${which}.`;
    case 'room-kind':
      return `${which} takes a ${last ? ROOM_KIND_WORDS[last.need.roomKind] : 'room of its kind'}; ${name} is none.`;
    case 'no-room':
      return `${which} has no room at its time.`;
    case 'hands-twice':
      return `${name} is wanted twice from ${from} to ${to}: ${which}.`;
    case 'no-walk':
      return `${name} has no ${number(figure)} min to walk between ${which}.`;
    case 'nobody':
      return `Nobody is free for ${which}.`;
    case 'may-not':
      return `${name} may not perform ${which}: not named for it, or not trained.`;
    case 'not-offered':
      return `${name === '' ? 'An add-on that is gone' : name} is not offered within ${which}.`;
    case 'not-there':
      return `${name} is not there from ${from} to ${to}: ${which}.`;
    case 'closed':
      return `The house is closed during ${which}${name === '' ? '' : ` (${name})`}.`;
    case 'past-midnight':
      return `${which} goes on past midnight.`;
    case 'skipped-hour':
      return `The clock skips that hour: ${which}.`;
    case 'device':
      return `${name}: there ${figure === 1 ? 'is one' : `are ${number(figure)}`}, and ${which} need it from ${from} to ${to}.`;
    case 'hot-towels':
      return `${number(figure)} hot towels too few at ${from}: ${which}.`;
    case 'linen':
      return `${name}: ${number(figure)} pieces are still in the laundry, for ${which}.`;
    case 'rest':
      return conflict.rest
        ? `${name}: ${number(figure)} days of rest between ${spoken(conflict.rest.after)} and ${spoken(conflict.rest.before)}, ${which}.`
        : `${name} was or will be here too soon: ${number(figure)} days apart at least, ${which}.`;
    case 'guest-twice':
      return `${name} is in two visits at once: ${which}.`;
    case 'book-moved':
      return `The book has ${which} on ${shortDay(name)} at ${clock(figure)} by now.`;
    case 'book-gone':
      return `The book has it no more: ${which}.`;
  }
}

/** Why a place is a good one, or what it leaves. */
export function reasonWords(reason: FitReason): string {
  switch (reason.kind) {
    case 'fills-gap':
      return 'fills a gap';
    case 'right-after':
      return `right after ${reason.visit.need.service.name}`;
    case 'right-before':
      return `right before ${reason.visit.need.service.name}`;
    case 'staggered':
      return `hands are free beside ${reason.visit.need.service.name}`;
    case 'room-free-all-day':
      return 'the room is free all day';
    case 'spared':
      return reason.minutes > 0
        ? `${reason.name} is ready already: ${number(reason.minutes)} min less`
        : `${reason.name} is ready already`;
    case 'wastes':
      return `leaves ${number(reason.minutes)} min that fit nothing`;
  }
}

/** What is done once for several visits. */
export function sharedWords(shared: SharedWork, saves: number, currency: string): string {
  const { first, others, minutes } = shared;
  const later = listed(others.map(visitWords));
  if (shared.kind === 'warm') {
    return `${shared.device.name} is still warm from ${visitWords(first)} for ${later}: no ${number(minutes)} min of warming up.`;
  }
  const { work } = shared;
  const taken = [
    ...(minutes > 0 ? [`${number(minutes)} min less for each later one`] : []),
    ...(saves >= 1 ? [`${money(saves, currency)} less thrown away`] : []),
  ];
  return `${work.name}: ${work.mix ? 'made' : 'done'} once in ${visitWords(first)}, also for ${later}${taken.length > 0 ? `: ${taken.join(', ')}` : ''}.`;
}
