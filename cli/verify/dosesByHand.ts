import type { Amount, Dose, House, Material, Step } from '@bienestar/core/house/house';
import { amountOf, contentOf, thingOf, type Thing } from './amountsByHand';
import { byMean, each, plus, times, up, type Three } from './three';

/** A step as it is done once. */
export interface Turn {
  readonly step: Step;
  readonly key: string;
  readonly startsAt: number;
  readonly beside: boolean;
}

export function dosesByHand(house: House, turns: readonly Turn[]): Map<string, Three> {
  const material = (id: string): Material => {
    const found = house.materials.find((one) => one.id === id);
    if (!found) throw new Error(`no ${id}`);
    return found;
  };
  const total = new Map<string, Three>();
  const add = (id: string, amount: Three): void =>
    void total.set(id, plus(total.get(id) ?? [0, 0, 0], amount));
  const opened = new Map<string, Three>();
  const people =
    1 +
    new Set(turns.filter(({ step }) => step.stretch === 'visit').map(({ step }) => step.by)).size;
  const worn = new Map<string, string | undefined>();
  const bowls = bowlsOf(house, turns, material);
  const gloves = house.materials.find(
    (one) => one.kind === 'consumable' && one.gloves?.kind === 'plain',
  );
  const ofKits = new Map<string, Three>();
  for (const turn of turns) {
    const { step } = turn;
    if (step.removal?.taking)
      add(
        step.removal.taking.materialId,
        each([1, 1, 1], () => step.removal?.taking?.pieces ?? 0),
      );
    if (step.gloves !== undefined || step.hands === 'hands-on') {
      const before = worn.get(step.by);
      worn.set(step.by, step.gloves);
      if (step.gloves !== undefined && step.gloves !== before && gloves?.kind === 'consumable') {
        const pair = gloves.gloves?.perPair ?? 0;
        add(gloves.id, [pair, pair, pair]);
      }
    }
    for (const written of step.doses) {
      const dose = shareOf(written, turns, step);
      if (dose.source.kind === 'mix') {
        const from = bowls.get(`${turn.key}|${dose.id}`);
        if (!from) continue;
        for (const part of from.parts) {
          add(part.id, times(part.opened, from.share));
          if (from.isFirst && part.left[2] > 0)
            opened.set(part.id, plus(opened.get(part.id) ?? [0, 0, 0], part.left));
        }
        continue;
      }
      const of = material(dose.source.materialId);
      const { part } = dose.source;
      const held = of.kind === 'kit' ? of.parts.find(({ id }) => id === part) : undefined;
      if (held) {
        const { unit, measures, amount: content } = held;
        const need = amountOf(dose.amount, { unit, measures, content }, step, house);
        const key = `${of.id}/${held.id}`;
        ofKits.set(key, plus(ofKits.get(key) ?? [0, 0, 0], need));
        continue;
      }
      const need = amountOf(dose.amount, thingOf(of), step, house);
      if (dose.again && of.unit === 'piece') {
        const there = total.get(of.id) ?? [0, 0, 0];
        add(
          of.id,
          each(need, (value, at) => Math.max(0, value - (there[at] ?? 0))),
        );
      } else if (of.kind === 'consumable' && of.countedPer === 'person')
        add(of.id, times(need, people));
      else if (of.kind === 'single-dose') {
        const content = contentOf(of);
        const before = opened.get(of.id) ?? [0, 0, 0];
        const isLeft = dose.opening === 'left-over-first';
        const packs = each(need, (value, at) =>
          Math.max(0, up((value - (isLeft ? (before[at] ?? 0) : 0)) / content)),
        );
        const left = each(need, (value, at) =>
          Math.max(0, (isLeft ? (before[at] ?? 0) : 0) + (packs[at] ?? 0) * content - value),
        );
        opened.set(of.id, isLeft ? left : plus(before, left));
        add(of.id, times(packs, content));
      } else add(of.id, need);
    }
  }
  /* Boxes: as many as the part that runs out first needs, over all visits for which a box is. */
  for (const kit of house.materials) {
    if (kit.kind !== 'kit' || ![...ofKits.keys()].some((key) => key.startsWith(`${kit.id}/`)))
      continue;
    const visits = kit.forVisits ?? 1;
    const boxes = each([0, 0, 0], (_none, at) =>
      Math.max(
        ...kit.parts.map(({ id, amount }) => {
          const used = ofKits.get(`${kit.id}/${id}`)?.[at] ?? 0;
          return up((used * visits) / amount) / visits;
        }),
      ),
    );
    add(kit.id, boxes);
  }
  return total;
}

/** What is measured once for all layers, in equal shares, of what is open. */
function shareOf(dose: Dose, turns: readonly Turn[], { id }: Step): Dose {
  const count = turns.filter(({ step }) => step.id === id).length;
  const { amount } = dose;
  if (dose.over === undefined || count < 2 || !('quantity' in amount)) return dose;
  const { low, usual, high } = amount.quantity;
  const quantity = { low: low / count, usual: usual / count, high: high / count };
  return { ...dose, amount: { ...amount, quantity }, opening: 'left-over-first' };
}

interface FromBowl {
  readonly share: number;
  readonly isFirst: boolean;
  readonly parts: readonly { readonly id: string; readonly opened: Three; readonly left: Three }[];
}

function bowlsOf(
  house: House,
  turns: readonly Turn[],
  material: (id: string) => Material,
): Map<string, FromBowl> {
  interface Use {
    readonly key: string;
    readonly said: Three | undefined;
  }
  const all: { readonly mixId: string; readonly mixedAt: number; readonly uses: Use[] }[] = [];
  const made = new Map<string, number>();
  const open = new Map<string, (typeof all)[number]>();
  for (const turn of turns) {
    for (const id of turn.step.makes ?? []) {
      open.delete(id);
      made.set(id, turn.startsAt + byMean(turn.step.minutes));
    }
    for (const written of turn.step.doses) {
      const dose = shareOf(written, turns, turn.step);
      if (dose.source.kind !== 'mix') continue;
      const { mixId } = dose.source;
      const mix = house.mixes.find(({ id }) => id === mixId);
      if (!mix) continue;
      const isRest = dose.amount.how === 'all' || dose.amount.how === 'rest';
      const thing: Thing = {
        unit: mix.basis,
        measures: { density: mix.density },
        content: undefined,
      };
      const use: Use = {
        key: `${turn.key}|${dose.id}`,
        said: isRest ? undefined : amountOf(dose.amount, thing, turn.step, house),
      };
      const known = open.get(mixId);
      if (known && turn.startsAt - known.mixedAt <= (mix.workingLifeMinutes ?? Infinity) + 1e-6)
        known.uses.push(use);
      else {
        const mixedAt = known
          ? turn.startsAt
          : Math.min(turn.startsAt, made.get(mixId) ?? turn.startsAt);
        const bowl = { mixId, mixedAt, uses: [use] };
        open.set(mixId, bowl);
        all.push(bowl);
      }
    }
  }
  const found = new Map<string, FromBowl>();
  for (const { mixId, uses } of all) {
    const mix = house.mixes.find(({ id }) => id === mixId);
    if (!mix) continue;
    const parts = mix.parts.flatMap(({ source, amount }) => {
      if (source.kind !== 'material') return [];
      const of = material(source.materialId);
      const stated: Amount =
        amount.how === 'ratio'
          ? { how: 'measured', quantity: amount.parts, unit: amount.unit }
          : amount;
      return [{ of, amount: amountOf(stated, thingOf(of), turns[0]?.step as Step, house) }];
    });
    const basis = parts.reduce((sum, { of, amount }) => {
      const density = of.measures.density ?? Number.NaN;
      const inBasis =
        of.unit === mix.basis
          ? amount[1]
          : of.unit === 'ml'
            ? amount[1] * density
            : amount[1] / density;
      return sum + inBasis;
    }, 0);
    const batch = basis * (1 - mix.bowlLoss);
    const said = uses.flatMap((use) => (use.said ? [use.said] : []));
    const taken = said.reduce((sum, [, usual]) => sum + usual, 0);
    const rests = uses.length - said.length;
    const rest = rests === 0 ? 0 : (Math.max(1, up(taken / batch)) * batch - taken) / rests;
    const needs = uses.map((use): Three => use.said ?? [rest, rest, rest]);
    const sum = needs.reduce<Three>(plus, [0, 0, 0]);
    const scale = each(sum, (value) => (mix.wholeBatches ? up(value / batch) : value / batch));
    const put = parts.map(({ of, amount }) => {
      const used = each(amount, (value, at) => value * (scale[at] ?? 0));
      if (of.kind !== 'single-dose') return { id: of.id, opened: used, left: [0, 0, 0] as Three };
      const content = contentOf(of);
      const whole = each(used, (value) => up(value / content) * content);
      return {
        id: of.id,
        opened: whole,
        left: each(whole, (value, at) => Math.max(0, value - (used[at] ?? 0))),
      };
    });
    uses.forEach(({ key }, at) => {
      const share = sum[1] > 0 ? (needs[at]?.[1] ?? 0) / sum[1] : 1 / uses.length;
      found.set(key, { share, isFirst: at === 0, parts: put });
    });
  }
  return found;
}
