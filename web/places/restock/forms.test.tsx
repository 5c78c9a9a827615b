import { describe, expect } from 'vitest';
import type { BoughtMaterial, LinenMaterial } from '@bienestar/core/house/house';
import { USUAL_CLIENT_MIX } from '@bienestar/core/restock/clientKinds';
import type { HouseSettings } from '@bienestar/core/house/settings';
import {
  eachInAnEmptyDocument,
  fieldsRefuse,
  fieldsWrite,
  pressesWrite,
} from '../../testing/forms';
import type { PersonAtApp } from '../../testing/personAtApp';

eachInAnEmptyDocument();

describe('when a material is ordered', () => {
  const form = {
    at: '/restock/levels/cellulose-sheet',
    opened: (person: PersonAtApp) => person.click('button', 'How it is ordered'),
  };
  fieldsWrite<BoughtMaterial>('materials', form, [
    ['Own service level', '98', { restock: { serviceLevel: 0.98 } }],
    ['Keeps closed', '400', { sealedDays: 400 }],
    ['Stands at', ' Cupboard B ', { keptAt: 'Cupboard B' }],
  ]);
  pressesWrite<BoughtMaterial>('materials', form, [
    ['radio', 'any day', { restock: { review: 'any-day' } }],
  ]);
  fieldsRefuse(form, [
    ['Own service level', '40', 'Must be from 50 to 99.9 %.'],
    ['Own service level', '100', 'Must be from 50 to 99.9 %.'],
    ['Keeps closed', '0', 'Must'],
  ]);
});

describe('how linen goes round', () => {
  const form = { at: '/restock/levels/face-towel' };
  fieldsWrite<LinenMaterial>('materials', form, [
    ['Pieces in the house', '300', { loop: { pieces: 300 } }],
    ['At the wash', '4', { loop: { washDays: 4 } }],
    ['For safety', '2', { loop: { safetyDays: 2 } }],
  ]);
  fieldsRefuse(form, [
    ['Pieces in the house', '-1', 'Must'],
    ['At the wash', 'soon', 'number'],
  ]);
});

describe('what is counted with', () => {
  const restock = (changes: object): { readonly restock: object } => ({ restock: changes });
  const open =
    (...folds: readonly string[]) =>
    async (person: PersonAtApp): Promise<void> => {
      for (const fold of folds) await person.click('button', fold);
    };
  const demand = { at: '/restock/demand' };
  fieldsWrite<HouseSettings>('settings', demand, [
    ['Plan', '0.5', restock({ blend: { plan: 0.5 } })],
    ['Book', '0.25', restock({ blend: { bookings: 0.25 } })],
    ['Log', '1', restock({ blend: { log: 1 } })],
    ['Days ahead for which the book counts', '21', restock({})],
  ]);
  fieldsRefuse(demand, [['Plan', '-1', 'Must']]);

  const months = { ...demand, opened: open('Months and growth') };
  const factors = Array.from({ length: 12 }, () => expect.any(Number) as number);
  fieldsWrite<HouseSettings>('settings', months, [
    ['Aug', '0.5', restock({ months: factors.with(7, 0.5) })],
    ['Jan', '1.4', restock({ months: factors.with(0, 1.4) })],
    ['Growth a year', '8', restock({ trend: { perYear: 0.08 } })],
  ]);
  fieldsRefuse(months, [
    ['Aug', '-1', 'Must'],
    ['Growth a year', '-99', 'Must be from -95 to 500 %.'],
  ]);

  pressesWrite<HouseSettings>('settings', { ...demand, opened: open('Kinds of clients') }, [
    ['button', 'Weigh by who comes', restock({ clientMix: USUAL_CLIENT_MIX })],
  ]);
});
