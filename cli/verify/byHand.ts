import type { House, Minutes, Service, Step } from '@bienestar/core/house/house';
import { dosesByHand, type Turn } from './dosesByHand';
import { byMean, type Three } from './three';
import { partsByHand, type Host } from './visitByHand';

/*
 * The figures of a service worked out anew from docs/calculations.md. Only types are shared with core.
 */

export interface HandFigures {
  readonly doses: ReadonlyMap<string, Three>;
  readonly attended: { readonly therapist: number; readonly assistant: number };
  readonly roomMean: number;
  /** how often work lies beside other work: its minutes are read off a grid */
  readonly sideBySide: number;
  readonly deviceMinutes: ReadonlyMap<string, number>;
}

export function byHand(house: House, service: Service): HandFigures {
  const turns: Turn[] = [];
  const attended = { therapist: 0, assistant: 0 };
  const deviceMinutes = new Map<string, number>();
  let now = 0;
  const tieUp = (step: Step, minutes: number): void => {
    if (step.hands !== 'free') attended[step.by] += minutes;
  };
  const doOnce = ({ step, beside }: Host, key: string): void => {
    const together = expectedLongest(step, beside, house);
    turns.push({ step, key: `${step.id}/${key}`, startsAt: now, beside: false });
    let at = now;
    for (const other of beside) {
      turns.push({ step: other, key: `${other.id}/${key}`, startsAt: at, beside: true });
      at += byMean(other.minutes);
    }
    const mine = beside
      .filter(({ by }) => by === step.by)
      .reduce((sum, one) => sum + byMean(one.minutes), 0);
    tieUp(step, Math.max(0, together.mean - mine));
    for (const other of beside) tieUp(other, byMean(other.minutes));
    const used = devicesIn(step);
    for (const id of used) deviceMinutes.set(id, (deviceMinutes.get(id) ?? 0) + together.mean);
    for (const other of beside)
      for (const id of devicesIn(other))
        if (!used.has(id))
          deviceMinutes.set(id, (deviceMinutes.get(id) ?? 0) + byMean(other.minutes));
    now += together.mean;
  };
  for (const part of partsByHand(house, service)) {
    if (part.what === 'step') doOnce(part.host, part.key);
    else {
      now += byMean(part.minutes);
      attended.therapist += byMean(part.minutes);
    }
  }
  const sideBySide = turns.filter(({ beside }) => beside).length;
  return { doses: dosesByHand(house, turns), attended, roomMean: now, sideBySide, deviceMinutes };
}

function devicesIn({ device, running = [] }: Step): ReadonlySet<string> {
  return new Set<string>([...(device ? [device.deviceId] : []), ...running]);
}

const FINE = 0.02;

/** Chances of a step on a fine grid from 0, by adding up its density; one cell for a fixed time. */
function chancesOf(
  { least, usual, most }: Minutes,
  pace: number,
): { from: number; of: Float64Array } {
  if (least === most) return { from: least, of: Float64Array.of(1) };
  const [low, width] = [least * pace, (most - least) * pace];
  const rise = (4 * (usual - least)) / (most - least);
  const fall = (4 * (most - usual)) / (most - least);
  const count = Math.max(40, Math.ceil(width / FINE));
  const raw = Float64Array.from({ length: count }, (_, at) => {
    const x = (at + 0.5) / count;
    return x ** rise * (1 - x) ** fall;
  });
  const sum = raw.reduce((a, b) => a + b, 0);
  /* On cells of the grid, by the middle of each piece. */
  const from = Math.floor(low / FINE) * FINE;
  const of = new Float64Array(Math.ceil(width / FINE) + 2);
  raw.forEach((chance, at) => {
    const cell = Math.round((low + ((at + 0.5) / count) * width - from) / FINE);
    of[cell] = (of[cell] ?? 0) + chance / sum;
  });
  return { from, of };
}

/** Expected minutes of a step with what lies beside it. */
export function expectedLongest(
  step: Step,
  beside: readonly Step[],
  { settings }: House,
): { mean: number } {
  if (beside.length === 0) return { mean: byMean(step.minutes) };
  const off = Math.sqrt(3) * (settings.paceSpread ?? 0.06);
  const paces =
    off === 0
      ? [[1, 1]]
      : [
          [1 - off, 1 / 6],
          [1, 2 / 3],
          [1 + off, 1 / 6],
        ];
  let mean = 0;
  for (const [pace = 1, weight = 1] of paces) {
    const one = chancesOf(step.minutes, pace);
    const [first, ...others] = beside.map(({ minutes }) => chancesOf(minutes, pace));
    let all = first as { from: number; of: Float64Array };
    for (const other of others) {
      const of = new Float64Array(all.of.length + other.of.length - 1);
      all.of.forEach((a, x) => other.of.forEach((b, y) => (of[x + y] = (of[x + y] ?? 0) + a * b)));
      all = { from: all.from + other.from, of };
    }
    let expected = 0;
    one.of.forEach((a, x) => {
      if (a === 0) return;
      const mine = one.from + x * FINE;
      all.of.forEach((b, y) => (expected += a * b * Math.max(mine, all.from + y * FINE)));
    });
    mean += weight * expected;
  }
  const sum = beside.reduce((so, { minutes }) => so + byMean(minutes), 0);
  return { mean: Math.max(mean, byMean(step.minutes), sum) };
}
