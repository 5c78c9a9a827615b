import type { Otherwise } from '../house/protocol';
import { VARYING } from '../house/ways';
import { seesCondition } from './conditions';
import type { Cursor } from './cursor';
import type { ParsedStep } from './parsedStep';

const VARIES: ReadonlySet<string> = new Set(VARYING);

/** Whether it is said next how a step is otherwise for some: `but for sensitive skin`. */
export function seesOtherwise(cursor: Cursor): boolean {
  return cursor.ahead(() => cursor.takeWord('but') !== undefined && seesCondition(cursor));
}

/**
 * Puts into what is said how a step is otherwise for some: `but for sensitive skin 6 min, at most 8 min`.
 * @param some the parts behind “but”
 * @param from where they begin
 */
export function putOtherwise(
  cursor: Cursor,
  said: ParsedStep,
  { for: whom, layers, doses, ...rest }: ParsedStep,
  from: number,
): void {
  const fault = (message: string): void => cursor.fault(from, cursor.behind, message);
  const { first, returning, ...told } = layers ?? { first: 1, returning: 1 };
  const others = Object.keys(rest).filter((key) => !VARIES.has(key));
  if (!whom) return fault('But for whom? Such as: but for sensitive skin 3 min.');
  if (doses.length > 0)
    return fault('Another product for some is said behind it: 2 ml rich milk (for dry skin).');
  if (others.length > 0)
    return fault(
      'For some it can be otherwise where, how, with what, how long, in how many layers and how it comes off.',
    );
  if (layers && (!said.layers || Object.keys(told).length > 0))
    return fault('Say first in how many layers it is done for everybody; here only how many.');
  if (!layers && Object.keys(rest).length === 0) return fault('What is otherwise for them?');
  said.otherwise = [
    ...(said.otherwise ?? []),
    {
      for: whom,
      says: rest satisfies Otherwise['says'],
      ...(layers && { layers: { first, returning } }),
    },
  ];
}
