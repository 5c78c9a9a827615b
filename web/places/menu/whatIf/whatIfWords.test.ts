import { describe, expect, it } from 'vitest';
import type { Change, House, Scenario } from '@bienestar/core/house/house';
import { asId, type ScenarioId } from '@bienestar/core/house/ids';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { applyChange } from '@bienestar/core/whatIf/applyChange';
import { house as sampleHouse, protocol, service } from '@bienestar/core/testing/sample';
import { changeWords, KIND_WORDS, SETTING_WORDS, settingNow } from './changeWords';
import { newChange } from './newChange';
import { readScenarioFile, writeScenarioFile } from './scenarioFile';

const house: House = sampleHouse({
  protocols: [protocol([])],
  services: [service({ name: 'Facial' })],
  demand: [{ serviceId: service().id, visitsPerWeek: 3 }],
  devices: [
    {
      id: asId('lamp'),
      name: 'Lamp',
      count: 1,
      hazards: [],
      settings: [],
      neverZones: [],
      eyeProtection: false,
      trainedIds: [],
    },
  ],
});
const kinds = Object.keys(KIND_WORDS) as Change['kind'][];
const say = (change: object): string => changeWords({ id: 'c', ...change } as Change, house);

describe('a change of a scenario', () => {
  it.each(kinds)('of kind %s begins as something that can be done', (kind) => {
    const change = newChange(kind, house, createCalculator()(house));
    if (!change) throw new Error(kind);
    expect(change.kind).toBe(kind);
    expect(applyChange(house, change).ok).toBe(true);
    expect(changeWords(change, house)).not.toMatch(/undefined|NaN|no longer/);
  });

  it('is offered only where there is something to change', () => {
    const empty = sampleHouse({ services: [], suppliers: [], materials: [] });
    const offered = kinds.filter(
      (kind) => newChange(kind, empty, createCalculator()(empty)) !== undefined,
    );
    expect(offered).toEqual([
      'setting',
      'charge',
      'pay',
      'minutes',
      'work-hours',
      'open-hours',
      'hire',
      'room',
    ]);
  });

  it('is said in a line', () => {
    expect(say({ kind: 'setting', setting: 'vat', to: 0.21 })).toBe('VAT 21% instead of 13%');
    expect(say({ kind: 'setting', setting: 'fixedPerMonthMinor', to: 230_000 })).toBe(
      'Rooms, fixed cost a month €2,300.00 instead of €2,160.00',
    );
    expect(say({ kind: 'pay', byShare: 0.04 })).toBe('Everybody is paid 4% more');
    expect(say({ kind: 'pay', personId: 'ione', byShare: -0.1 })).toBe('Ione is paid 10% less');
    expect(say({ kind: 'supplier', supplierId: 'northquay', byShare: 0.065 })).toBe(
      'Northquay asks 6.5% more',
    );
    expect(say({ kind: 'minutes', phase: 'make-up-off', byMinutes: -2 })).toBe(
      '“make up off” 2 min shorter',
    );
    expect(say({ kind: 'minutes', phase: 'mask', byMinutes: 5, protocolId: 'protocol' })).toBe(
      '“mask” 5 min longer in Protocol',
    );
    const spans = [{ from: 600, to: 840 }];
    expect(say({ kind: 'work-hours', personId: 'ione', weekday: 2, spans })).toBe(
      'Ione on Tuesday: 10–14',
    );
    expect(say({ kind: 'open-hours', weekday: 7, spans: [] })).toBe('Sunday open not at all');
    expect(say({ kind: 'device-count', deviceId: 'lamp', count: 2 })).toBe('2 of Lamp');
    expect(say({ kind: 'price', serviceId: 'service', grossMinor: 9900 })).toBe('Facial at €99.00');
    expect(say({ kind: 'edition', serviceId: 'service' })).toBe('Facial worked by its draft');
    expect(say({ kind: 'edition', serviceId: 'gone', edition: 2 })).toBe(
      'what is no longer there worked by edition 2',
    );
  });

  it('knows what the house has now of every figure', () => {
    for (const setting of Object.keys(SETTING_WORDS) as (keyof typeof SETTING_WORDS)[]) {
      expect(settingNow(house, setting)).toBeGreaterThanOrEqual(0);
    }
    expect(settingNow(house, 'occupancy')).toBe(0.65);
  });
});

describe('a scenario as a file', () => {
  const scenario: Scenario = {
    id: asId<ScenarioId>('s'),
    name: 'Wages',
    changes: [{ id: asId('c'), kind: 'pay', byShare: 0.04 }],
  };

  it('comes back as it went', () => {
    expect(readScenarioFile(writeScenarioFile(scenario))).toEqual({ ok: true, value: scenario });
  });

  it.each([
    ['{', /not valid JSON/],
    ['null', /must be “bienestar-scenario”/],
    ['{"format":"other"}', /must be “bienestar-scenario”/],
    ['{"format":"bienestar-scenario","formatVersion":9}', /version 9; version 1 is read/],
    ['{"format":"bienestar-scenario"}', /version none/],
  ])('says what is wrong with %s', (text, message) => {
    const read = readScenarioFile(text);
    expect(read.ok ? '' : read.message).toMatch(message);
  });
});
