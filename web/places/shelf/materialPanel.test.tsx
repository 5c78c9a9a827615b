import { screen } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { BoughtMaterial, LinenMaterial, Material } from '@bienestar/core/house/house';
import { openLifeOf } from '@bienestar/core/house/packs';
import { changedKeys, demoInBrowser, put, type DemoInBrowser } from '../../testing/demoInBrowser';
import { cleanup } from '../../testing/render';

let browser: DemoInBrowser;
beforeEach(async () => {
  browser = await demoInBrowser();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

async function show(id: string, facet: string): Promise<void> {
  const { MaterialPanel } = await import('./MaterialPanel');
  browser.show(
    <MaterialPanel id={id} places={[]} onGone={() => undefined} />,
    `/shelf/${id}/${facet}`,
    '/shelf/:materialId/:facet',
  );
}
const pack = (material: Material) => (material as BoughtMaterial).packs[0];

describe('a material in hand', () => {
  it.each<[string, string, string, (material: Material) => unknown, unknown]>([
    ['bought', 'Article number', 'NQ-1', (of) => pack(of)?.code, 'NQ-1'],
    ['bought', 'Pack price', '31.5', (of) => pack(of)?.priceMinor, 3_150],
    ['bought', 'Discount', '12.5', (of) => pack(of)?.discount, 0.125],
    ['bought', 'Freight share', '0.8', (of) => pack(of)?.freightMinor, 80],
    ['bought', 'Tax not recovered', '2', (of) => pack(of)?.unrecoveredTaxMinor, 200],
    ['bought', 'Stays in the pack', '6', (of) => pack(of)?.residual, 0.06],
    ['bought', 'Empty container with lid', '44', (of) => pack(of)?.tareG, 44],
    ['bought', 'Least order, packs', '3', (of) => pack(of)?.leastPacks, 3],
    ['bought', 'Good once opened (PAO)', '9', openLifeOf, 9],
    ['measured', 'Density', '1.04', ({ measures }) => measures.density, 1.04],
    ['care', 'Storage', 'cool, in the dark', ({ care }) => care?.storage, 'cool, in the dark'],
    ['used', 'Name', 'Milk of prickly pear', ({ name }) => name, 'Milk of prickly pear'],
  ])(
    'by %s: %s becomes %s, by the rules, and nothing else does',
    async (facet, label, text, of, value) => {
      await show('prickly-pear-milk', facet);
      await put(label, text);
      const written = await browser.written<Material>('materials');
      const said = of(written.after);
      expect(typeof said === 'object' ? said : [said]).toEqual(
        typeof said === 'object' ? expect.objectContaining({ amount: value }) : [value],
      );
      expect(changedKeys(written)).toHaveLength(1);
    },
  );

  it('holds several things in one box, each with how much, for so many visits', async () => {
    await show('corrector-box', 'box');
    await userEvent.click(screen.getByRole('button', { name: 'Another thing in the box' }));
    const added = (await browser.written<Material>('materials')).after;
    expect(added).toMatchObject({
      parts: [{ id: 'wipe' }, { id: 'veil' }, { name: 'New part', amount: 1, unit: 'g' }],
    });
  });

  it.each([
    ['A box is for', '3', { forVisits: 3 }],
    ['A box is for', '1', { forVisits: undefined }],
  ])('a kit: %s %s', async (label, text, changes) => {
    await show('corrector-box', 'box');
    await put(label, text);
    expect((await browser.written<Material>('materials')).after).toMatchObject(changes);
  });

  it('a kit: no visits are refused at the field', async () => {
    await show('corrector-box', 'box');
    await put('A box is for', '0');
    await screen.findByText('Must be at least 1.');
  });

  it('keeps for months once it is opened, as the label says', async () => {
    await show('prickly-pear-milk', 'bought');
    await put('Good once opened (PAO)', '');
    await userEvent.click(screen.getByRole('combobox', { name: 'Good once opened (PAO), unit' }));
    await userEvent.click(screen.getByRole('option', { name: 'months' }));
    await put('Good once opened (PAO)', '12');
    const { houseInHand } = await import('../../store/house');
    const milk = houseInHand(browser.store.getState())?.materials.find(
      ({ id }) => id === 'prickly-pear-milk',
    );
    expect(milk && openLifeOf(milk)).toEqual({ amount: 12, unit: 'months' });
  });

  it.each([
    ['prickly-pear-milk', 'bought', 'Discount', '101'],
    ['prickly-pear-milk', 'bought', 'Pack price', '-1'],
    ['prickly-pear-milk', 'bought', 'Least order, packs', '0'],
    ['prickly-pear-milk', 'measured', 'Density', '0'],
    ['prickly-pear-milk', 'used', 'Name', ''],
    ['face-towel', 'bought', 'Washes in its life', '0'],
  ])('%s by %s: %s does not become “%s”', async (id, facet, label, text) => {
    await show(id, facet);
    await put(label, text);
    expect(screen.getByRole('alert').textContent).not.toBe('');
    expect(browser.store.getState().queue.writes).toEqual([]);
  });

  it('a towel is kept by its wash, its price and its life', async () => {
    await show('face-towel', 'bought');
    await put('Washes in its life', '140');
    const written = await browser.written<LinenMaterial>('materials');
    expect(written.after.laundry.washesInLife).toBe(140);
    expect(changedKeys(written)).toEqual(['laundry']);
  });

  it('goes into the archive on the day that it is in the house', async () => {
    vi.setSystemTime(new Date('2026-06-30T23:30:00Z'));
    await show('prickly-pear-milk', 'used');
    await userEvent.click(screen.getByRole('button', { name: 'Archive' }));
    const { after } = await browser.written<Material>('materials');
    expect(after.archivedOn).toBe('2026-07-01');
    vi.useRealTimers();
  });
});
