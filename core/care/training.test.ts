import { describe, expect, it } from 'vitest';
import type { Device } from '../house/house';
import { asId, type DeviceId, type PersonId } from '../house/ids';
import { minutes, protocol, step } from '../testing/sample';
import { untrainedFor } from './training';

const device = (id: string, trained: readonly string[]): Device => ({
  id: asId<DeviceId>(id),
  name: id,
  count: 1,
  hazards: [],
  settings: [],
  neverZones: [],
  eyeProtection: false,
  trainedIds: trained.map((each) => asId<PersonId>(each)),
});
const pen = device('pen', ['nerea']);
const steamer = device('steamer', []);
const lamp = device('lamp', ['ione']);
const devices = new Map([pen, steamer, lamp].map((each) => [each.id, each]));
const written = protocol([
  step('needle', minutes(5), { device: { deviceId: pen.id, settings: [] }, running: [steamer.id] }),
  step('again', minutes(5), { device: { deviceId: pen.id, settings: [] } }),
  step('light', minutes(5), { by: 'assistant', running: [lamp.id] }),
]);
const names = (id: string, role: 'therapist' | 'assistant' = 'therapist'): string[] =>
  untrainedFor({ id: asId<PersonId>(id), role }, written, devices).map(({ name }) => name);

describe('who may work with a device', () => {
  it('is who was trained for it, told once however often it is used', () => {
    expect(names('nerea')).toEqual([]);
    expect(names('mateo')).toEqual(['pen']);
  });

  it('is everybody where nobody is named', () => {
    expect(names('mateo')).not.toContain('steamer');
  });

  it('is asked of those in whose hands it is', () => {
    expect(names('mateo', 'assistant')).toEqual(['lamp']);
    expect(names('ione', 'assistant')).toEqual([]);
  });
});
