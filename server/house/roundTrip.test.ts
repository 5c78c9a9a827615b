import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { STOP_FOR, WARNINGS } from '@bienestar/core/house/careFacts';
import { USUAL_CLIENT_MIX } from '@bienestar/core/restock/clientKinds';
import { asOfNow, type HouseArchive } from '@bienestar/core/house/archive';
import { visitsByDay } from '@bienestar/core/house/visitLog';
import { houseOf } from '@bienestar/core/stock/houseOf';
import type {
  Amount,
  Choice,
  Dose,
  House,
  LayerGroup,
  Material,
  Step,
} from '@bienestar/core/house/house';
import { asId, type QuestionId } from '@bienestar/core/house/ids';
import { REMOVALS, TOOLS } from '@bienestar/core/house/ways';
import { ACTIONS, PHASES } from '@bienestar/core/house/actions';
import { ordered } from '@bienestar/core/protocol/editSteps';
import { ZONE_IDS } from '@bienestar/core/zone/zoneOrder';
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
    measure: fc.constantFrom('pump', 'drop', 'dropper', 'spray', 'spatula'),
  }),
  fc.record({ how: fc.constant('named' as const), quantity: triple, name }),
  fc.record({ how: fc.constantFrom('packs' as const, 'fingertip' as const), quantity: triple }),
  fc.record({
    how: fc.constant('coat' as const),
    coat: fc.oneof(fc.constantFrom('thin', 'standard', 'generous'), name),
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
    lightly: fc.uniqueArray(fc.constantFrom(...ZONE_IDS), { minLength: 1, maxLength: 3 }),
    more: fc.uniqueArray(fc.constantFrom(...ZONE_IDS), { minLength: 1, maxLength: 3 }),
    last: fc.uniqueArray(fc.constantFrom(...ZONE_IDS), { minLength: 1, maxLength: 3 }),
    tools: fc.uniqueArray(fc.constantFrom(...TOOLS), { minLength: 1 }),
    action: fc.constantFrom(...ACTIONS),
    phase: fc.constantFrom(...PHASES),
    gloves: fc.constantFrom('plain', 'sterile'),
    covers: fc.constant(true),
    inLayers: fc.constantFrom('first', 'last', 'all-but-last'),
    removal: fc.record(
      {
        how: fc.constantFrom(...REMOVALS),
        taking: fc.record({ materialId: fc.constant('face-towel'), pieces: millionths(0.5, 9) }),
        waterMl: millionths(0, 3000),
      },
      { requiredKeys: ['how'] },
    ),
    device: fc.record({
      deviceId: fc.constant('needle-pen'),
      settings: fc.constant([{ zones: ['face'], values: [{ kind: 'depth', value: 0.5 }] }]),
    }),
    running: fc.constant(['steamer']),
    makes: fc.constant(['clay-mask']),
    optional: fc.record({ usually: fc.constantFrom('done', 'left-out'), if: name }),
    option: fc.constant({ choiceId: 'c', optionId: 'o' }),
    offers: fc.constant(['eye-sheet-care']),
    say: name,
    watch: name,
    note: fc.string({ maxLength: 60 }),
  },
  { requiredKeys: ['stretch', 'name', 'by', 'hands', 'minutes', 'zones', 'doses'] },
);
const group: LayerGroup = { id: asId('g'), name: 'Layers', layers: { first: 1, returning: 3 } };
const choice: Choice = {
  id: asId('c'),
  name: 'Choice',
  by: 'season',
  take: 'each',
  options: [{ id: asId('o'), name: 'Option', for: ['winter'] }],
};
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

const money = fc.integer({ min: 0, max: 1_000_000_000 });
const share = millionths(0, 0.99);
const calibrated = fc.record(
  { usual: millionths(0.01, 50), spread: share },
  { requiredKeys: ['usual'] },
);
const keeps = fc.record({
  amount: millionths(0.5, 900),
  unit: fc.constantFrom('days' as const, 'hours' as const),
});
const care = fc.record(
  {
    warnings: fc.uniqueArray(fc.constantFrom(...WARNINGS), { minLength: 1 }),
    stopFor: fc.uniqueArray(fc.constantFrom(...STOP_FOR), { minLength: 1 }),
    allergens: fc.uniqueArray(name, { minLength: 1, maxLength: 3 }),
    storage: name,
    patchTest: fc.record(
      { hoursBefore: millionths(1, 300), advice: name },
      { requiredKeys: ['hoursBefore'] },
    ),
  },
  { requiredKeys: [] },
);
const pack = fc.record(
  {
    supplierId: fc.constantFrom('northquay', 'atalaya'),
    code: name,
    containers: fc.integer({ min: 1, max: 500 }),
    content: millionths(0.1, 5000),
    priceMinor: money,
    discount: share,
    breaks: fc.constant([{ fromPacks: 3, discount: 0.05 }]),
    freightMinor: money,
    unrecoveredTaxMinor: money,
    residual: share,
    tareG: millionths(0, 500),
    leastPacks: fc.integer({ min: 1, max: 50 }),
  },
  {
    requiredKeys: [
      'supplierId',
      'containers',
      'content',
      'priceMinor',
      'discount',
      'freightMinor',
      'unrecoveredTaxMinor',
      'residual',
    ],
  },
);
const packs = fc
  .array(pack, { minLength: 1, maxLength: 3 })
  .map((all) => all.map((each, at) => ({ id: `k${at}`, ...each })));
const ofKind = fc.oneof(
  fc.record({ kind: fc.constant('back-bar'), unit: fc.constantFrom('ml', 'g'), openLife: keeps }),
  fc.record({ kind: fc.constant('single-dose'), unit: fc.constantFrom('ml', 'piece') }),
  fc.record({
    kind: fc.constant('consumable'),
    unit: fc.constant('piece'),
    countedPer: fc.constantFrom('client', 'person'),
  }),
  fc.record({
    kind: fc.constant('device-part'),
    unit: fc.constant('piece'),
    sterility: fc.constantFrom('sterile', 'clean'),
  }),
  fc.record({
    kind: fc.constant('fresh'),
    unit: fc.constant('ml'),
    yieldPerPiece: calibrated,
    keeps,
    openLife: keeps,
  }),
  fc.record({ kind: fc.constant('retail'), unit: fc.constant('piece'), retailPriceMinor: money }),
);
const material = fc
  .record({
    name,
    of: ofKind,
    packs,
    care,
    measures: fc.record(
      { density: millionths(0.5, 2), densitySpread: share, mlPerSpatula: calibrated },
      { requiredKeys: [] },
    ),
    coat: fc.record({ name, usual: millionths(0.1, 500) }),
  })
  .map(({ of, packs: all, measures, coat, ...rest }) => {
    const bought = of.kind === 'fresh' ? all.map((each) => ({ ...each, content: 1 })) : all;
    return {
      id: 'any',
      ...rest,
      ...of,
      measures: { ...measures, coats: [coat] },
      archivedOn: '2026-02-28',
      keptAt: 'Cupboard',
      sealedDays: 90.5,
      restock: { serviceLevel: 0.98, levels: { minimum: 1.25, maximum: 7.5 } },
      packs: bought,
      preferredPackId: bought[0]?.id,
    } as unknown as Material;
  });

describe('any house', () => {
  let api: TestApi;
  let whole: HouseArchive;
  let runs = 0;
  beforeAll(async () => {
    api = await startApi();
    whole = asOfNow(await demoHouse(), new Date());
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
        material,
        async (written, protocolName, materialName, share, between, another) => {
          /* Half the file is the logbook, of which nothing is drawn: it goes in and out once. */
          const demo = runs === 0 ? whole : { ...whole, logbookPlans: [], logbook: [] };
          runs += 1;
          const [first, ...protocols] = demo.protocols;
          if (!first) throw new Error('no protocol');
          const layers = between
            ? {
                ...group,
                between: { wait: { least: 0, usual: share, most: 2 } },
                asks: [
                  {
                    id: asId<QuestionId>('after-layer'),
                    ask: materialName,
                    answer: { kind: 'score' as const },
                    reactions: [{ from: 5, response: 'off' as const }],
                  },
                ],
              }
            : group;
          const house: HouseArchive = {
            ...demo,
            settings: {
              ...demo.settings,
              handlingLoss: share,
              restock: {
                ...demo.settings.restock,
                holdingRate: share,
                months: demo.settings.restock.months.map(() => share),
                trend: { perYear: share, since: '2026-02-28' },
                clientMix: { ...USUAL_CLIENT_MIX, firstVisits: share },
                bookingNames: [{ title: protocolName, serviceId: null }],
              },
              name: materialName,
              grades: [{ name: protocolName, hourlyPayMinor: 1500, onCost: share }],
            },
            people: demo.people.map((person, at) =>
              at === 0 ? { ...person, grade: protocolName, onCost: share } : person,
            ),
            suppliers: demo.suppliers.map((supplier, at) =>
              at === 0
                ? {
                    ...supplier,
                    deliveryDays: [7, 1],
                    season: protocolName,
                    columns: { code: protocolName },
                  }
                : supplier,
            ),
            materials: [...demo.materials, another].map((material) =>
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
            demand: demo.demand.map((line, at) =>
              at === 0 ? { ...line, trendPerYear: share, months: Array(12).fill(share) } : line,
            ),
            orders: demo.orders.map((order) => ({ ...order, note: materialName })),
            soldCourses: demo.soldCourses.map((sold) => ({ ...sold, name: protocolName })),
            protocols: [
              ordered({
                ...first,
                name: protocolName,
                steps: written,
                layerGroups: [layers],
                choices: [choice],
              }),
              ...protocols,
            ],
          };
          const plain = JSON.parse(JSON.stringify(house)) as HouseArchive;
          const saved = await api.send<HouseSnapshot>('PUT', 'house/file', writeHouseFile(plain));
          expect([saved.status, saved.body]).toEqual([200, expect.anything()]);
          expect(comparable(withoutVersions(await api.house()))).toEqual(
            comparable(houseOf(plain)),
          );
          const file = await fetch(`${api.url}/api/house/file`);
          expect(await file.json()).toEqual(JSON.parse(writeHouseFile(plain)));
        },
      ),
      { numRuns: 25 },
    );
  }, 120_000);
});

/** A log says the same from whatever day it begins. */
function comparable({ log, ...house }: House) {
  const days = [...visitsByDay(log)].map(
    ({ serviceId, day, count }) => `${serviceId} ${day} ${count}`,
  );
  return { ...house, performed: days.toSorted(), entered: log.entered.toSorted() };
}
