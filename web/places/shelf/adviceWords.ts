import type { PackAdvice, PackInUse } from '@bienestar/core/cost/packAdvice';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import { money, number, percent } from '../../format/figures';
import { contentWords } from './materialWords';

/** What the adviser says in a sentence or two: which pack, and why not the others. */
export function adviceWords(
  { ranked, preferredPackId, yearlySaving }: PackAdvice,
  material: BoughtMaterial,
  currency: string,
): string {
  const [best, ...others] = ranked;
  if (!best) return '';
  const named = (of: PackInUse): string => contentWords(of.pack, material.unit, material.kind);
  const cheaperLabel = others.find((each) => each.perUnit < best.perUnit);
  const unused = best.perYear === 0;
  const why = unused
    ? `No planned visit uses it, so only the label counts: the ${named(best)} is cheapest per ${material.unit}.`
    : cheaperLabel
      ? `The ${named(cheaperLabel)} is cheaper per ${material.unit}, but ${percent(1 - cheaperLabel.usedShare, 0)} of it would be over before it is used: the ${named(best)} is cheapest in use.`
      : best.usedShare < 0.995
        ? `The ${named(best)} is cheapest both per ${material.unit} and in use, although ${percent(1 - best.usedShare, 0)} of it will be over before it is used.`
        : `The ${named(best)} is cheapest both per ${material.unit} and in use; it is used up in time.`;
  if (unused) return why;
  if (best.pack.id === preferredPackId) return `${why} You already buy it.`;
  return `${why} Switching saves ${money(yearlySaving, currency)} a year.`;
}

/** Why a pack stands where it does. */
export function placeWords(of: PackInUse, best: PackInUse): string {
  const words: string[] = [];
  if (of.usedShare < 0.995) words.push(`${percent(1 - of.usedShare, 0)} over before it is used`);
  if (of.pack.residual > 0) words.push(`${percent(of.pack.residual, 0)} stays in it`);
  if (of.discount > of.pack.discount) {
    words.push(`${percent(of.discount, 0)} off at ${number(of.packsPerOrder)} packs`);
  } else if (of.discount > 0) words.push(`${percent(of.discount, 0)} off`);
  if ((of.pack.leastPacks ?? 1) > 1) words.push(`least order ${number(of.pack.leastPacks ?? 1)}`);
  if (of !== best && best.inUse > 0) {
    words.push(`${percent(of.inUse / best.inUse - 1, 0)} dearer in use`);
  }
  return words.join(' · ');
}
