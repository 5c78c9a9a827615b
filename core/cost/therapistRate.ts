import type { Person, Role } from '../house/house';
import { fail, ok, type Outcome, type Where } from '../problem/problem';
import type { HouseSettings } from '../house/settings';

export type PaySettings = Pick<HouseSettings, 'onCost' | 'bookableShare' | 'grades' | 'roomCost'>;

/** Weeks of a month: a year has 52 of them. */
export const WEEKS_A_MONTH = 52 / 12;

/** Everything that a person is paid. */
export interface Pay {
  /** minor units */
  readonly hourlyMinor: number;
  /** hours of work are paid, not those that are agreed */
  readonly whenWorking: boolean;
  /** minor units, whether or not somebody comes */
  readonly perMonthMinor: number;
  /** of the net price of a visit */
  readonly shareOfPrice: number;
  /** the employer's cost on top of all of it, a share */
  readonly onCost: number;
}

/**
 * What a person is paid, and the employer's cost on top: by the person's grade where it is
 * known, each with what is said for the person or the grade alone, or the house's.
 * @see C3 C9
 */
export function payOf(person: Person, { grades = [], onCost }: PaySettings): Pay {
  const grade = grades.find(({ name }) => name === person.grade);
  return {
    hourlyMinor: grade?.hourlyPayMinor ?? person.hourlyPayMinor,
    whenWorking: person.paidWhenWorking === true,
    perMonthMinor: person.monthlyPayMinor ?? 0,
    shareOfPrice: person.shareOfPrice ?? 0,
    onCost: person.onCost ?? grade?.onCost ?? onCost,
  };
}

/** Paid hours of a person a week; the house's open hours unless they are said. @see C8 */
export function paidHoursOf(
  { hoursPerWeek }: Pick<Person, 'hoursPerWeek'>,
  { roomCost }: Pick<HouseSettings, 'roomCost'>,
): number {
  return hoursPerWeek ?? (roomCost.openDaysPerMonth * roomCost.openHoursPerDay) / WEEKS_A_MONTH;
}

/**
 * What a person is owed a month, on-cost included, whether or not somebody comes. Minor units.
 * @see C8 C9
 */
export function owedPerMonth(person: Person, settings: PaySettings): number {
  const { hourlyMinor, whenWorking, perMonthMinor, onCost } = payOf(person, settings);
  const agreed = whenWorking ? 0 : hourlyMinor * paidHoursOf(person, settings) * WEEKS_A_MONTH;
  return (agreed + perMonthMinor) * (1 + onCost);
}

/** What the work of people costs; the mean of several. On-cost included. */
export interface PayRate {
  /** minor units per minute of work */
  readonly perMinute: number;
  /** of that, what is owed whether or not somebody comes */
  readonly fixed: number;
  /** of the net price of a visit, besides */
  readonly shareOfPrice: number;
  /** minor units that one of them is owed a month, whether or not somebody comes */
  readonly owedPerMonth: number;
}

/**
 * What a minute of work costs. Pay that is owed anyhow (agreed hours, pay by the month spread over them) is
 * pay x (1 + on-cost) / 60 / bookable share of paid time; pay for hours of work alone is pay x (1 + on-cost) / 60.
 * @param people whose mean pay is charged: those who may perform the service, or the assistants
 * @returns a problem when nobody is named, no time can be booked, or pay by the month has no hours to spread over
 * @see C3 C9
 */
export function payRate(
  people: readonly Person[],
  role: Role,
  settings: PaySettings,
  where: Where,
): Outcome<PayRate> {
  if (people.length === 0) {
    const message =
      role === 'therapist'
        ? where.settings
          ? 'Name at least one therapist in the house, so that the time has a price.'
          : 'Name at least one therapist who performs this service, so that the time has a price.'
        : 'The protocol has work for an assistant, but the house has none.';
    return fail('pay-missing', message, { ...where, field: 'therapistIds' });
  }
  const { bookableShare } = settings;
  if (!(bookableShare > 0 && bookableShare <= 1)) {
    return fail(
      'bookable-share-invalid',
      'The bookable share of paid time must be above 0 and at most 100 %.',
      {
        settings: true,
        field: 'bookableShare',
      },
    );
  }
  let fixed = 0;
  let whileWorking = 0;
  let shareOfPrice = 0;
  let owed = 0;
  for (const person of people) {
    const pay = payOf(person, settings);
    const hours = paidHoursOf(person, settings) * WEEKS_A_MONTH;
    if (pay.perMonthMinor > 0 && !(hours > 0)) {
      return fail(
        'paid-hours-missing',
        `Say for how many hours a week ${person.name} is paid: the pay by the month is spread over them.`,
        { personId: person.id, field: 'hoursPerWeek' },
      );
    }
    const monthly = pay.perMonthMinor > 0 ? pay.perMonthMinor / hours : 0;
    fixed += (monthly + (pay.whenWorking ? 0 : pay.hourlyMinor)) * (1 + pay.onCost);
    whileWorking += pay.whenWorking ? pay.hourlyMinor * (1 + pay.onCost) : 0;
    shareOfPrice += pay.shareOfPrice * (1 + pay.onCost);
    owed += owedPerMonth(person, settings);
  }
  const count = people.length;
  const fixedPerMinute = fixed / count / 60 / bookableShare;
  return ok({
    perMinute: fixedPerMinute + whileWorking / count / 60,
    fixed: fixedPerMinute,
    shareOfPrice: shareOfPrice / count,
    owedPerMonth: owed / count,
  });
}
