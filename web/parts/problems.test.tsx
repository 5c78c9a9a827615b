import { screen, waitFor } from '@testing-library/dom';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Material, Mix } from '@bienestar/core/house/house';
import type { Problem } from '@bienestar/core/problem/problem';
import { demoInBrowser, put, type DemoInBrowser } from '../testing/demoInBrowser';
import { cleanup } from '../testing/render';

let browser: DemoInBrowser;
beforeEach(async () => {
  browser = await demoInBrowser();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

async function show(problem: Problem, isTold?: boolean): Promise<void> {
  const { Problems } = await import('./Problems');
  browser.show(<Problems problems={[problem]} {...(isTold !== undefined && { isTold })} />);
}
const density: Problem = {
  code: 'density-missing',
  message: 'Give its density.',
  where: { materialId: 'mineral-sunscreen', field: 'density', missing: { of: 'density' } },
};
const field = (name: string) => waitFor(() => screen.getByRole('textbox', { name }));

describe('what cannot be counted for want of a measure', () => {
  it('is answered there, for the material', async () => {
    await show(density);
    await field('Density, Mineral sunscreen');
    await put('Density, Mineral sunscreen', '1,04');
    const { after } = await browser.written<Material>('materials');
    expect(after.measures.density).toBe(1.04);
  });

  it('is answered there for a mix, too', async () => {
    const { materialId: _of, ...where } = density.where;
    await show({ ...density, where: { ...where, mixId: 'clay-mask' } });
    await field('Density, Clay mask, mixed');
    await put('Density, Clay mask, mixed', '1,2');
    const { after } = await browser.written<Mix>('mixes');
    expect(after.density).toBe(1.2);
  });

  it('keeps what is no measure, and says so', async () => {
    await show(density);
    await field('Density, Mineral sunscreen');
    await put('Density, Mineral sunscreen', '-1');
    expect(screen.getByRole('alert').textContent).toContain('more than 0');
    expect(browser.store.getState().queue.writes).toEqual([]);
  });

  it('is only told where its field stands elsewhere', async () => {
    await show(density, true);
    expect(screen.getByText(/Give its density/)).toBeDefined();
    expect(screen.queryByRole('textbox')).toBeNull();
  });
});
