import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { hearTime, houseNow } from './houseTime';

const NOON = Date.parse('2026-11-28T12:00:00Z');
beforeEach(() => {
  vi.useFakeTimers();
  vi.setSystemTime(NOON);
});
afterEach(() => {
  hearTime(new Date(Date.now()).toUTCString());
  vi.useRealTimers();
});

it('goes by the clock of the house, however wrong the one here is', () => {
  expect(houseNow()).toBe(NOON);
  hearTime('Sat, 28 Nov 2026 12:04:00 GMT');
  expect(houseNow()).toBe(NOON + 240_000);
  vi.setSystemTime(NOON + 60_000);
  expect(houseNow()).toBe(NOON + 300_000);
});

it('does not jump for what is only the way of an answer, nor for what is no time', () => {
  hearTime('Sat, 28 Nov 2026 12:04:00 GMT');
  hearTime('Sat, 28 Nov 2026 12:03:59 GMT');
  hearTime(undefined);
  hearTime('soon');
  expect(houseNow()).toBe(NOON + 240_000);
  hearTime('Sat, 28 Nov 2026 11:00:00 GMT');
  expect(houseNow()).toBe(NOON - 3_600_000);
});
