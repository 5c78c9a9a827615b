import type { BoughtMaterial, CountRound, House } from '../house/house';
import type { EntryId, MaterialId } from '../house/ids';
import type { CountEntry, TotalCountEntry } from '../stock/entries';
import { heldIn } from '../stock/posting';
import { onHandOf, sumExactly, type MaterialStock } from '../house/stock';
import type { CountFinding } from './countFinding';
import { reasonsOf, unloggedVisits } from './countReasons';
import type { RestockFigures } from './restocker';

/** What counts have found, and what was entered in between; amounts in the material's unit. */
export interface CountHistory {
  /** each entry of a count: found less what the ledger said */
  readonly counts: readonly {
    readonly entryId: EntryId;
    readonly materialId: MaterialId;
    readonly at: string;
    readonly difference: number;
    /** taken back since */
    readonly takenBack: boolean;
  }[];
  /** by material, what was used, opened or thrown away since the count before; above 0 */
  readonly gone: readonly {
    readonly materialId: MaterialId;
    /** the moment of the count until which it went */
    readonly until: string;
    readonly kind: 'use' | 'discard' | 'opening';
    readonly quantity: number;
    readonly entries: number;
  }[];
}

/** The time from one count of a material to the next, or from the beginning to the first. */
export interface BetweenCounts {
  readonly materialId: MaterialId;
  /** a moment; what happened at it belongs to the count before */
  readonly after?: string;
  readonly until: string;
}

/**
 * The times between the counts of what a round counted. What was taken back divides nothing.
 * @param lines of the round
 * @param counts of each material, up to its line
 * @param lookedAt how many counts of each material were asked for: where there are fewer, the first is the first of all
 */
export function betweenCounts(
  lines: CountRound['lines'],
  counts: CountHistory['counts'],
  lookedAt: number,
): readonly BetweenCounts[] {
  return lines.flatMap(({ materialId, at }) => {
    const known = counts.filter((count) => count.materialId === materialId);
    const standing = known.filter((count) => !count.takenBack && count.at < at);
    const moments = [...standing.map((count) => count.at), at].toSorted();
    return moments.flatMap((until, which): BetweenCounts[] => {
      const after = moments[which - 1];
      if (after !== undefined) return [{ materialId, after, until }];
      return known.length < lookedAt ? [{ materialId, until }] : [];
    });
  });
}

/** What a round of counting has found, and what it is worth. */
export interface CountReview {
  /** the largest difference in money in front */
  readonly findings: readonly CountFinding[];
  readonly missingMinor: number;
  readonly foundMinor: number;
}

/**
 * What was found against what should be there by what was delivered, used and thrown away, with likely
 * reasons, the likeliest first, and how the differences have gone since earlier counts.
 */
export function countReview(
  round: CountRound,
  history: CountHistory,
  house: House,
  restock: RestockFigures,
): CountReview {
  const byEntry = new Map(history.counts.map((count) => [count.entryId, count]));
  const opened = new Map<MaterialId, number>();
  const findings = round.lines.flatMap((line): CountFinding[] => {
    const material = house.materials.find(({ id }) => id === line.materialId);
    const count = byEntry.get(line.entryId);
    if (!material || material.kind === 'linen' || !count || count.takenBack) return [];
    const earlier = history.counts
      .filter((each) => each.materialId === material.id && !each.takenBack && each.at < line.at)
      .sort((a, b) => (a.at < b.at ? -1 : 1));
    const of = restock.materials.get(material.id);
    const unitCost = of?.ok ? of.value.unitCost : 0;
    const meanwhile = goneUntil(history, material.id, line.at);
    const { used } = meanwhile;
    opened.set(material.id, meanwhile.opened);
    const { difference } = count;
    return [
      {
        material,
        at: line.at,
        found: line.found,
        expected: line.found - difference,
        difference,
        differenceMinor: difference * unitCost,
        used,
        shareOfUse: used > 0 ? difference / used : null,
        reasons: [],
        trend: earlier.map(({ at, difference: then }) => {
          const usedThen = goneUntil(history, material.id, at).used;
          return { at, difference: then, share: usedThen > 0 ? then / usedThen : null };
        }),
      },
    ];
  });
  const unlogged = unloggedVisits(findings, restock);
  const explained = findings.map((finding): CountFinding => ({
    ...finding,
    reasons: reasonsOf(finding, opened.get(finding.material.id) ?? 0, unlogged),
  }));
  const sum = (of: (finding: CountFinding) => number): number =>
    explained.reduce((total, finding) => total + of(finding), 0);
  return {
    findings: explained.sort((a, b) => Math.abs(b.differenceMinor) - Math.abs(a.differenceMinor)),
    missingMinor: sum(({ differenceMinor }) => Math.max(0, -differenceMinor)),
    foundMinor: sum(({ differenceMinor }) => Math.max(0, differenceMinor)),
  };
}

function goneUntil(
  { gone }: CountHistory,
  materialId: MaterialId,
  until: string,
): { readonly used: number; readonly opened: number } {
  let used = 0;
  let opened = 0;
  for (const each of gone) {
    if (each.materialId !== materialId || each.until !== until) continue;
    if (each.kind === 'use') used += each.quantity;
    if (each.kind === 'opening') opened += each.entries;
  }
  return { used, opened };
}

/** What there is of a material in all after a count of it, lot by lot or in one figure. */
export function foundInAll(
  entry: CountEntry | TotalCountEntry,
  stock: Pick<MaterialStock, 'lots'>,
): number {
  if (entry.kind === 'total-count') return entry.quantity;
  const differences = entry.found.map(({ lotId, containerId, quantity }) => {
    const lot = stock.lots.find(({ id }) => id === lotId);
    return lot ? quantity - (heldIn(lot, containerId) ?? 0) : 0;
  });
  return sumExactly([onHandOf(stock), ...differences]);
}

/** The places on the shelf, each with how many materials stand there. */
export function placesOnShelf(
  house: Pick<House, 'materials'>,
): readonly { readonly place: string; readonly materials: number }[] {
  const counts = new Map<string, number>();
  for (const material of house.materials) {
    if (!isCounted(material) || material.keptAt === undefined) continue;
    counts.set(material.keptAt, (counts.get(material.keptAt) ?? 0) + 1);
  }
  return [...counts]
    .map(([place, materials]) => ({ place, materials }))
    .sort((a, b) => a.place.localeCompare(b.place));
}

/** What a round of counting goes along: what stands at its place, in the order of names. */
export function materialsOfRound(
  { place }: Pick<CountRound, 'place'>,
  { materials }: Pick<House, 'materials'>,
): readonly BoughtMaterial[] {
  return materials
    .filter(isCounted)
    .filter((material) => place === undefined || material.keptAt === place)
    .sort((a, b) => a.name.localeCompare(b.name));
}

function isCounted(material: House['materials'][number]): material is BoughtMaterial {
  return material.kind !== 'linen' && material.archivedOn === undefined;
}
