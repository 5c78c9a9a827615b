import type { Person, Role } from '../house/house';
import { fail, ok, type Outcome, type Where } from '../problem/problem';
import type { HouseSettings } from '../house/settings';

export type PaySettings = Pick<HouseSettings, 'onCost' | 'bookableShare' | 'grades'>;

/**
 * What an hour of a person is paid, and the employer's cost on top: by the person's grade where it is
 * known, each with what is said for the person or the grade alone, or the house's.
 * @returns minor units per hour, and a share
 * @see C3
 */
export function payOf(
  person: Person,
  { grades = [], onCost }: PaySettings,
): { readonly hourlyMinor: number; readonly onCost: number } {
  const grade = grades.find(({ name }) => name === person.grade);
  return {
    hourlyMinor: grade?.hourlyPayMinor ?? person.hourlyPayMinor,
    onCost: person.onCost ?? grade?.onCost ?? onCost,
  };
}

/**
 * What a minute of work costs: hourly pay x (1 + on-cost) / 60 / bookable share of paid time.
 * @param people whose mean pay is charged: those who may perform the service, or the assistants
 * @returns minor units per minute; a problem when nobody is named or no time can be booked
 * @see C3
 */
export function ratePerMinute(
  people: readonly Person[],
  role: Role,
  settings: PaySettings,
  where: Where,
): Outcome<number> {
  if (people.length === 0) {
    const message =
      role === 'therapist'
        ? 'Name at least one therapist who performs this service, so that the time has a price.'
        : 'The protocol has work for an assistant, but the house has none.';
    return fail('pay-missing', message, { ...where, field: 'therapistIds' });
  }
  if (!(settings.bookableShare > 0 && settings.bookableShare <= 1)) {
    return fail(
      'bookable-share-invalid',
      'The bookable share of paid time must be above 0 and at most 100 %.',
      {
        settings: true,
        field: 'bookableShare',
      },
    );
  }
  const hourly = people.map((person) => {
    const pay = payOf(person, settings);
    return pay.hourlyMinor * (1 + pay.onCost);
  });
  const mean = hourly.reduce((sum, each) => sum + each, 0) / people.length;
  return ok(mean / 60 / settings.bookableShare);
}
