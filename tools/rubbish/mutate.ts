import type { Dice } from './dice';

/** Values that programs trip over. */
export const ODD_VALUES: readonly unknown[] = [
  null,
  true,
  0,
  -0,
  -1,
  1.0000001,
  1e-7,
  999_999_999_999,
  1e21,
  1e308,
  Number.MAX_SAFE_INTEGER,
  '',
  ' ',
  '0',
  'x'.repeat(70),
  'x'.repeat(5_000),
  '\ud800',
  'a\udfff',
  '\u0000',
  'a\u0007b',
  '\u202eabc',
  '👩‍👩‍👧‍👦'.repeat(12),
  'é',
  '<script>alert(1)</script>',
  "'; DROP TABLE rooms; --",
  '=1+1',
  '__proto__',
  'constructor',
  '../../etc/passwd',
  '1',
  'Nov 1 2020',
  '0000-00-00',
  '0000-01-01T00:00:00Z',
  '2026-02-30',
  '9999-12-31T23:59:59Z',
  '+275760-09-13T00:00:00Z',
  '2026-11-27T10:00:00+99:99',
  [],
  {},
  [[[[[[]]]]]],
  { __proto__: 1 },
];

/** A copy of a value with one to three things in it changed. */
export function mutated(value: unknown, dice: Dice): unknown {
  const root = { value: structuredClone(value) };
  for (let times = 1 + dice.below(3); times > 0; times -= 1) changeOne(root, dice);
  return root.value;
}

function changeOne(root: { value: unknown }, dice: Dice): void {
  const places: (readonly [Record<string, unknown>, string])[] = [];
  const visit = (within: Record<string, unknown>): void => {
    for (const [key, held] of Object.entries(within)) {
      places.push([within, key]);
      if (typeof held === 'object' && held !== null) visit(held as Record<string, unknown>);
    }
  };
  visit(root);
  if (places.length === 0) return;
  const [within, key] = dice.oneOf(places);
  const held = within[key];
  switch (dice.below(6)) {
    case 0:
      if (Array.isArray(within)) within.splice(Number(key), 1);
      else Reflect.deleteProperty(within, key);
      return;
    case 1:
      if (typeof held === 'object' && held !== null && !Array.isArray(held)) {
        (held as Record<string, unknown>)[dice.oneOf(['surprise', 'id', '\ud800', 'é'])] =
          structuredClone(dice.oneOf(ODD_VALUES));
        return;
      }
      within[key] = structuredClone(dice.oneOf(ODD_VALUES));
      return;
    case 2:
      if (Array.isArray(held) && held.length > 0) {
        held.push(structuredClone(dice.oneOf(held as unknown[])));
        return;
      }
      within[key] = [held];
      return;
    case 3:
      if (typeof held === 'number') {
        within[key] = held * dice.oneOf([-1, 1e6, 1e-6, 1.1, 1e12]);
        return;
      }
      within[key] = structuredClone(dice.oneOf(ODD_VALUES));
      return;
    default:
      within[key] = structuredClone(dice.oneOf(ODD_VALUES));
  }
}

/** Bytes with some of them changed, left out, repeated or put in. */
export function mutatedBytes(bytes: Buffer, dice: Dice): Buffer {
  let made = Buffer.from(bytes);
  for (let times = 1 + dice.below(4); times > 0; times -= 1) {
    const at = dice.below(made.length + 1);
    const length = dice.below(Math.min(200, made.length - at + 1));
    switch (dice.below(4)) {
      case 0:
        made = Buffer.concat([made.subarray(0, at), made.subarray(at + length)]);
        break;
      case 1:
        made = Buffer.concat([made.subarray(0, at + length), made.subarray(at)]);
        break;
      case 2:
        if (at < made.length) made[at] = dice.below(256);
        break;
      default:
        made = Buffer.concat([
          made.subarray(0, at),
          Buffer.from(dice.oneOf(['\u0000', '"', '{', ']', '\\ud800', '\n=1+1', ';', '\xff'])),
          made.subarray(at),
        ]);
    }
  }
  return dice.chance(0.1) ? made.subarray(0, dice.below(made.length + 1)) : made;
}
