import type { Dose, Step } from '../house/house';
import type { StepId } from '../house/ids';
import { scaleTriple } from '../quantity/triple';

/** What is remembered of a dose goes by the dose itself: the same share of it is the same thing. */
const shares = new WeakMap<Dose, { readonly times: number; readonly share: Dose }>();

/**
 * A dose as it is drawn each time: of one that is measured once for all layers an equal share, from what is open.
 * @param times how often its step is done
 * @see D4
 */
export function overLayers(dose: Dose, times: number): Dose {
  const { amount } = dose;
  if (dose.over === undefined || times <= 1 || !('quantity' in amount)) return dose;
  const known = shares.get(dose);
  if (known?.times === times) return known.share;
  const quantity = scaleTriple(amount.quantity, 1 / times);
  const share: Dose = { ...dose, amount: { ...amount, quantity }, opening: 'left-over-first' };
  shares.set(dose, { times, share });
  return share;
}

/** How often each step is done in a visit. */
export function timesOf(turns: readonly { readonly step: Step }[]): ReadonlyMap<StepId, number> {
  const times = new Map<StepId, number>();
  for (const { step } of turns) times.set(step.id, (times.get(step.id) ?? 0) + 1);
  return times;
}
