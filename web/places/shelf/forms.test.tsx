import { describe } from 'vitest';
import type { BoughtMaterial, FreshMaterial, LinenMaterial } from '@bienestar/core/house/house';
import type { Mix } from '@bienestar/core/house/mix';
import {
  eachInAnEmptyDocument,
  fieldsRefuse,
  fieldsWrite,
  pressesWrite,
} from '../../testing/forms';

eachInAnEmptyDocument();

const of = (id: string, facet: string) => ({
  at: `/shelf/${id}/${facet}`,
  alone: async () => {
    const { MaterialPanel } = await import('./MaterialPanel');
    const element = <MaterialPanel id={id} places={[]} onGone={() => undefined} />;
    return [{ path: '/shelf/:materialId/:facet', element }];
  },
});

describe('how a material is bought', () => {
  const form = of('cellulose-sheet', 'bought');
  const second = { code: 'N-1221' };
  const first = (changes: object): object => ({ packs: [changes, second] });
  fieldsWrite<BoughtMaterial>('materials', form, [
    ['Article number', ' N-9 ', first({ code: 'N-9' })],
    ['Article number', '', first({ id: 'sheet-10' })],
    ['Doses in the pack', '12', first({ containers: 12 })],
    ['Pack price', '27,80', first({ priceMinor: 2_780 })],
    ['Discount', '2.5', first({ discount: 0.025 })],
    ['Freight share', '1', first({ freightMinor: 100 })],
    ['Tax not recovered', '0.45', first({ unrecoveredTaxMinor: 45 })],
    ['Least order, packs', '2', first({ leastPacks: 2 })],
    ['Its own lead time', '9', first({ leadTimeDays: 9 })],
    ['Break 1, from packs', '4', first({ breaks: [{ fromPacks: 4, discount: 0.08 }] })],
    ['Break 1, discount', '11', first({ breaks: [{ fromPacks: 5, discount: 0.11 }] })],
  ]);
  pressesWrite<BoughtMaterial>('materials', form, [
    ['button', 'Remove the break from 5 packs', first({ code: 'N-1220' })],
    ['button', 'Remove the pack of 50 pieces', { packs: [{ code: 'N-1220' }] }],
  ]);
  fieldsRefuse(form, [
    ['Doses in the pack', '0', 'Must be at least 1.'],
    ['Doses in the pack', '1.5', 'Enter a whole number.'],
    ['Pack price', '-3', 'Must'],
    ['Discount', '100.5', 'Must'],
    ['Break 1, from packs', '1', 'Must be at least 2.'],
    ['Its own lead time', '-1', 'Must'],
    ['Pack price', 'dear', 'number'],
  ]);
});

describe('what is sold to take home', () => {
  fieldsWrite<BoughtMaterial>('materials', of('after-kit', 'bought'), [
    ['Sold to clients for', '17.50', { retailPriceMinor: 1_750 }],
    ['Sold to clients for', '', { retailPriceMinor: undefined }],
  ]);
  fieldsRefuse(of('after-kit', 'bought'), [['Sold to clients for', '-1', 'Must']]);
});

describe('what goes round the laundry', () => {
  const form = of('face-towel', 'bought');
  const laundry = { washMinor: 35, replacementMinor: 620, washesInLife: 150 };
  fieldsWrite<LinenMaterial>('materials', form, [
    ['One wash', '0.42', { laundry: { ...laundry, washMinor: 42 } }],
    ['A new piece', '7', { laundry: { ...laundry, replacementMinor: 700 } }],
    ['Washes in its life', '90', { laundry: { ...laundry, washesInLife: 90 } }],
  ]);
  fieldsRefuse(form, [
    ['One wash', '-1', 'Must'],
    ['A new piece', 'new', 'number'],
    ['Washes in its life', '0', 'Must'],
  ]);
});

describe('how a material is measured', () => {
  const form = of('prickly-pear-milk', 'measured');
  fieldsWrite<BoughtMaterial>('materials', form, [
    ['Density', '1,04', { measures: { density: 1.04 } }],
    ['ml per pump', '1.75', { measures: { mlPerPump: { usual: 1.75, spread: 0.08 } } }],
    ['give or take, ml per pump', '12', { measures: { mlPerPump: { usual: 1.6, spread: 0.12 } } }],
    ['ml per spray', '0.15', { measures: { mlPerSpray: { usual: 0.15 } } }],
    ['ml per dropperful', '0.8', { measures: { mlPerDropper: { usual: 0.8 } } }],
    ['drops per ml', '22', { measures: { dropsPerMl: { usual: 22 } } }],
    ['ml per spatula', '1.2', { measures: { mlPerSpatula: { usual: 1.2 } } }],
    ['Stays on hands and tools', '7', { measures: { handlingLoss: 0.07 } }],
    ['Size of coin', '2.4', { measures: { named: [{ name: 'coin', usual: 2.4, spread: 0.25 }] } }],
    ['Give or take of coin', '30', { measures: { named: [{ usual: 2, spread: 0.3 }] } }],
    ['Name of the amount', 'shell', { measures: { named: [{ name: 'shell' }] } }],
  ]);
  pressesWrite<BoughtMaterial>('materials', form, [
    ['button', 'Remove coin', { measures: { mlPerPump: { usual: 1.6 } } }],
  ]);
  fieldsRefuse(form, [
    ['ml per pump', '0', 'Must be more than 0.'],
    ['give or take, ml per pump', '101', 'Must'],
    ['drops per ml', '-4', 'Must'],
    ['Size of coin', 'small', 'number'],
    ['Stays on hands and tools', '100', 'Must'],
  ]);
});

describe('what is to be minded of a material', () => {
  const form = of('prickly-pear-milk', 'care');
  const care = (changes: object): object => ({ care: changes });
  fieldsWrite<BoughtMaterial>('materials', form, [
    [
      'Allergens, as the label names them',
      'linalool, citral',
      care({ allergens: ['linalool', 'citral'] }),
    ],
    ['pH', '5,5', care({ ph: 5.5 })],
    ['Patch test before', '48', care({ patchTest: { hoursBefore: 48 } })],
    ['Storage', 'Dark, 8 °C', care({ storage: 'Dark, 8 °C' })],
    ['Where the maker’s sheet is filed', 'Folder 9', care({ sheet: 'Folder 9' })],
  ]);
  pressesWrite<BoughtMaterial>('materials', form, [
    ['checkbox', 'retinoid', care({})],
    ['checkbox', 'flammable', care({})],
    ['checkbox', 'pregnancy', care({})],
    ['checkbox', 'covers the eyes', care({})],
  ]);
  fieldsRefuse(form, [
    ['pH', '15', 'Must'],
    ['Patch test before', '-1', 'Must'],
  ]);
});

describe('fresh goods', () => {
  const form = of('market-orange', 'bought');
  fieldsWrite<FreshMaterial>('materials', form, [
    ['Pack price', '4.20', { packs: [{ priceMinor: 420 }, { priceMinor: 60 }] }],
    ['Good whole', '12', { keeps: { amount: 12 } }],
    ['Good once cut', '8', { openLife: { amount: 8 } }],
  ]);
  fieldsRefuse(form, [['Good whole', '', 'Enter a number, such as 3 or 2.5. Still counted with']]);
});

describe('what a piece of fresh goods gives', () => {
  const form = of('market-orange', 'measured');
  fieldsWrite<FreshMaterial>('materials', form, [
    ['One piece gives', '60', { yieldPerPiece: { usual: 60 } }],
    ['give or take, one piece', '', { yieldPerPiece: { usual: 62 } }],
  ]);
  fieldsRefuse(form, [['One piece gives', '0', 'Must']]);
});

describe('a mix', () => {
  const form = { at: '/shelf/clay-mask' };
  fieldsWrite<Mix>('mixes', form, [
    ['Name of the mix', 'Clay, mixed', { name: 'Clay, mixed' }],
    ['Density', '1.3', { density: 1.3 }],
    ['Stays in the bowl', '10', { bowlLoss: 0.1 }],
    ['Mixing takes', '3', { mixingMinutes: 3 }],
    ['Stands before use', '5', { standingMinutes: 5 }],
    ['Keeps, once mixed', '40', { workingLifeMinutes: 40 }],
    ['How it is mixed', 'Slowly.', { method: 'Slowly.' }],
  ]);
  pressesWrite<Mix>('mixes', form, [
    ['radio', 'ml', { basis: 'ml' }],
    ['radio', 'only whole ones', { wholeBatches: true }],
    ['radio', 'ahead', { made: 'ahead' }],
    ['radio', 'warm', { warm: 'warmed' }],
    ['radio', 'cold', { warm: 'kept-cold' }],
  ]);
  fieldsRefuse(form, [
    ['Stays in the bowl', '100', 'Must'],
    ['Mixing takes', '-1', 'Must'],
    ['Name of the mix', '', 'This is needed.'],
    ['How much Black-sand clay, usual', '-3', 'Must'],
  ]);
});

describe('what is shown of a material', () => {
  const form = of('prickly-pear-milk', 'used');
  fieldsWrite<BoughtMaterial>('materials', form, [
    ['Name', 'Milk of the pear', { name: 'Milk of the pear' }],
  ]);
  fieldsRefuse(form, [['Name', '   ', 'This is needed.']]);
});
