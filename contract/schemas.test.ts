import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { AGGREGATES, SCHEMAS } from './rules';
import { checkAgainst } from './check';
import { readHouseFile } from './houseFile';
import { faultsWithinWriting } from './references';

const read = readHouseFile(
  readFileSync(new URL('../demo/casa-cenera.house.json', import.meta.url), 'utf8'),
);
if (!read.ok) throw new Error('the demo house has faults');
const demo = read.value;

/** A deep copy of `value` with one place changed; `undefined` takes the key out. */
function changed(value: object, pointer: string, to: unknown): unknown {
  const copy = JSON.parse(JSON.stringify(value)) as Record<string, unknown>;
  const keys = pointer.slice(1).split('/');
  const last = keys.pop() ?? '';
  let at = copy;
  for (const key of keys) at = at[key] as Record<string, unknown>;
  at[last] = to;
  return to === undefined ? (JSON.parse(JSON.stringify(copy)) as unknown) : copy;
}

/** A value as a test's name shows it. */
function shown(value: unknown): string {
  return value === undefined ? 'nothing' : JSON.stringify(value).slice(0, 40);
}

interface Case {
  readonly of: object;
  readonly schema: Parameters<typeof checkAgainst>[0];
  readonly bad: readonly (readonly [pointer: string, to: unknown, words: RegExp])[];
}

const milk = demo.materials[0]!;
const towel = demo.materials.find((material) => material.kind === 'linen')!;
const clay = demo.protocols[0]!;
const acid = demo.protocols[1]!;

const CASES: Record<string, Case> = {
  rooms: {
    of: demo.rooms[0]!,
    schema: AGGREGATES.rooms.schema,
    bad: [
      ['/id', 'two words', /valid id/],
      ['/id', 'x'.repeat(65), /valid id/],
      ['/name', '', /needed/],
      ['/name', '   ', /valid name/],
      ['/name', 'x'.repeat(121), /At most 120/],
      ['/kind', 'damp', /one of: dry, wet/],
      ['/colour', 'red', /not known/],
      ['/name', undefined, /needed/],
    ],
  },
  people: {
    of: demo.people[0]!,
    schema: AGGREGATES.people.schema,
    bad: [
      ['/role', 'owner', /one of/],
      ['/hourlyPayMinor', -1, /at least 0/],
      ['/hourlyPayMinor', 12.5, /whole number/],
      ['/hourlyPayMinor', '1200', /number/],
      ['/hourlyPayMinor', 1e12, /at most/],
    ],
  },
  suppliers: {
    of: demo.suppliers[0]!,
    schema: AGGREGATES.suppliers.schema,
    bad: [
      ['/leadTimeDays', -1, /at least 0/],
      ['/leadTimeSdDays', 40, /spread of the lead time/],
      ['/reviewDays', 1000, /at most 365/],
      ['/deliveryDays/0', 8, /one of/],
      ['/feed', '../etc', /name of letters/],
      ['/columns', { colour: 'x' }, /not known/],
    ],
  },
  'back-bar materials': {
    of: milk,
    schema: AGGREGATES.materials.schema,
    bad: [
      ['/kind', 'magic', /one of/],
      ['/unit', 'piece', /one of: ml, g/],
      ['/packs', undefined, /needed/],
      ['/packs', [], /At least 1/],
      ['/packs/0/content', 0, /more than 0/],
      ['/packs/0/content', 100_001, /at most 100000/],
      ['/packs/0/containers', 1.5, /whole number/],
      ['/packs/0/discount', 1.01, /at most 1/],
      ['/packs/0/residual', 1, /less than 1/],
      ['/packs/0/leadTimeSdDays', 3, /lead time of the pack before its spread/],
      ['/packs/0/breaks', [{ fromPacks: 1, discount: 0.1 }], /at least 2/],
      ['/packs/0/supplierId', undefined, /needed/],
      ['/packs/1/id', 'prickly-pear-milk-pack-1', /twice/],
      ['/preferredPackId', 'another', /one of the packs/],
      ['/openLife', { amount: 0, unit: 'days' }, /more than 0/],
      ['/openLife', { amount: 3, unit: 'years' }, /one of: months, weeks, days, hours/],
      ['/care/warnings', ['sharp'], /one of/],
      ['/care/allergens', [], /At least 1/],
      ['/archivedOn', '2026-13-01', /date/],
      ['/yieldPerPiece', { usual: 3 }, /not known/],
      ['/measures/density', 0, /more than 0/],
      ['/measures/mlPerPump/usual', 0, /more than 0/],
      ['/measures/mlPerPump/spread', 1, /less than 1/],
      ['/measures/named/0/unit', 'oz', /one of: ml, g/],
      ['/laundry', {}, /not known/],
    ],
  },
  linen: {
    of: towel,
    schema: AGGREGATES.materials.schema,
    bad: [
      ['/unit', 'ml', /one of: piece/],
      ['/laundry/washesInLife', 0, /at least 1/],
      ['/laundry/washMinor', -3, /at least 0/],
      ['/packs', [], /not known/],
    ],
  },
  'fresh goods': {
    of: demo.materials.find((each) => each.kind === 'fresh')!,
    schema: AGGREGATES.materials.schema,
    bad: [
      ['/packs/0/content', 60, /bought by the piece/],
      ['/yieldPerPiece', undefined, /needed/],
      ['/keeps', undefined, /needed/],
    ],
  },
  'device parts': {
    of: demo.materials.find((each) => each.kind === 'device-part')!,
    schema: AGGREGATES.materials.schema,
    bad: [
      ['/sterility', 'washed', /one of: sterile, clean/],
      ['/unit', 'ml', /one of: piece/],
    ],
  },
  mixes: {
    of: demo.mixes[0]!,
    schema: AGGREGATES.mixes.schema,
    bad: [
      ['/basis', 'piece', /one of: ml, g/],
      ['/bowlLoss', 1, /less than 1/],
      ['/parts/0/source/kind', 'wish', /one of/],
      ['/parts/0/amount/how', 'coat', /one of: measured, packs/],
      ['/parts/0/amount/quantity/usual', 0, /more than 0/],
    ],
  },
  protocols: {
    of: clay,
    schema: AGGREGATES.protocols.schema,
    bad: [
      ['/steps/1/stretch', 'later', /one of/],
      ['/steps/1/hands', 'tied', /one of/],
      ['/steps/1/minutes/least', -1, /at least 0/],
      ['/steps/1/minutes/usual', 2, /least, usual and most minutes in order/],
      ['/steps/1/minutes/most', 5000, /at most 1440/],
      ['/steps/2/zones/0', 'wing', /one of/],
      ['/steps/2/zones/1', 'face', /twice/],
      ['/steps/3/capMinutes', 0, /more than 0/],
      ['/steps/2/technique', { hold: { times: 2, seconds: 3_600 } }, /at most 600/],
      ['/steps/2/moments', [{ atMinute: -1, what: 'warm' }], /at least 0/],
      ...(
        [
          [{ kind: 'score' }, { from: 11, response: 'off' }, /from 0 to 10/],
          [{ kind: 'sign', sign: 'redness' }, { at: 'marked', response: 'off' }, /by its grade/],
          [{ kind: 'yes-no' }, { from: 1, response: 'off' }, /at yes or at no/],
          [{ kind: 'choice', of: ['a', 'b'] }, { at: 'c', response: 'off' }, /one of: a, b/],
          [{ kind: 'text' }, { at: 'x', response: 'off' }, /nothing can be done by itself/],
        ] as const
      ).map(
        ([answer, reaction, words]) =>
          ['/steps/2/asks', [{ id: 'q', ask: 'How?', answer, reactions: [reaction] }], words] as [
            string,
            unknown,
            RegExp,
          ],
      ),
      ['/steps/2/doses/0/amount/quantity/usual', 1, /low, usual and high in order/],
      ['/steps/2/doses/0/amount/quantity/high', 1, /low, usual and high in order/],
      ['/steps/2/doses/0/amount/measure', 'ladle', /one of/],
      ['/steps/2/doses/0/amount/quantity', 3, /object/],
      ['/steps/2/doses/0/opening', 'maybe', /one of/],
      ['/steps/2/id', 'consult', /twice/],
      ['/steps', 'none', /list/],
      [
        '/steps',
        Array.from({ length: 401 }, (_, at) => ({ ...clay.steps[0], id: `s${at}` })),
        /At most 400/,
      ],
      ['/summary', 'x'.repeat(2001), /At most 2000/],
    ],
  },
  'layered protocols': {
    of: acid,
    schema: AGGREGATES.protocols.schema,
    bad: [
      ['/layerGroups/0/layers/first', 0, /at least 1/],
      ['/layerGroups/0/layers/returning', 2.5, /whole number/],
      ['/layerGroups/0/layers/returning', 51, /at most 50/],
      ['/layerGroups/0/between/wait/most', 0, /in order/],
    ],
  },
  services: {
    of: demo.services[0]!,
    schema: AGGREGATES.services.schema,
    bad: [
      ['/visitKind', 'third', /one of/],
      ['/targetMargin', 1, /less than 1/],
      ['/therapistIds', ['ione', 'ione'], /twice/],
    ],
  },
  settings: {
    of: demo.settings,
    schema: SCHEMAS.settings,
    bad: [
      ['/currency', 'euro', /valid currency/],
      ['/referenceClient/heightCm', 20, /at least 50/],
      ['/trunkPercent', { decollete: 9, abdomen: 9 }, /front of the trunk/],
      ['/faceShares/nose', 0.2, /add up to 100 %/],
      ['/zoneShares', { nose: { 'nose-tip': 0.9 } }, /parts of nose .* add up to 100 %/],
      ['/zoneShares', { nose: { lips: 0.1 } }, /must be its own/],
      ['/ownZones/0/name', 'left, right', /letters, figures, spaces/],
      ['/techniques/0/technique/hold', { times: 0 }, /at least 1/],
      ['/rules/0/then', { is: 'action', action: 'sing' }, /./],
      ['/bookableShare', 0, /more than 0/],
      ['/roomCost/occupancy', 0, /more than 0/],
      ['/roomCost/openHoursPerDay', 25, /at most 24/],
      ['/priceEndings/endingsMinor', [], /At least 1/],
      ['/priceEndings/endingsMinor/0', 500, /smaller than what it repeats after/],
      ['/priceEndings/everyMinor', 0, /at least 1/],
      ['/serviceLevel', 1, /at most 0.999/],
      ['/slotQuantile', 0.2, /at least 0.5/],
      ['/vat', 1.2, /at most 1/],
      ['/onCost', Number.NaN, /number/],
    ],
  },
  demand: {
    of: demo.demand[0]!,
    schema: SCHEMAS.demand,
    bad: [
      ['/visitsPerWeek', -1, /at least 0/],
      ['/visitsPerWeek', 2001, /at most 2000/],
    ],
  },
  'entries of the ledger': {
    of: { id: 'e', kind: 'use', materialId: 'aloe-gel', quantity: 1.5 },
    schema: SCHEMAS.stockEntry,
    bad: [
      ['/kind', 'gift', /one of/],
      ['/quantity', 1.0000001, /At most 6 decimals/],
      ['/quantity', '3', /number/],
      ['/lotId', 'not an id', /id/],
      ['/note', 'x'.repeat(501), /At most 500/],
    ],
  },
};

describe.each(Object.entries(CASES))('%s', (_, { of, schema, bad }) => {
  it('are taken as the demo house has them', () => {
    expect(checkAgainst(schema, of)).toEqual({ ok: true, value: of });
  });

  it.each(bad.map(([pointer, to, words]) => [pointer, shown(to), to, words] as const))(
    'are refused with %s of %s, in words',
    (pointer, _shown, to, words) => {
      const checked = checkAgainst(schema, changed(of, pointer, to));
      if (checked.ok) throw new Error('this was taken');
      const [fault] = checked.faults;
      expect(fault?.message).toMatch(words);
      expect(fault?.message).not.toMatch(/ref:|\{#|undefined|"/);
      expect(fault?.pointer.startsWith(pointer) || pointer.startsWith(fault?.pointer ?? '?')).toBe(
        true,
      );
    },
  );
});

describe('a check', () => {
  it('names every fault at once, but not more than can be read', () => {
    const two = changed(changed(milk, '/name', '') as object, '/packs/0/content', 0);
    const checked = checkAgainst(AGGREGATES.materials.schema, two);
    expect(checked.ok ? [] : checked.faults.map((fault) => fault.pointer)).toEqual([
      '/name',
      '/packs/0/content',
    ]);
    const many = changed(
      clay,
      '/steps',
      Array.from({ length: 90 }, () => 'no step'),
    );
    const counted = checkAgainst(AGGREGATES.protocols.schema, many);
    expect(counted.ok ? 0 : counted.faults.length).toBe(50);
  });

  it('escapes keys in its pointers', () => {
    const odd = checkAgainst(AGGREGATES.rooms.schema, { ...demo.rooms[0], 'a/b~c': 1 });
    expect(odd.ok ? '' : odd.faults[0]?.pointer).toBe('/a~1b~0c');
  });

  it('takes nothing that is not an object', () => {
    for (const input of [null, 7, 'text', [], undefined]) {
      expect(checkAgainst(AGGREGATES.rooms.schema, input).ok).toBe(false);
    }
  });
});

describe('a protocol within itself', () => {
  it('has no step beside a step that is itself meanwhile, and no unknown layers', () => {
    const soak = clay.steps.find((step) => step.meanwhileOf !== undefined)!;
    const nested = {
      ...clay,
      steps: [...clay.steps, { ...soak, id: 'inner' as never, meanwhileOf: soak.id }],
    };
    expect(faultsWithinWriting(nested).map((fault) => fault.pointer)).toEqual([
      '/steps/13/meanwhileOf',
    ]);
    const unlayered = { ...acid, layerGroups: [] };
    expect(faultsWithinWriting(unlayered).map((fault) => fault.code)).toEqual([
      'reference.layers',
      'reference.layers',
    ]);
    expect(faultsWithinWriting(acid)).toEqual([]);
  });
});
