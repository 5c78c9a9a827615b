import type { Protocol } from '../house/house';
import { ORDER_WORDS, OWN_WORDS, same } from './mergeProtocols';

/** Something that two writings of a protocol say differently. */
export type ChangedThing =
  | { readonly kind: 'own'; readonly words: string }
  | {
      readonly kind: 'new' | 'changed' | 'gone';
      readonly of: keyof typeof ORDER_WORDS;
      readonly name: string;
    }
  | { readonly kind: 'order'; readonly words: string };

/**
 * Everything in which one writing of a protocol differs from an earlier one: nothing that was done is left out.
 * What was moved among the rest is told of what stands in both.
 * @example
 * changedThings(before, { ...before, goal: 'Calm' })
 * // [{ kind: 'own', words: 'the goal' }]
 */
export function changedThings(from: Protocol, to: Protocol): readonly ChangedThing[] {
  const own = (Object.keys(OWN_WORDS) as (keyof typeof OWN_WORDS)[]).flatMap((key) =>
    same(from[key], to[key]) ? [] : [{ kind: 'own', words: OWN_WORDS[key] } as const],
  );
  const written = (Object.keys(ORDER_WORDS) as (keyof typeof ORDER_WORDS)[]).flatMap((of) =>
    changedIn(of, from[of], to[of]),
  );
  return [...own, ...written];
}

function changedIn(
  of: keyof typeof ORDER_WORDS,
  from: readonly Named[],
  to: readonly Named[],
): readonly ChangedThing[] {
  const was = new Map(from.map((each) => [each.id, each]));
  const is = new Map(to.map((each) => [each.id, each]));
  const orderOf = (all: readonly Named[]): string[] =>
    all.flatMap(({ id }) => (was.has(id) && is.has(id) ? [id] : []));
  return [
    ...to.flatMap((each): ChangedThing[] => {
      const before = was.get(each.id);
      if (!before) return [{ kind: 'new', of, name: each.name }];
      return same(before, each) ? [] : [{ kind: 'changed', of, name: each.name }];
    }),
    ...from.flatMap(({ id, name }): ChangedThing[] =>
      is.has(id) ? [] : [{ kind: 'gone', of, name }],
    ),
    ...(same(orderOf(from), orderOf(to))
      ? []
      : [{ kind: 'order', words: ORDER_WORDS[of] } as const]),
  ];
}

interface Named {
  readonly id: string;
  readonly name: string;
}
