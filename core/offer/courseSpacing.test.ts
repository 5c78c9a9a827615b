import { describe, expect, it } from 'vitest';
import type { Around, Course } from '../house/house';
import { asId } from '../house/ids';
import { house, minutes, protocol, service, step } from '../testing/sample';
import { spacingFaults } from './courseSpacing';

const faults = (
  spacing: NonNullable<Around['spacing']>,
  { times, everyDays }: { readonly times: number; readonly everyDays: number },
): readonly string[] => {
  const peel = protocol([step('Peel', minutes(10))], {
    id: asId('peel'),
    name: 'Peel',
    around: { before: [], avoid: [], expect: [], call: [], spacing },
  });
  const visits: Course['visits'] = [
    { serviceId: asId('first'), visitKind: 'first', times: 1 },
    { serviceId: asId('later'), visitKind: 'returning', times: times - 1 },
  ];
  const of = house({
    protocols: [peel],
    services: ['first', 'later'].map((id) => service({ id: asId(id), protocolId: peel.id })),
  });
  return spacingFaults({ visits: visits.filter((each) => each.times > 0), everyDays }, of);
};

describe('a course keeps to what its protocols say (K1)', () => {
  it.each([
    [{ leastDays: 14 }, { times: 4, everyDays: 14 }, []],
    [
      { leastDays: 14 },
      { times: 4, everyDays: 13 },
      ['no sooner than 14 days after the last time; here 13'],
    ],
    [{ leastDays: 14 }, { times: 1, everyDays: 1 }, []],
    [
      { leastDays: 7, mostDays: 21 },
      { times: 3, everyDays: 22 },
      ['again within 21 days; here after 22'],
    ],
    [
      { leastDays: 7, mostPerYear: 4 },
      { times: 5, everyDays: 91 },
      ['at most 4 times a year; here 5 times'],
    ],
    [{ leastDays: 7, mostPerYear: 4 }, { times: 5, everyDays: 92 }, []],
    [
      { leastDays: 7, visits: 6 },
      { times: 4, everyDays: 10 },
      ['A course of Peel is 6 visits; here 4'],
    ],
    [{ leastDays: 7, notIn: ['summer'] }, { times: 2, everyDays: 10 }, ['not done in summer']],
  ] as const)('%o sold as %o', (spacing, sold, expected) => {
    const found = faults(spacing, sold);
    expect(found).toHaveLength(expected.length);
    expected.forEach((words, at) => expect(found[at]).toContain(words));
  });
});
