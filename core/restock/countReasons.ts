import { packUnits } from '../cost/landedUnitCost';
import type { MaterialId, ServiceId } from '../house/ids';
import { preferredPack } from '../house/packs';
import type { CountFinding, CountReason } from './countFinding';
import type { RestockFigures } from './restocker';

/** Smaller differences than this share of what was used are how people pump and pour. */
const NOTHING = 0.015;
/** Beyond this share no hand doses too much by mistake. */
const MOST_OVER_DOSE = 0.4;
/** How close to whole visits or containers a difference must be. */
const CLOSE = 0.12;

/** A service whose materials are short by the same number of visits: visits that nobody entered. */
export function unloggedVisits(
  findings: readonly CountFinding[],
  restock: RestockFigures,
): ReadonlyMap<MaterialId, CountReason> {
  const found = new Map<MaterialId, CountReason>();
  const byService = new Map<ServiceId, { materialId: MaterialId; visits: number }[]>();
  for (const { material, difference } of findings) {
    if (difference >= 0) continue;
    const of = restock.materials.get(material.id);
    if (!of?.ok) continue;
    const doses = new Map(of.value.rates.map(({ serviceId, amount }) => [serviceId, amount]));
    for (const [serviceId, amount] of doses) {
      const visits = -difference / amount;
      if (visits < 1 - CLOSE || Math.abs(visits - Math.round(visits)) > CLOSE) continue;
      const known = byService.get(serviceId) ?? [];
      known.push({ materialId: material.id, visits: Math.round(visits) });
      byService.set(serviceId, known);
    }
  }
  const drawnBy = new Map<MaterialId, Set<ServiceId>>();
  for (const { material } of findings) {
    const of = restock.materials.get(material.id);
    const services = of?.ok ? of.value.rates.map(({ serviceId }) => serviceId) : [];
    drawnBy.set(material.id, new Set(services));
  }
  for (const [serviceId, list] of byService) {
    /* What only one service takes, piece by piece, speaks for itself. */
    for (const { materialId, visits } of list) {
      const material = findings.find((each) => each.material.id === materialId)?.material;
      const whole = material?.unit === 'piece' || material?.kind === 'single-dose';
      if (whole && drawnBy.get(materialId)?.size === 1) {
        found.set(materialId, { kind: 'unlogged', serviceId, visits });
      }
    }
    const counts = new Map<number, MaterialId[]>();
    for (const { materialId, visits } of list) {
      counts.set(visits, [...(counts.get(visits) ?? []), materialId]);
    }
    for (const [visits, ids] of counts) {
      if (ids.length < 2) continue;
      for (const id of ids) {
        if (!found.has(id)) found.set(id, { kind: 'unlogged', serviceId, visits });
      }
    }
  }
  return found;
}

/** Likely reasons of one difference, the likeliest first; none where it is how people pour. */
export function reasonsOf(
  { material, difference, used, shareOfUse, trend }: CountFinding,
  opened: number,
  unlogged: ReadonlyMap<MaterialId, CountReason>,
): readonly CountReason[] {
  if (difference === 0 || (shareOfUse !== null && Math.abs(shareOfUse) < NOTHING)) return [];
  const pack = preferredPack(material);
  const byHand = material.kind === 'back-bar';
  const reasons: CountReason[] = [];
  if (difference > 0) {
    const packs = difference / packUnits(pack);
    if (packs > 1 - CLOSE && Math.abs(packs - Math.round(packs)) < CLOSE) {
      reasons.push({ kind: 'delivery', packs: Math.round(packs) });
    } else if (byHand && shareOfUse !== null && shareOfUse < MOST_OVER_DOSE) {
      reasons.push({ kind: 'under-dosing', share: shareOfUse });
    }
    return reasons.length > 0 ? reasons : [{ kind: 'unknown' }];
  }
  const missing = -difference;
  const visits = unlogged.get(material.id);
  if (visits) reasons.push(visits);
  const left = pack.residual * pack.content * opened;
  if (byHand && left > 0 && Math.abs(missing - left) <= Math.max(left, missing) * 0.35) {
    reasons.push({ kind: 'residual', containers: opened });
  }
  const containers = missing / pack.content;
  if (containers > 1 - CLOSE && Math.abs(containers - Math.round(containers)) < CLOSE) {
    reasons.push({ kind: 'waste', containers: Math.round(containers) });
  }
  const often = trend.filter((each) => each.difference < 0).length;
  if (byHand && used > 0 && missing / used < MOST_OVER_DOSE) {
    const reason: CountReason = { kind: 'over-dosing', share: missing / used };
    /* What is missing again and again is how it is dispensed. */
    if (often > 0) reasons.unshift(reason);
    else reasons.push(reason);
  }
  return reasons.length > 0 ? reasons : [{ kind: 'unknown' }];
}
