import { describe } from 'vitest';
import type { GuestMenu } from '@bienestar/core/house/guest';
import type { Scenario, Service } from '@bienestar/core/house/house';
import type { Course, Duo, Package } from '@bienestar/core/house/offer';
import {
  eachInAnEmptyDocument,
  fieldsRefuse,
  fieldsWrite,
  pressesWrite,
} from '../../testing/forms';
import type { PersonAtApp } from '../../testing/personAtApp';

eachInAnEmptyDocument();

describe('a service', () => {
  const form = { at: '/menu/clay-facial' };
  fieldsWrite<Service>('services', form, [
    ['Name', 'Sand of the shore', { name: 'Sand of the shore' }],
    ['Its own target margin', '42,5', { targetMargin: 0.425 }],
  ]);
  pressesWrite<Service>('services', form, [
    ['radio', 'a first visit', { visitKind: 'first' }],
    ['radio', 'wet', { roomKind: 'wet' }],
  ]);
  fieldsRefuse(form, [
    ['Name', '', 'This is needed.'],
    ['Its own target margin', '100', 'Must be from 0 to 99 %.'],
    ['Planned visits', '-1', 'Must'],
    ['Planned visits', 'many', 'number'],
  ]);
});

describe('what guests read of a service', () => {
  const form = {
    at: '/menu/clay-facial',
    opened: (person: PersonAtApp) => person.click('button', 'What guests read'),
  };
  fieldsWrite<Service>('services', form, [
    ['Name on the menu', 'Of the shore', { guest: { name: 'Of the shore' } }],
    [
      'In a sentence',
      'Black sand, worked slowly.',
      { guest: { text: 'Black sand, worked slowly.' } },
    ],
    ['Minutes told to guests', '75', { guest: { minutes: 75 } }],
    [
      'To be read before booking',
      'Not in the sun.\n\nTell us.',
      { guest: { cautions: ['Not in the sun.', 'Tell us.'] } },
    ],
  ]);
  fieldsRefuse(form, [['Minutes told to guests', '0', 'Must be']]);
});

describe('a course', () => {
  const form = { at: '/menu/offers/copper-course' };
  fieldsWrite<Course>('offers', form, [
    ['Name', 'Copper, four times', { name: 'Copper, four times' }],
    ['Let off', '12.5', { discount: 0.125 }],
    ['Or a price of its own', '299', { ownMinor: 29_900 }],
    ['From visit to visit', '14', { everyDays: 14 }],
    ['Valid for', '200', { validDays: 200 }],
  ]);
  pressesWrite<Course>('offers', form, [
    ['radio', 'visit by visit', { prepaid: false }],
    ['radio', 'is lost', { missed: 'lost' }],
  ]);
  fieldsRefuse(form, [
    ['Let off', '100', 'Must be from 0 to 99 %.'],
    ['From visit to visit', '0', 'Must be'],
    ['Name', '', 'This is needed.'],
  ]);
});

describe('a package', () => {
  const form = { at: '/menu/offers/shore-and-sand' };
  fieldsWrite<Package>('offers', form, [
    ['Let off', '5', { discount: 0.05 }],
    ['Or a price of its own', '150', { ownMinor: 15_000 }],
  ]);
});

describe('a visit for two', () => {
  const form = { at: '/menu/offers/clay-for-two' };
  pressesWrite<Duo>('offers', form, [['radio', 'side by side in one room', { rooms: 1 }]]);
});

describe('a menu for guests', () => {
  const form = { at: '/menu/guests' };
  fieldsWrite<GuestMenu>('menus', form, [
    ['Title', 'What we do', { name: 'What we do' }],
    ['Under the title', 'Sand and time.', { intro: 'Sand and time.' }],
    ['At the end', 'Prices with VAT.', { foot: 'Prices with VAT.' }],
  ]);
});

describe('the price of a service', () => {
  const form = { at: '/menu/clay-facial/price' };
  const elsewhere = { low: 6_500, usual: 7_800, high: 9_800 };
  fieldsWrite<Service>('services', form, [
    ['Lowest elsewhere', '60', { pricing: { neighbourhood: { ...elsewhere, low: 6_000 } } }],
    ['Usual elsewhere', '82,50', { pricing: { neighbourhood: { ...elsewhere, usual: 8_250 } } }],
    ['Highest elsewhere', '120', { pricing: { neighbourhood: { ...elsewhere, high: 12_000 } } }],
  ]);
  pressesWrite<Service>('services', form, [
    ['radio', 'A price of its own', { pricing: { by: 'own', ownMinor: 8_000 } }],
    ['radio', 'Neighbourhood', { pricing: { by: 'neighbourhood' } }],
  ]);
  fieldsRefuse(form, [['Usual elsewhere', '-5', 'Must']]);
});

describe('a scenario', () => {
  const form = { at: '/menu/what-if' };
  fieldsWrite<Scenario>('scenarios', form, [
    ['Name of the scenario', 'The year after', { name: 'The year after' }],
    ['What it is about', '', { note: undefined }],
  ]);
  fieldsRefuse(form, [['Name of the scenario', '', 'This is needed.']]);
});
