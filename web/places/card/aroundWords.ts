import type { Around, Compared, HomeUse, Lasting, Material } from '@bienestar/core/house/house';
import { amountWords } from '../../format/amountWords';
import { number } from '../../format/figures';
import { COMPARED_WORDS, lastingWords, spoken } from '../../format/protocolWords';

/** What is done at home before the visit, a line each. */
export function beforeWords(around: Around | undefined): string[] {
  return (around?.before ?? []).map(
    ({ what, from }) => `${what}, from ${lastingWords(from)} before`,
  );
}

/** What happens after the visit, a line each: taken off, used, avoided, expected, when to call, when to come again. */
export function afterWords(
  around: Around | undefined,
  materials: readonly Material[],
  /** how it is said how long something lasts: by days, or by dates where the day of the visit is known */
  lasts: (lasting: Lasting) => string = (lasting) => `for ${lastingWords(lasting)}`,
): string[] {
  if (!around) return [];
  const nameOf = (id: string): string =>
    materials.find((each) => each.id === id)?.name ?? 'something off the shelf';
  const {
    takeOff,
    compares = [],
    home = [],
    avoid,
    expect,
    call,
    recommends = [],
    spacing,
  } = around;
  return [
    ...(takeOff
      ? [`Takes off at home: ${takeOff.what}, after ${lastingWords(takeOff.after)}`]
      : []),
    ...compares.map(comparedWords),
    ...home.map((use) => homeWords(use, nameOf(use.materialId), lasts)),
    ...avoid.map(({ what, for: lasting }) => `Avoid ${what} ${lasts(lasting)}`),
    ...expect.map(({ what, when }) => `Expect ${what}: ${when}`),
    ...call.map((reason) => `Call if ${reason}`),
    ...recommends.map(
      ({ materialId, finding }) =>
        `Recommend ${nameOf(materialId)}${finding ? ` for ${spoken(finding)}` : ''}`,
    ),
    ...(spacing ? [spacingWords(spacing)] : []),
  ];
}

/** What is looked at again, when, and beside what. */
function comparedWords({ what, beside, after }: Compared): string {
  const when = after ? `after ${lastingWords(after)}` : 'at the end of the visit';
  return `Compare ${what} with ${COMPARED_WORDS[beside]}, ${when}`;
}

/** What is used at home, when, for how long and how. */
function homeWords(
  { amount, at, for: lasting, how }: HomeUse,
  name: string,
  lasts: (lasting: Lasting) => string,
): string {
  const words = `At home ${at.join(' and ')} ${lasts(lasting)}: ${amountWords(amount, name)} ${name}`;
  return how === undefined ? words : `${words}, ${how}`;
}

function spacingWords({
  leastDays,
  mostPerYear,
  visits,
  thenEveryDays,
  mostDays,
  notIn,
}: NonNullable<Around['spacing']>): string {
  return [
    `Next visit no sooner than ${number(leastDays)} days`,
    mostDays === undefined ? '' : ` and no later than ${number(mostDays)}`,
    mostPerYear === undefined ? '' : `, at most ${mostPerYear} a year`,
    visits === undefined ? '' : `; a course is ${visits} visits`,
    thenEveryDays === undefined ? '' : `, then every ${number(thenEveryDays)} days`,
    notIn === undefined ? '' : `; not in ${notIn.join(' or ')}`,
  ].join('');
}
