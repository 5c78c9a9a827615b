import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asId, type ServiceId } from '../house/ids';
import { house as sample } from '../testing/sample';
import { materialsFrom, peopleFrom, servicesFrom, visitsFrom, type PastedTerms } from './fromRows';
import { packFromText, packInName } from './packText';
import { layoutOf, rowsBy, type PastedKind } from './pastedRows';

describe('a pack as it is written', () => {
  it.each([
    ['500 ml', 1, 500, 'ml'],
    ['500ml', 1, 500, 'ml'],
    ['1 L', 1, 1000, 'ml'],
    ['1,5 l', 1, 1500, 'ml'],
    ['10 x 2 ml', 10, 2, 'ml'],
    ['10×2ml', 10, 2, 'ml'],
    ['20 sachets of 15 g', 20, 15, 'g'],
    ['0.25 kg', 1, 250, 'g'],
    ['box of 100', 1, 100, 'piece'],
    ['pack of 50', 1, 50, 'piece'],
    ['100 per box', 1, 100, 'piece'],
    ['200 pcs', 1, 200, 'piece'],
    ['5 x 100 pcs', 5, 100, 'piece'],
    ['12', 1, 12, 'piece'],
    ['8 fl oz', 1, 236.5882365, 'ml'],
  ])('%s is %s of %s %s', (text, containers, content, unit) => {
    expect(packFromText(text)).toEqual({ containers, content, unit });
  });

  it.each(['', 'large', 'ml', '0 ml', '1.5 x 2 ml', '500 ml of it', 'box', 'x 2 ml'])(
    '“%s” is none',
    (text) => {
      expect(packFromText(text)).toBeUndefined();
    },
  );

  it('stands at the end of a name, or nowhere', () => {
    expect(packInName('Aloe gel 500 ml')).toEqual({
      name: 'Aloe gel',
      pack: { containers: 1, content: 500, unit: 'ml' },
    });
    expect(packInName('Copper ampoule (10 x 2 ml)')).toEqual({
      name: 'Copper ampoule',
      pack: { containers: 10, content: 2, unit: 'ml' },
    });
    expect(packInName('Fruit acid 20 %')).toEqual({ name: 'Fruit acid 20 %' });
    expect(packInName('500 ml')).toEqual({ name: '500 ml' });
  });

  it('is read back from what it says, for any whole pack', () => {
    const whole = fc.integer({ min: 1, max: 900 });
    fc.assert(
      fc.property(whole, whole, fc.constantFrom('ml', 'g'), (containers, content, unit) => {
        expect(packFromText(`${containers} x ${content} ${unit}`)).toEqual({
          containers,
          content,
          unit,
        });
      }),
    );
  });
});

const cells = (text: string): string[][] =>
  text.split('\n').map((line) => line.split('|').map((cell) => cell.trim()));
const read = (kind: PastedKind, text: string) => {
  const rows = cells(text);
  return rowsBy(rows, layoutOf(rows, kind));
};
let made = 0;
const terms: PastedTerms = {
  minorPerMajor: 100,
  decimalMark: '.',
  newId: () => `made-${(made += 1)}`,
};
const house = sample();
const empty = { materials: [], suppliers: [] };

describe('columns of pasted rows', () => {
  it.each([
    ['materials', 'Product|Size|Precio|Supplier', { name: 0, pack: 1, price: 2, supplier: 3 }, 1],
    ['materials', 'Aloe gel|500 ml|28.00', { name: 0, pack: 1, price: 2 }, 0],
    ['materials', '500 ml|Aloe gel|Mercado|28.00', { pack: 0, name: 1, supplier: 2, price: 3 }, 0],
    ['services', 'Treatment|Duration|PVP', { name: 0, minutes: 1, price: 2 }, 1],
    ['services', 'Express|30|45', { name: 0, minutes: 1, price: 2 }, 0],
    ['people', 'Name|Role|Hourly pay', { name: 0, role: 1, pay: 2 }, 1],
    ['people', 'Ione|therapist|16,00', { name: 0, role: 1, pay: 2 }, 0],
    ['visits', 'Express|12', { name: 0, visits: 1 }, 0],
  ] as const)('of %s: %s', (kind, text, columns, begins) => {
    expect(layoutOf(cells(text), kind)).toEqual({ columns, begins });
  });
});

describe('materials of rows', () => {
  it('need no article number; pack, kind and a new supplier are read', () => {
    const rows = read(
      'materials',
      'Name|Pack|Price|Supplier\nAloe gel|500 ml|28,00|Verde\nCopper|10 x 2 ml|59,50|Verde\nGauze|box of 100|5,50|Sol',
    );
    const { things, faults, suppliers } = materialsFrom(rows, empty, terms);
    expect(faults).toEqual([]);
    expect(suppliers.map(({ name }) => name)).toEqual(['Verde', 'Sol']);
    expect(
      things.map(({ material }) => [
        material.name,
        material.kind,
        material.kind === 'linen' ? undefined : material.packs[0],
      ]),
    ).toEqual([
      [
        'Aloe gel',
        'back-bar',
        expect.objectContaining({ containers: 1, content: 500, priceMinor: 2800 }),
      ],
      [
        'Copper',
        'single-dose',
        expect.objectContaining({ containers: 10, content: 2, priceMinor: 5950 }),
      ],
      [
        'Gauze',
        'consumable',
        expect.objectContaining({ containers: 1, content: 100, priceMinor: 550 }),
      ],
    ]);
    expect(
      things.every(({ isKindGuessed, isSupplierGuessed }) => isKindGuessed && !isSupplierGuessed),
    ).toBe(true);
  });

  it('take what somebody chose instead of the guess', () => {
    const rows = read('materials', 'Serum|30 ml|48');
    const supplierId = house.suppliers[0]?.id;
    const choices = new Map([[1, { kind: 'retail' as const, ...(supplierId && { supplierId }) }]]);
    const { things } = materialsFrom(rows, { ...house, materials: [] }, terms, choices);
    expect(things[0]).toMatchObject({ isKindGuessed: false, isSupplierGuessed: false });
    expect(things[0]?.material.kind).toBe('retail');
  });

  it('say each fault at its row and field', () => {
    const rows = read(
      'materials',
      'Name|Pack|Price\n|1 l|3\nMilk|big|3\nOil|1 l|dear\nOil|1 l|2\nClay||4\nMud|1 kg|-2',
    );
    const { faults } = materialsFrom(rows, { ...house, materials: [] }, terms);
    expect(faults.map(({ row, field }) => [row, field])).toEqual([
      [2, 'name'],
      [3, 'pack'],
      [4, 'price'],
      [5, 'name'],
      [6, 'pack'],
      [7, 'price'],
    ]);
  });

  it('need a supplier when the house has none, and are not those that are there', () => {
    const rows = read('materials', 'Milk|1 l|3');
    expect(materialsFrom(rows, empty, terms).faults).toMatchObject([{ row: 1, field: 'supplier' }]);
    const [known] = house.materials;
    const again = read('materials', `${known?.name ?? ''}|1 l|3`);
    expect(materialsFrom(again, house, terms).faults).toMatchObject([{ row: 1, field: 'name' }]);
  });
});

describe('services, people and visits of rows', () => {
  it('make a service of its own price with a protocol that takes its minutes', () => {
    const { things, faults } = servicesFrom(
      read('services', 'Express|30 min|€45.50'),
      house,
      terms,
    );
    expect(faults).toEqual([]);
    expect(things[0]?.service.pricing).toEqual({ by: 'own', ownMinor: 4550 });
    expect(things[0]?.protocol.steps).toMatchObject([
      { minutes: { least: 30, usual: 30, most: 30 } },
    ]);
    expect(things[0]?.service.protocolId).toBe(things[0]?.protocol.id);
  });

  it('read pay by the hour, and who assists', () => {
    const rows = read('people', 'Name|Job|Rate\nIone|therapist|16,00 €/h\nOlaya|Assistant|10,50');
    expect(peopleFrom(rows, { people: [] }, terms).things).toMatchObject([
      { name: 'Ione', role: 'therapist', hourlyPayMinor: 1600 },
      { name: 'Olaya', role: 'assistant', hourlyPayMinor: 1050 },
    ]);
  });

  it('plan visits of services by their names, whatever their capitals, and name those there are not', () => {
    const service = { id: asId<ServiceId>('express'), name: 'Express' };
    const rows = read('visits', `${service.name.toUpperCase()}|12\nMoon bath|3`);
    const { things, faults } = visitsFrom(
      rows,
      { services: [service] as never, demand: [] },
      terms,
    );
    expect(things).toMatchObject([{ serviceId: service.id, visitsPerWeek: 12 }]);
    expect(faults).toMatchObject([{ row: 2, field: 'name' }]);
  });
});
