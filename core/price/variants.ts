import { payIn, type ServiceRates } from '../cost/performers';
import { chargedMinutes, type ServiceCost } from '../cost/serviceCost';
import { payRate, type PayRate } from '../cost/therapistRate';
import type { Person } from '../house/house';
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
  readonly schedule: Pick<Schedule, 'slotMinutes' | 'attended'>;
  readonly cost: ServiceCost;
  readonly rates: ServiceRates;
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
  const { settings, rates } = counted;
  const byPerformer = rates.people.therapist.flatMap((person): Variant[] => {
    const rate = payRate([person], 'therapist', settings, {});
    if (!rate.ok) return [];
    const of = { kind: 'performer', person } as const;
    return variant(of, rate.value, settings.therapistCharge, counted);
  });
  const byCharge = (['attended', 'slot'] as const).flatMap((charge): Variant[] =>
    variant({ kind: 'charge', charge }, rates.pay.therapist, charge, counted),
  );
  return [...byPerformer, ...byCharge];
}

function variant(
  of: Variant['of'],
  rate: PayRate,
  charge: TherapistCharge,
  { schedule, cost, rates, gross, load, settings }: Counted,
): Variant[] {
  const minutes = chargedMinutes(schedule, charge, 'therapist');
  const helped = chargedMinutes(schedule, charge, 'assistant');
  const hands = minutes * rate.perMinute + helped * rates.assistant;
  const directCost = cost.direct.usual - cost.therapist.usual + hands;
  const fixed = minutes * rate.fixed + helped * rates.fixed.assistant;
  const pay = payIn({ ...rates.pay, therapist: rate }, fixed);
  const figures = priceFigures(gross, { ...load, directCost, pay }, settings, {});
  return figures.ok ? [{ of, hands, figures: figures.value }] : [];
}
