import type { Minutes } from '@bienestar/core/house/house';

/** Low, usual, high. */
export type Three = [number, number, number];

export const plus = (a: Three, b: Three): Three => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const times = (a: Three, by: number): Three => [a[0] * by, a[1] * by, a[2] * by];
export const each = (a: Three, make: (value: number, at: number) => number): Three => [
  make(a[0], 0),
  make(a[1], 1),
  make(a[2], 2),
];
export const likely = ([low, usual, high]: Three): number => (low + 4 * usual + high) / 6;
export const up = (value: number): number => Math.ceil(value - 1e-9 * Math.max(1, Math.abs(value)));
export const giveOrTake = ({ usual, spread = 0 }: { usual: number; spread?: number }): Three => [
  usual * (1 - spread),
  usual,
  usual * (1 + spread),
];
export const byMean = ({ least, usual, most }: Minutes): number => (least + 4 * usual + most) / 6;
