import { gzipSync } from 'node:zlib';
import { AGGREGATE_NAMES } from '@bienestar/contract/rules';
import type { HouseSnapshot } from '@bienestar/contract/api';
import type { Dice } from './dice';
import { mutated, ODD_VALUES } from './mutate';

/** A request that a careless or ill-willed program might send. */
export interface RubbishRequest {
  readonly method: string;
  readonly path: string;
  readonly headers: Record<string, string>;
  readonly body?: Buffer;
}

const ODD_IDS = [
  'é',
  '%00',
  '%ud800',
  '%ED%A0%80',
  '..%2f..%2fetc',
  "x'--",
  'x'.repeat(300),
  '-1',
  '0',
  'NaN',
  '1e9',
  'null',
  '__proto__',
  '%',
  '%E0%A4%A',
  ' ',
  '🦄',
];

/** Requests over every route of the API, most of them almost right. */
export function requestsFor(house: HouseSnapshot, dice: Dice): () => RubbishRequest {
  const idsOf = (list: string): readonly string[] => {
    const things = (house as unknown as Record<string, readonly { readonly id: string }[]>)[list];
    return things && things.length > 0 ? things.map(({ id }) => id) : ['none'];
  };
  const material = (): string => dice.oneOf(idsOf('materials'));
  const id = (list: string): string =>
    dice.chance(0.2) ? dice.oneOf(ODD_IDS) : dice.oneOf(idsOf(list));
  let made = 0;
  const newId = (): string => `rubbish-${(made += 1)}`;
  const lasting = (list: string): unknown => {
    const things = (house as unknown as Record<string, readonly unknown[]>)[list] ?? [];
    return things.length > 0 ? dice.oneOf(things) : { id: 'x' };
  };
  const entry = (): unknown => {
    const base = { id: newId(), materialId: material(), at: '2026-11-20T10:00:00Z' };
    return dice.oneOf<unknown>([
      { ...base, kind: 'use', quantity: 1 + dice.below(900) },
      { ...base, kind: 'opening' },
      { ...base, kind: 'total-count', quantity: dice.below(900), lotId: newId() },
      { ...base, kind: 'count', found: [{ lotId: `${base.materialId}-lot-1`, quantity: 3 }] },
      {
        ...base,
        kind: 'discard',
        lotId: `${base.materialId}-lot-1`,
        quantity: 1,
        reason: 'broken',
      },
      { ...base, kind: 'correction', corrects: `rubbish-${dice.below(made + 1)}`, note: 'x' },
      {
        ...base,
        kind: 'delivery',
        lotId: newId(),
        packId: `${base.materialId}-pack-1`,
        packs: dice.oneOf([1, 2, 1_000_000, 1e9]),
        code: 'L',
        deliveredOn: '2026-11-20',
      },
    ]);
  };
  const treatment = (): unknown => ({
    treatment: {
      id: newId(),
      serviceId: dice.oneOf(idsOf('services')),
      at: '2026-11-20T10:00:00Z',
      visitKind: 'returning',
      entryIds: [],
    },
    uses: [{ kind: 'use', id: newId(), materialId: material(), quantity: 1 }],
  });
  const routes: readonly (() => readonly [string, string, unknown?])[] = [
    ...AGGREGATE_NAMES.flatMap((list) => [
      () => ['GET', list] as const,
      () => ['GET', `${list}/${id(list)}`] as const,
      () =>
        ['POST', list, { ...(lasting(list) as object), id: newId(), version: undefined }] as const,
      () => {
        const thing = lasting(list);
        const own = (thing as { readonly id?: string }).id ?? 'x';
        return ['PUT', `${list}/${dice.chance(0.8) ? own : id(list)}`, thing] as const;
      },
      () =>
        [
          'DELETE',
          `${list}/${id(list)}?version=${dice.oneOf(['1', '0', '-1', 'x', '', '1e99'])}`,
        ] as const,
    ]),
    () => [
      'GET',
      dice.oneOf(['health', 'house', 'settings', 'demand', 'ledger', 'journal', 'bookings']),
    ],
    () => [
      'GET',
      dice.oneOf([
        'treatments',
        'copies',
        'orders?ended',
        'counts/ghost/history',
        'scale',
        'bookings/feed',
      ]),
    ],
    () => ['PUT', 'settings', house.settings],
    () => ['PUT', `demand/${id('services')}`, dice.oneOf(house.demand)],
    () => ['PUT', 'several', { settings: house.settings, people: house.people }],
    () => ['PUT', 'materials', { materials: house.materials.slice(0, 3), from: 'hand' }],
    () => ['PUT', 'bookings', house.bookings.slice(0, 5)],
    () => ['POST', 'ledger', entry()],
    () => ['POST', 'ledger', entry()],
    () => ['POST', 'ledger', entry()],
    () => ['GET', `ledger/${id('materials')}?before=${dice.oneOf(['1', '-1', 'x', '9e99', ''])}`],
    () => ['POST', 'treatments', treatment()],
    () => ['POST', `treatments/${id('treatments')}/take-back`, {}],
    () => ['POST', `orders/${id('orders')}/send`, { version: 1 }],
    () => ['POST', `orders/${id('orders')}/ask`, { version: 1 }],
    () => [
      'POST',
      `orders/${id('orders')}/receive`,
      {
        version: dice.below(3),
        on: '2026-11-20',
        rest: 'awaited',
        lines: [
          {
            lineId: 'l1',
            entryId: newId(),
            lotId: newId(),
            packId: 'gauze-pack-1',
            packs: dice.oneOf([1, 100, 99_999]),
            code: 'G',
            refused: 0,
            paidMinor: dice.oneOf([1200, 52_000_000, 999_999_999]),
            tooMany: 'keep',
          },
        ],
      },
    ],
    () => [
      'POST',
      `counts/${id('counts')}/lines`,
      {
        line: {
          materialId: 'gauze',
          at: '2026-11-20T10:00:00Z',
          entryId: 'e',
          found: 1,
          by: 'pieces',
        },
        entry: { kind: 'total-count', id: 'e', materialId: 'gauze', quantity: 1, lotId: newId() },
      },
    ],
    () => [
      'POST',
      'editions',
      { protocolId: dice.oneOf(idsOf('protocols')), version: 1, note: 'n' },
    ],
    () => ['GET', `editions/${id('protocols')}/${dice.oneOf(['1', '0', '-1', 'x', '1e9'])}`],
    () => ['GET', `materials/${id('materials')}/prices`],
    () => ['GET', `price-lists/${id('suppliers')}`],
    () => [
      'GET',
      `exports/${dice.oneOf(['stock.csv', 'packs.xlsx', 'x.csv', '..%2fx.csv', 'menu.csv'])}`,
    ],
    () => ['POST', 'scale/zero'],
    () => ['POST', 'scale/stand-in', dice.oneOf([{ put: 5 }, { fault: 'none' }, { put: 1e9 }])],
    () => ['POST', `copies/${dice.oneOf(ODD_IDS)}/bring-back`],
    () => ['GET', `copies/${dice.oneOf(ODD_IDS)}`],
    () => ['POST', 'house', { begin: dice.oneOf(['new', 'demo', 'x']) }],
    () => ['PUT', 'house/file', { format: 'bienestar-house', formatVersion: 8 }],
    () => ['GET', dice.oneOf(ODD_IDS)],
  ];

  return () => {
    const [method, path, value] = dice.oneOf(routes)();
    const headers: Record<string, string> = {};
    if (dice.chance(0.1))
      headers['idempotency-key'] = dice.oneOf(['k1', 'k2', 'x'.repeat(65), 'a b']);
    if (value === undefined) return { method, path, headers };
    headers['content-type'] = dice.chance(0.96)
      ? 'application/json'
      : dice.oneOf(['text/plain', 'application/json; charset=utf-7', 'multipart/form-data', '']);
    const body = bodyOf(dice.chance(0.25) ? value : mutated(value, dice), dice, headers);
    return { method, path, headers, body };
  };
}

function bodyOf(value: unknown, dice: Dice, headers: Record<string, string>): Buffer {
  const text = JSON.stringify(value ?? null);
  switch (dice.below(40)) {
    case 0:
      return Buffer.from(text.slice(0, dice.below(text.length)));
    case 1:
      headers['content-encoding'] = 'gzip';
      return Buffer.concat([gzipSync(text).subarray(0, 12), Buffer.from('broken')]);
    case 2:
      return Buffer.from(`${'['.repeat(100_000)}${']'.repeat(100_000)}`);
    case 3:
      return Buffer.from(JSON.stringify(dice.oneOf(ODD_VALUES)));
    case 4:
      headers['content-encoding'] = dice.oneOf(['br', 'deflate', 'nonsense']);
      return Buffer.from(text);
    case 5:
      return Buffer.from(`{"a":${'{"a":'.repeat(90)}1${'}'.repeat(91)}`);
    default:
      return Buffer.from(text);
  }
}
