import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Amount, Dose, House, LayerGroup, Material, Step } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { ordered } from '@bienestar/core/protocol/editSteps';
import { ZONE_IDS } from '@bienestar/core/zone/zones';
import { withoutVersions, type HouseSnapshot } from '@bienestar/contract/api';
import { writeHouseFile } from '@bienestar/contract/houseFile';
import { demoHouse, startApi, type TestApi } from '../testing/api';

/* Anything that the house file can say must come back from the database as it was said. */

const millionths = (least: number, most: number) =>
  fc
    .integer({ min: Math.round(least * 1e6), max: Math.round(most * 1e6) })
    .map((whole) => whole / 1e6);
const triple = fc
  .tuple(millionths(0, 50), millionths(0.000001, 50), millionths(0, 50))
  .map(([a, b, c]) => {
    const [low = 0, usual = 0, high = 0] = [a, b, c].sort((one, two) => one - two);
    return usual > 0 ? { low, usual, high } : { low: 0, usual: 0.5, high: Math.max(0.5, high) };
  });
const minutes = fc
  .tuple(millionths(0, 60), millionths(0, 60), millionths(0, 60))
  .map((three) => three.sort((a, b) => a - b))
  .map(([least, usual, most]) => ({ least, usual, most }));
const name = fc
  .string({ minLength: 1, maxLength: 40, unit: 'grapheme' })
  .filter((text) => /\S/.test(text) && text.length <= 120);

const amount: fc.Arbitrary<Amount> = fc.oneof(
  fc.record({
    how: fc.constant('measured' as const),
    quantity: triple,
    unit: fc.constantFrom('ml', 'g', 'tsp', 'tbsp', 'us-fl-oz', 'oz'),
  }),
  fc.record({
    how: fc.constant('counted' as const),
    quantity: triple,
    measure: fc.constantFrom('pump', 'drop', 'dropper', 'spray'),
  }),
  fc.record({ how: fc.constant('named' as const), quantity: triple, name }),
  fc.record({ how: fc.constantFrom('packs' as const, 'fingertip' as const), quantity: triple }),
  fc.record({
    how: fc.constant('coat' as const),
    coat: fc.constantFrom('thin', 'standard', 'generous'),
  }),
  fc.record({ how: fc.constant('coat-weight' as const), mgPerCm2: triple }),
);
const source: fc.Arbitrary<Dose['source']> = fc.oneof(
  fc
    .constantFrom('aloe-gel', 'fig-enzyme', 'face-towel')
    .map((id) => ({ kind: 'material' as const, materialId: asId<Material['id']>(id) })),
  fc
    .constantFrom('clay-mask', 'enzyme-paste')
    .map((id) => ({ kind: 'mix' as const, mixId: asId<House['mixes'][number]['id']>(id) })),
);
const doses = fc
  .array(fc.record({ source, amount, opening: fc.constantFrom('fresh', 'left-over-first') }), {
    maxLength: 3,
  })
  .map((all): Dose[] => all.map((dose, at) => ({ id: asId(`d${at}`), ...dose })));
const step = fc.record(
  {
    stretch: fc.constantFrom('set-up', 'visit', 'reset'),
    name,
    by: fc.constantFrom('therapist', 'assistant'),
    hands: fc.constantFrom('hands-on', 'watching', 'free'),
    minutes,
    zones: fc.uniqueArray(fc.constantFrom(...ZONE_IDS), { maxLength: 5 }),
    doses,
    capMinutes: millionths(0.1, 90),
    note: fc.string({ maxLength: 60 }),
  },
  { requiredKeys: ['stretch', 'name', 'by', 'hands', 'minutes', 'zones', 'doses'] },
);
const group: LayerGroup = { id: asId('g'), name: 'Layers', layers: { first: 1, returning: 3 } };
const steps = fc
  .array(fc.tuple(step, fc.boolean(), fc.boolean()), { minLength: 1, maxLength: 6 })
  .map((all) =>
    all.map(([one, beside, layered], at): Step => ({
      ...(one as unknown as Step),
      id: asId(`s${at}`),
      ...(beside && at > 0 ? { meanwhileOf: asId<Step['id']>('s0') } : {}),
      ...(layered ? { layerGroupId: group.id } : {}),
    })),
  );

describe('any house', () => {
  let api: TestApi;
  let demo: House;
  beforeAll(async () => {
    api = await startApi();
    demo = await demoHouse();
  });
  afterAll(() => api.close());

  it('comes back from the database as it went in', async () => {
    await fc.assert(
      fc.asyncProperty(
        steps,
        name,
        name,
        millionths(0.01, 0.9),
        fc.boolean(),
        async (written, protocolName, materialName, share, between) => {
          const [first, ...protocols] = demo.protocols;
          if (!first) throw new Error('no protocol');
          const layers = between
            ? {
                ...group,
                between: { wait: { least: 0, usual: share, most: 2 }, question: materialName },
              }
            : group;
          const house: House = {
            ...demo,
            settings: { ...demo.settings, handlingLoss: share, name: materialName },
            materials: demo.materials.map((material) =>
              material.id === 'aloe-gel'
                ? {
                    ...material,
                    name: materialName,
                    measures: {
                      density: share,
                      mlPerPump: { usual: share },
                      named: [{ name: protocolName, usual: share, unit: 'g' }],
                    },
                  }
                : material,
            ),
            protocols: [
              ordered({ ...first, name: protocolName, steps: written, layerGroups: [layers] }),
              ...protocols,
            ],
          };
          const plain = JSON.parse(JSON.stringify(house)) as House;
          const saved = await api.send<HouseSnapshot>('PUT', 'house/file', writeHouseFile(plain));
          expect([saved.status, saved.body]).toEqual([200, expect.anything()]);
          expect(withoutVersions(await api.house())).toEqual(plain);
        },
      ),
      { numRuns: 25 },
    );
  }, 120_000);
});
