import { chargedMinutes, type MinuteRates, type ServiceCost } from '../cost/serviceCost';
import { ratePerMinute } from '../cost/therapistRate';
import type { Person, Service } from '../house/house';
import type { HouseSettings, TherapistCharge } from '../house/settings';
import type { Schedule } from '../time/schedule';
import { priceFigures, type PriceFigures, type PriceLoad } from './priceOf';

/** The same visit at the same price, with hands counted another way. Minor units. */
export interface Variant {
  readonly of:
    | { readonly kind: 'performer'; readonly person: Person }
    | { readonly kind: 'charge'; readonly charge: TherapistCharge };
  readonly hands: number;
  readonly figures: PriceFigures;
}

interface Counted {
  readonly service: Service;
  readonly people: readonly Person[];
  readonly schedule: Pick<Schedule, 'slotMinutes' | 'attended'>;
  readonly cost: ServiceCost;
  readonly rates: MinuteRates;
  readonly gross: number;
  readonly load: PriceLoad;
  readonly settings: HouseSettings;
}

/**
 * What a visit at its price leaves by who performs it, and were a therapist charged the other way:
 * for attended minutes, or for the whole slot.
 * @see C3 C7 P6
 */
export function variantsOf(counted: Counted): readonly Variant[] {
  const { service, people, settings, rates } = counted;
  const performers = people.filter((person) => service.therapistIds.includes(person.id));
  const byPerformer = performers.flatMap((person): Variant[] => {
    const rate = ratePerMinute([person], 'therapist', settings, {});
    if (!rate.ok) return [];
    const of = { kind: 'performer', person } as const;
    return variant(of, rate.value, settings.therapistCharge, counted);
  });
  const byCharge = (['attended', 'slot'] as const).flatMap((charge): Variant[] =>
    variant({ kind: 'charge', charge }, rates.therapist, charge, counted),
  );
  return [...byPerformer, ...byCharge];
}

function variant(
  of: Variant['of'],
  rate: number,
  charge: TherapistCharge,
  { schedule, cost, rates, gross, load, settings }: Counted,
): Variant[] {
  const hands =
    chargedMinutes(schedule, charge, 'therapist') * rate +
    chargedMinutes(schedule, charge, 'assistant') * rates.assistant;
  const directCost = cost.direct.usual - cost.therapist.usual + hands;
  const figures = priceFigures(gross, { ...load, directCost }, settings, {});
  return figures.ok ? [{ of, hands, figures: figures.value }] : [];
}
