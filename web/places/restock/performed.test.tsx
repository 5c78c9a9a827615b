import { describe, expect, it } from 'vitest';
import type { Booking } from '@bienestar/core/house/house';
import { api } from '../../store/api';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* Visits of the book that have passed, entered as performed. */

const person = eachAtTheApp();

const hoursAgo = (hours: number): string =>
  `${new Date(Date.now() - hours * 3_600_000).toISOString().slice(0, 19)}Z`;
const express = DEMO.services.find(({ id }) => (id as string) === 'express');
const booked = (id: string, hours: number): Booking =>
  ({ id, title: 'Express', at: hoursAgo(hours), minutes: 30 }) as unknown as Booking;

/** The panel, with these visits in the book. */
async function open(...bookings: readonly Booking[]): Promise<void> {
  await person.openApp('/', async () => {
    const { PerformedPanel } = await import('./demand/PerformedPanel');
    return [{ path: '*', element: <PerformedPanel /> }];
  });
  person.store.dispatch(
    api.util.updateQueryData('house', undefined, (house) => ({ ...house, bookings, placed: [] })),
  );
}
const buttons = (): HTMLElement[] => [...person.all('button[aria-label^="Performed: "]')];
const waiting = () => person.store.getState().queue.writes.map(({ change }) => change);

describe('visits of the book that have passed', () => {
  it('are none where all are entered, or still to come', async () => {
    await open(booked('tomorrow', -24));
    await person.sees('Every visit of the book that has passed is entered.');
    expect(buttons()).toEqual([]);
  });

  it('have a line each with what is meant by their words', async () => {
    await open(booked('one', 30), booked('two', 28), booked('tomorrow', -24));
    await person.waitFor(() => buttons().length === 2, 'two have passed');
    expect(buttons()[0]?.getAttribute('aria-label')).toContain(express?.name);
  });

  it('are twelve at once, and how many more there are is said', async () => {
    await open(...Array.from({ length: 15 }, (_, at) => booked(`b${at}`, 30 + at)));
    await person.waitFor(() => buttons().length === 12, 'twelve are shown');
    await person.sees('and 3 visits more');
  });

  it('that mean nothing on the menu are not offered', async () => {
    await open({ ...booked('one', 30), title: 'Staff meeting' });
    await person.sees('Every visit of the book that has passed is entered.');
  });

  it('are entered with what they take, once, and wait while nobody answers', async () => {
    await open(booked('one', 30), booked('two', 28));
    await person.waitFor(() => buttons().length === 2, 'two have passed');
    /* The newest stands first. */
    buttons()[1]?.click();
    await person.sees('Kept in this browser, and not entered yet:');
    const [visit, ...others] = waiting();
    expect(others).toEqual([]);
    if (visit?.kind !== 'visit') throw new Error('No visit waits.');
    expect(visit.treatment).toMatchObject({ serviceId: 'express', bookingId: 'one' });
    expect(visit.uses.length).toBeGreaterThan(3);
    expect(visit.uses.every(({ quantity }) => quantity > 0)).toBe(true);
    expect(new Set(visit.uses.map(({ materialId }) => materialId)).size).toBe(visit.uses.length);
    await person.waitFor(() => buttons().length === 1, 'it is not offered again');
  });
});
