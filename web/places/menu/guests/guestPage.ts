import { cautionsOf } from '@bienestar/core/care/cautionsOf';
import type { HouseFigures } from '@bienestar/core/figures/houseFigures';
import type { GuestMenu, GuestWords, House, Offer, Service } from '@bienestar/core/house/house';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import type { Outcome } from '@bienestar/core/problem/problem';
import type { OfferFigures } from '@bienestar/core/offer/offerFigures';
import { dayText, money, number } from '../../../format/figures';

/** A line of a menu as it is printed. */
export interface PrintedLine {
  readonly key: string;
  readonly name: string;
  readonly minutes?: string;
  /** nothing while it cannot be counted */
  readonly price?: string;
  readonly text?: string;
  readonly cautions: readonly string[];
}

/** A menu as it is printed: everything in words. */
export interface PrintedMenu {
  readonly house: string;
  readonly title: string;
  readonly intro?: string;
  readonly sections: readonly {
    readonly key: string;
    readonly title: string;
    readonly text?: string;
    readonly lines: readonly PrintedLine[];
  }[];
  readonly foot?: string;
}

const KNOWN_BEFORE: readonly string[] = ['health', 'medicine'];

type CountOffer = (offer: Offer) => Outcome<OfferFigures>;

/**
 * A menu in the words that guests read: names and texts as they were given, else as the house calls
 * things; minutes told, else those of the visit; the charged price; and cautions, else what of health and
 * medicine must stop the treatment by its protocol.
 */
export function guestPage(
  menu: GuestMenu,
  house: House,
  figures: HouseFigures,
  countOffer: CountOffer,
): PrintedMenu {
  return {
    house: house.settings.name,
    title: menu.name,
    ...(menu.intro !== undefined && { intro: menu.intro }),
    sections: menu.sections.map(({ id, title, text, lines }) => ({
      key: id,
      title,
      ...(text !== undefined && { text }),
      lines: lines.flatMap((line, at): PrintedLine[] => {
        const key = `${id}-${at}`;
        if (line.kind === 'service') {
          const service = house.services.find((each) => each.id === line.serviceId);
          return service ? [{ key, ...serviceLine(service, house, figures) }] : [];
        }
        const offer = house.offers.find((each) => each.id === line.offerId);
        return offer ? [{ key, ...offerLine(offer, house, figures, countOffer) }] : [];
      }),
    })),
    ...(menu.foot !== undefined && { foot: menu.foot }),
  };
}

type Said = Omit<PrintedLine, 'key'>;

function serviceLine(service: Service, house: House, figures: HouseFigures): Said {
  const of = figures.services.get(service.id);
  const { currency } = house.settings;
  const minutes =
    service.guest?.minutes ?? (of?.schedule.ok ? of.schedule.value.guestMinutes : undefined);
  return said(service.guest, service.name, {
    minutes: minutes === undefined ? undefined : `${number(minutes, 0)} min`,
    price: of?.price.ok ? shortMoney(of.price.value.gross, currency) : undefined,
    cautions: service.guest?.cautions ?? stopsOf(service, house, figures),
  });
}

function offerLine(
  offer: Offer,
  house: House,
  figures: HouseFigures,
  countOffer: CountOffer,
): Said {
  const counted = countOffer(offer);
  const { currency } = house.settings;
  const told = (id: string): number => {
    const service = house.services.find((each) => each.id === id);
    const schedule = service && figures.services.get(service.id)?.schedule;
    return service?.guest?.minutes ?? (schedule?.ok === true ? schedule.value.guestMinutes : 0);
  };
  return said(offer.guest, offer.name, {
    minutes: offerMinutes(offer, counted.ok ? counted.value : undefined, told),
    price: counted.ok ? shortMoney(counted.value.price.gross, currency) : undefined,
    cautions: offer.guest?.cautions ?? [],
  });
}

function offerMinutes(
  offer: Offer,
  figures: OfferFigures | undefined,
  told: (serviceId: string) => number,
): string | undefined {
  if (offer.guest?.minutes !== undefined) return `${number(offer.guest.minutes, 0)} min`;
  if (offer.kind === 'course') {
    const visits = offer.visits.reduce((sum, { times }) => sum + times, 0);
    return `${number(visits)} visits`;
  }
  if (offer.kind === 'duo') return `${number(Math.max(...offer.serviceIds.map(told)), 0)} min`;
  return figures?.kind === 'package' ? `${number(figures.slotMinutes, 0)} min` : undefined;
}

function said(
  guest: GuestWords | undefined,
  name: string,
  of: {
    readonly minutes: string | undefined;
    readonly price: string | undefined;
    readonly cautions: readonly string[];
  },
): Said {
  return {
    name: guest?.name ?? name,
    cautions: of.cautions,
    ...(of.minutes !== undefined && { minutes: of.minutes }),
    ...(of.price !== undefined && { price: of.price }),
    ...(guest?.text !== undefined && { text: guest.text }),
  };
}

/** What a guest knows before booking and what must stop a treatment: of the rest the consultation asks. */
function stopsOf(service: Service, house: House, figures: HouseFigures): readonly string[] {
  const work = figures.services.get(service.id)?.work;
  if (work?.ok !== true) return [];
  const index = indexHouse(house);
  const { cautions } = cautionsOf(work.value, index, index.devices);
  const known = cautions.flatMap(({ level, subject, text, removed }) =>
    level === 'stop' && KNOWN_BEFORE.includes(subject) && removed === undefined
      ? [text.charAt(0).toLowerCase() + text.slice(1)]
      : [],
  );
  return known.length === 0 ? [] : [`Please ask us before you book: ${known.join(', ')}.`];
}

/** Whole amounts without their cents: a menu is read, not added up. */
function shortMoney(minor: number, currency: string): string {
  return money(minor, currency).replace(/[.,]00(?=\D*$)/, '');
}

/** The days on which a menu is shown, in words. */
export function shownWords({ from, until }: Pick<GuestMenu, 'from' | 'until'>): string {
  if (from !== undefined && until !== undefined) return `${dayText(from)} to ${dayText(until)}`;
  if (from !== undefined) return `from ${dayText(from)}`;
  return until === undefined ? 'all year' : `until ${dayText(until)}`;
}
