import type { SimulatedScale } from './simulatedScale';

/**
 * Answers one line of the scale's protocol (docs/bench-scale.md): `I` who it is, `R` a reading, `Z`
 * zero. Lines end in LF.
 */
export function answerLine(line: string, scale: SimulatedScale): string {
  switch (line.trim().toUpperCase()) {
    case 'I':
      return 'I bench scale; simulated; max 2000.00 g; d 0.01 g';
    case 'R': {
      const reading = scale.read();
      return reading.is === 'overload'
        ? 'O'
        : `${reading.is === 'stable' ? 'S' : 'D'} ${reading.grams.toFixed(2)} g`;
    }
    case 'Z':
      return scale.zero() ? 'Z' : 'E not stable';
    default:
      return 'E unknown command';
  }
}
