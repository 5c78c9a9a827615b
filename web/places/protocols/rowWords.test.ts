import { describe, expect, it } from 'vitest';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { shelfOf } from '@bienestar/core/figures/serviceWork';
import { createTrial } from '@bienestar/core/figures/trial';
import { houseOf } from '@bienestar/core/stock/houseOf';
import { clientWith, type Client } from '@bienestar/core/house/client';
import type { House, Protocol } from '@bienestar/core/house/house';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import { isStep } from '@bienestar/core/house/protocol';
import { DEMO } from '../../testing/demoInBrowser';
import { rowsOf, type RowWords } from './rowWords';
import type { ShownService } from './useShownService';

/* What the list of steps says of the protocols of the demo house. */

const house = houseOf(DEMO);
const { materials } = createCalculator()(house);
const tryOut = createTrial();

function rowsFor(
  protocol: Protocol,
  client: Client = clientWith(),
  changes: Partial<Pick<ShownService, 'problems' | 'findings'>> = {},
  within: House = house,
): readonly RowWords[] {
  const service = house.services.find((each) => each.protocolId === protocol.id);
  if (!service) throw new Error(`${protocol.name} is not sold.`);
  const { work, figures } = tryOut(
    house,
    materials,
    service,
    { protocol, mixes: house.mixes },
    client,
  );
  const shown: ShownService = {
    house: within,
    service,
    services: [service],
    client,
    written: undefined,
    worked: work.protocol.ok ? work.protocol.value : undefined,
    shelf: shelfOf(work, indexHouse(house)),
    figures,
    restocking: new Map(),
    opened: undefined,
    problems: [],
    findings: [],
    ...changes,
  };
  return rowsOf(protocol, shown);
}
const named = (id: string): Protocol => {
  const found = house.protocols.find((each) => each.id === id);
  if (!found) throw new Error(`There is no ${id}.`);
  return found;
};

describe.each(house.protocols.map((protocol) => [protocol.name, protocol] as const))(
  'the rows of %s',
  (_name, protocol) => {
    it('are one a line, headed by their stretch, and start in the order of the work', () => {
      const rows = rowsFor(protocol);
      expect(rows.map(({ line }) => line)).toEqual(protocol.steps);
      const headings = rows.flatMap(({ heading }) => heading ?? []);
      expect(new Set(headings).size).toBe(headings.length);
      const starts = rows.flatMap(({ line, startsAt, leftOut }) =>
        startsAt === undefined || leftOut || line.meanwhileOf !== undefined ? [] : [startsAt],
      );
      expect(starts).toEqual(starts.toSorted((a, b) => a - b));
    });

    it('say for whom a product is that is not for everybody', () => {
      for (const { line, details } of rowsFor(protocol)) {
        for (const { option } of isStep(line) ? line.doses : []) {
          const choice = protocol.choices.find(({ id }) => id === option?.choiceId);
          const taken = choice?.options.find(({ id }) => id === option?.optionId);
          if (taken) expect(details).toContain(`(${taken.name})`);
        }
      }
    });

    it('say what is drawn by its name', () => {
      for (const { line, details } of rowsFor(protocol)) {
        expect(details).not.toMatch(/undefined|NaN|no longer/);
        if (isStep(line) && line.doses.length > 0) expect(details).not.toBe('');
      }
    });
  },
);

describe('a row', () => {
  it('names the layers above their first step only', () => {
    const headings = rowsFor(named('layered-fruit-acid')).flatMap((row) => row.layersHeading ?? []);
    expect(headings).toEqual([
      'Acid layers: 2 on a first visit, 4 on later ones, otherwise for some',
    ]);
  });

  it('says for whom it is, and when it is left out', () => {
    const rinsed = (skinType: 'sensitive' | 'oily') =>
      rowsFor(named('prickly-pear-calm'), clientWith({ skinType })).filter((row) =>
        row.option?.startsWith('Mask off: rinsed'),
      );
    expect(rinsed('sensitive').length).toBeGreaterThan(0);
    expect(rinsed('sensitive').every(({ leftOut }) => !leftOut)).toBe(true);
    expect(rinsed('oily').every(({ leftOut }) => leftOut)).toBe(true);
  });

  it('says what stands in a block, and that one is gone', () => {
    const calm = named('prickly-pear-calm');
    const block = rowsFor(calm).find(({ line }) => !isStep(line));
    expect(block?.details).toContain('First cleanse, Second cleanse');
    const gone = rowsFor(calm, clientWith(), {}, { ...house, blocks: [] });
    expect(gone.find(({ line }) => !isStep(line))?.details).toBe('a block that is no longer there');
  });

  it('carries the heaviest of what was found at it', () => {
    const protocol = named('black-sand-clay-facial');
    const [first, second] = protocol.steps;
    if (!first || !second) throw new Error('no steps');
    const at = (stepId: string) => ({
      message: '',
      where: { protocolId: protocol.id, stepId, field: 'minutes' },
    });
    const rows = rowsFor(protocol, clientWith(), {
      findings: [
        { ...at(first.id), code: 'sun-protection', weight: 'prompt' },
        { ...at(first.id), code: 'contact-cap-passed', weight: 'conflict' },
        { ...at(second.id), code: 'sun-protection', weight: 'prompt' },
      ] as ShownService['findings'],
      problems: [{ ...at(second.id), code: 'minutes-invalid' }],
    });
    expect(rows.slice(0, 3).map(({ finding }) => finding)).toEqual([
      'conflict',
      'fault',
      undefined,
    ]);
  });
});
