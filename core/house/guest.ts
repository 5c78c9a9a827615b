import type { MenuId, OfferId, ServiceId } from './ids';

/** What guests read of something that is sold; what is not said is as the house calls it. */
export interface GuestWords {
  readonly name?: string;
  readonly text?: string;
  /** minutes told to guests; those of the visit unless given */
  readonly minutes?: number;
  /** cautions that must be read before booking */
  readonly cautions?: readonly string[];
}

/** One line of a printed menu. */
export type MenuLine =
  | { readonly kind: 'service'; readonly serviceId: ServiceId }
  | { readonly kind: 'offer'; readonly offerId: OfferId };

export interface MenuSection {
  readonly id: string;
  readonly title: string;
  readonly text?: string;
  readonly lines: readonly MenuLine[];
}

/** A menu as guests read it: of the whole year, or of a season. */
export interface GuestMenu {
  readonly id: MenuId;
  readonly name: string;
  /** days on which it begins and ends to be shown, ISO; always unless given */
  readonly from?: string;
  readonly until?: string;
  /** under the title */
  readonly intro?: string;
  readonly sections: readonly MenuSection[];
  /** at the end: what holds for everything */
  readonly foot?: string;
}

/** Whether a menu is shown on a day. @param day ISO date */
export function isShownOn(
  { from, until }: Pick<GuestMenu, 'from' | 'until'>,
  day: string,
): boolean {
  return (from === undefined || from <= day) && (until === undefined || day <= until);
}
