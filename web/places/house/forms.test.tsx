import type { ComponentType } from 'react';
import { describe } from 'vitest';
import type { Device, Person, Room } from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import type { Supplier } from '@bienestar/core/house/supplier';
import {
  eachInAnEmptyDocument,
  fieldsRefuse,
  fieldsWrite,
  pressesWrite,
} from '../../testing/forms';
import type { PersonAtApp } from '../../testing/personAtApp';

eachInAnEmptyDocument();

/** A part of the house without the others beside it. */
const part = (load: () => Promise<ComponentType>) => ({
  at: '/house',
  alone: async () => {
    const Part = await load();
    return [{ path: '/house', element: <Part /> }];
  },
});
const rooms = part(async () => (await import('./RoomsPanel')).RoomsPanel);
const people = part(async () => (await import('./PeoplePanel')).PeoplePanel);
const suppliers = part(async () => (await import('./SuppliersPanel')).SuppliersPanel);
const devices = part(async () => (await import('./DevicesPanel')).DevicesPanel);
const settings = part(async () => (await import('./SettingsPanel')).SettingsPanel);

describe('a room', () => {
  fieldsWrite<Room>('rooms', rooms, [['Room', 'Lava, by the sea', { name: 'Lava, by the sea' }]]);
  pressesWrite<Room>('rooms', rooms, [['radio', 'wet', { kind: 'wet' }]]);
  fieldsRefuse(rooms, [['Room', '', 'This is needed.']]);
});

describe('a person', () => {
  fieldsWrite<Person>('people', people, [
    ['On-cost of Ione', '31', { onCost: 0.31 }],
    ['Paid hours a week of Ione', '30.5', { hoursPerWeek: 30.5 }],
  ]);
  pressesWrite<Person>('people', people, [['radio', 'assistant', { role: 'assistant' }]]);
  fieldsRefuse(people, [
    ['On-cost of Ione', '-1', 'Must'],
    ['Paid hours a week of Ione', '200', 'at most'],
  ]);
});

describe('a supplier', () => {
  fieldsWrite<Supplier>('suppliers', suppliers, [
    ['Supplier', 'Northquay & Daughters', { name: 'Northquay & Daughters' }],
    ['published list', 'quay', { feed: 'quay' }],
    ['published list', '', { feed: undefined }],
    ['least order', '99,90', { leastOrderMinor: 9_990 }],
    ['least order', '', { leastOrderMinor: undefined }],
    ['Lead time', '4', { leadTimeDays: 4 }],
    ['give or take', '2', { leadTimeSdDays: 2 }],
    ['shelf checked every', '14', { reviewDays: 14 }],
    ['through the year', 'Slow in August.', { season: 'Slow in August.' }],
  ]);
  pressesWrite<Supplier>('suppliers', suppliers, [
    ['checkbox', 'Northquay Cosmetics Supply delivers on Friday', { deliveryDays: [3, 5] }],
    ['checkbox', 'Northquay Cosmetics Supply delivers on Wednesday', { deliveryDays: undefined }],
  ]);
  fieldsRefuse(suppliers, [
    ['Lead time', '-2', 'Must'],
    ['shelf checked every', 'often', 'number'],
    ['Supplier', '', 'This is needed.'],
  ]);
});

describe('a device', () => {
  const form = {
    ...devices,
    opened: (person: PersonAtApp) => person.click('button', 'Facial steamer'),
  };
  const economics = {
    priceMinor: 78_000,
    resaleMinor: 8_000,
    life: { amount: 4_000, unit: 'uses' as const },
    servicePerYearMinor: 4_500,
    usesPerYear: 900,
  };
  const temperature = {
    kind: 'temperature' as const,
    unit: '°C',
    least: 38,
    most: 43,
    safer: 'less' as const,
  };
  fieldsWrite<Device>('devices', form, [
    ['Device', 'Steamer of the hall', { name: 'Steamer of the hall' }],
    ['How many', '3', { count: 3 }],
    ['From', '36', { settings: [{ ...temperature, least: 36 }] }],
    ['To', '45', { settings: [{ ...temperature, most: 45 }] }],
    ['Unit', 'deg', { settings: [{ ...temperature, unit: 'deg' }] }],
    ['Warms up for', '12', { warmMinutes: 12 }],
    ['Price of the device', '800', { economics: { ...economics, priceMinor: 80_000 } }],
    ['Still worth at the end', '0', { economics: { ...economics, resaleMinor: 0 } }],
    ['Service a year', '50', { economics: { ...economics, servicePerYearMinor: 5_000 } }],
    ['Uses a year', '700', { economics: { ...economics, usesPerYear: 700 } }],
    ['Where the maker’s instructions are filed', 'Folder 3', { sheet: 'Folder 3' }],
  ]);
  pressesWrite<Device>('devices', form, [
    ['radio', 'covered, everybody’s', { eyeProtection: true }],
    ['radio', 'more', { settings: [{ ...temperature, safer: 'more' }] }],
    ['button', 'Remove temperature', { settings: [] }],
    ['button', 'heat', { hazards: ['steam', 'heat'] }],
  ]);
  fieldsRefuse(form, [
    ['How many', '0', 'Must'],
    ['Price of the device', '-1', 'Must'],
  ]);
});

describe('the house', () => {
  fieldsWrite<HouseSettings>('settings', settings, [
    ['Place', 'By the harbour', { place: 'By the harbour' }],
  ]);
});
