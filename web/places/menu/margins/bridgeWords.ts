import type { BridgePart, Cause } from '@bienestar/core/watch/bridge';
import { moneyChange, number } from '../../../format/figures';

export const CAUSE_WORDS: Record<Cause, string> = {
  protocol: 'The protocol',
  material: 'A material',
  purchaseTax: 'Tax of what is bought',
  expires: 'What expires open',
  pay: 'Pay',
  devices: 'Devices',
  rooms: 'Rooms and hours',
  fees: 'Commission and card fee',
  vat: 'VAT',
  price: 'The price',
  house: 'Measures of the house',
};

/** A part of a bridge by its name. */
export function partName({ cause, name, several }: BridgePart): string {
  if (several !== undefined) return `${number(several)} materials, each very little`;
  return name ?? CAUSE_WORDS[cause];
}

/** A change of a margin in points: "−1.4 points". */
export function points(margin: number): string {
  const moved = Math.round(margin * 1000) / 10;
  if (moved === 0) return '0 points';
  return `${moved < 0 ? '−' : '+'}${number(Math.abs(moved), 1)} ${Math.abs(moved) === 1 ? 'point' : 'points'}`;
}

/** What a cause did, in a line. */
export function partWords({ cost, gross }: BridgePart, currency: string): string {
  const said = [
    ...(Math.abs(cost) >= 0.5 ? [`cost ${moneyChange(cost, currency)}`] : []),
    ...(Math.abs(gross) >= 0.5 ? [`price ${moneyChange(gross, currency)}`] : []),
  ];
  return said.join(', ');
}
