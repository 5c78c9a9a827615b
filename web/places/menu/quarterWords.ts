import type { MapPlace, MenuMap, Quarter } from '@bienestar/core/figures/menuMap';
import { money, number, percent } from '../../format/figures';

export const QUARTER_TITLES: Record<Quarter, string> = {
  carries: 'Carries the house',
  hidden: 'Hidden',
  toils: 'Toils',
  rests: 'Rests',
};

export const QUARTER_WORDS: Record<Quarter, string> = {
  carries: 'Earns its room and is booked: keep it as it is, and keep it in stock.',
  hidden: 'Earns its room, but few book it: show it, offer it, name it better.',
  toils: 'Often booked for too little: raise it, or take minutes or product out.',
  rests: 'Seldom booked, and for too little: rework it, or leave it off.',
};

/** What to do about a service, with the figures that say so. */
export function adviceFor(place: MapPlace, map: MenuMap, currency: string): string {
  const { quarter, toReach, perRoomHour, visitsPerWeek, contributionPerWeek, roomHoursPerWeek } =
    place;
  if (quarter === 'carries') return `Brings ${money(contributionPerWeek, currency)} a week.`;
  if (quarter === 'hidden') {
    const more = money(perRoomHour - map.line, currency);
    return visitsPerWeek === 0
      ? `Nobody books it yet; a room hour of it brings ${more} more than the line.`
      : `Each more hour of it brings ${more} more than the line.`;
  }
  const raise = toReach
    ? `${money(toReach.gross, currency)} would reach the line${mayStayAway(toReach.change.visitsMayChange)}.`
    : 'No price reaches the line.';
  if (quarter === 'toils') return raise;
  return `${raise} Off the menu it frees ${number(roomHoursPerWeek, 1)} room hours a week.`;
}

function mayStayAway(visitsMayChange: number | null): string {
  return visitsMayChange === null || visitsMayChange >= 0
    ? ''
    : `, and ${percent(-visitsMayChange, 0)} of visits may stay away`;
}
