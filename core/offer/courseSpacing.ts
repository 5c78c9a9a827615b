import { editionInUse } from '../figures/serviceWork';
import type { Course, House, Protocol } from '../house/house';
import { indexHouse } from '../house/houseIndex';
import { devicesOf, isStep } from '../house/protocol';
import type { ProtocolId } from '../house/ids';

const A_YEAR = 365;

/**
 * What of a course does not keep to what its protocols say of spacing, seasons and how many visits there are: each in
 * a sentence. Said once in the protocol, it is checked wherever visits are sold together.
 * @see K1
 */
export function spacingFaults(
  { visits, everyDays }: Pick<Course, 'visits' | 'everyDays'>,
  house: House,
): readonly string[] {
  const index = indexHouse(house);
  const sold = new Map<ProtocolId, { readonly protocol: Protocol; readonly times: number }>();
  for (const { serviceId, times } of visits) {
    const service = house.services.find(({ id }) => id === serviceId);
    const protocol = service && editionInUse(service, index, house)?.protocol;
    if (!protocol) continue;
    const before = sold.get(protocol.id)?.times ?? 0;
    sold.set(protocol.id, { protocol, times: before + times });
  }
  return [...sold.values()].flatMap(({ protocol: { name, steps, around }, times }) => {
    const spacing = around?.spacing ?? { leastDays: 0 };
    /* A device that is used may go less far than the protocol says. */
    const aYear = [
      spacing.mostPerYear ?? Infinity,
      ...steps.flatMap((line) =>
        isStep(line)
          ? devicesOf(line).map((id) => index.devices.get(id)?.limits?.visitsPerYear ?? Infinity)
          : [],
      ),
    ];
    const mostPerYear = Math.min(...aYear);
    const { leastDays, mostDays, visits: ofCourse, notIn = [] } = spacing;
    const inAYear = Math.min(times, 1 + Math.floor((A_YEAR - 1) / Math.max(1, everyDays)));
    const isRepeated = times > 1;
    return [
      isRepeated &&
        everyDays < leastDays &&
        `${name} is done no sooner than ${leastDays} days after the last time; here ${everyDays}.`,
      isRepeated &&
        mostDays !== undefined &&
        everyDays > mostDays &&
        `${name} is done again within ${mostDays} days; here after ${everyDays}.`,
      inAYear > mostPerYear &&
        `${name} is done at most ${mostPerYear} times a year; here ${inAYear} times.`,
      ofCourse !== undefined &&
        isRepeated &&
        times !== ofCourse &&
        `A course of ${name} is ${ofCourse} visits; here ${times}.`,
      notIn.length > 0 && `${name} is not done in ${notIn.join(' and ')}: no visit may fall there.`,
    ].filter((each) => typeof each === 'string');
  });
}
