import { describe, expect, it } from 'vitest';
import type { Device, Person } from '../house/house';
import { createCalculator } from '../figures/createCalculator';
import { asId, type DeviceId, type PersonId } from '../house/ids';
import { house, minutes, problemOf, protocol, service, step, valueOf } from '../testing/sample';
import { untrainedFor } from './performers';

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

describe('who counts in what a service costs (C3)', () => {
  const person = (id: string, hourlyPayMinor: number, role: Person['role']): Person => ({
    id: asId<PersonId>(id),
    name: id,
    role,
    hourlyPayMinor,
  });
  const people = [
    person('nerea', 2000, 'therapist'),
    person('mateo', 1200, 'therapist'),
    person('ione', 900, 'assistant'),
    person('olaya', 700, 'assistant'),
  ];
  const sold = house({
    people,
    devices: [pen, steamer, lamp],
    protocols: [written],
    services: [service({ therapistIds: [people[0]!.id, people[1]!.id] })],
    demand: [{ serviceId: service().id, visitsPerWeek: 5 }],
  });
  const ratesIn = (of: typeof sold) => createCalculator()(of).services.get(service().id)!.rates;
  const alone = (name: string) =>
    ratesIn({ ...sold, people: people.filter(({ id }) => id === name || id === 'ione') });

  it('is who was trained, among those it names and among the assistants', () => {
    const { people: counted, therapist } = valueOf(ratesIn(sold));
    expect(counted.therapist.map(({ name }) => name)).toEqual(['nerea']);
    expect(counted.assistant.map(({ name }) => name)).toEqual(['ione']);
    expect(therapist).toBe(valueOf(alone('nerea')).therapist);
  });

  it('is everybody once they have been trained, without anything else being changed', () => {
    const calculate = createCalculator();
    calculate(sold);
    const trained = device('pen', ['nerea', 'mateo']);
    const after = calculate({ ...sold, devices: [trained, steamer, lamp] });
    const { people: counted } = valueOf(after.services.get(service().id)!.rates);
    expect(counted.therapist.map(({ name }) => name)).toEqual(['nerea', 'mateo']);
  });

  it('is a fault where nobody of them was, with what is lacking', () => {
    const { code, message } = problemOf(alone('mateo'));
    expect(code).toBe('nobody-trained');
    expect(message).toContain('pen');
    expect(message).not.toContain('steamer');
  });
});
