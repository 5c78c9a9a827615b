import { leftOfKit } from '@bienestar/core/dose/leftOfKit';
import type { Amount, House, KitMaterial, KitPart } from '@bienestar/core/house/house';
import { exactly, sumTriples } from '@bienestar/core/quantity/triple';
import type { MadeOnTray } from '@bienestar/core/run/mixClocks';
import type { Tray, TrayItem, TrayMix, TrayThing, TrayUse } from '@bienestar/core/room/tray';
import { amountText, amountWords, saidAmount, timeWords } from '../../format/amountWords';
import { amountRange, number, percent } from '../../format/figures';
import { spoken } from '../../format/protocolWords';

/** A line of the tray in words. */
export interface TrayLine {
  readonly key: string;
  /** a mix that stands before it is used, or that is over after a while */
  readonly made?: MadeOnTray;
  readonly at: string;
  /** of the plan; below 0 before the room is taken */
  readonly minute: number;
  readonly amount: string;
  readonly name: string;
  readonly note: string;
  readonly kind: TrayItem['kind'];
}

/** How much of one thing stands on the tray: as it is said where one step takes it, else the sum. */
function trayAmount({ amount, uses, boxes }: TrayThing, name: string, unit: string): string {
  if (boxes !== undefined) return `${number(boxes)} ${boxes === 1 ? 'box' : 'boxes'}`;
  const stated = inOneMeasure(uses.map((use) => use.stated));
  return stated ? amountText(saidAmount(stated, name, amount, unit)) : amountRange(amount, unit);
}

/** Several amounts as one, where all are counted in the same measure: 2–4 pumps and 2 pumps are 4–6 pumps. */
function inOneMeasure(stated: readonly (Amount | undefined)[]): Amount | undefined {
  const [first, ...others] = stated;
  if (!first || others.length === 0) return first;
  if (first.how !== 'counted' && first.how !== 'packs') return undefined;
  const same = others.flatMap((each) =>
    each?.how === first.how &&
    (each.how !== 'counted' || first.how !== 'counted' || each.measure === first.measure)
      ? [each.quantity]
      : [],
  );
  if (same.length < others.length) return undefined;
  return { ...first, quantity: sumTriples([first.quantity, ...same]) };
}

/** The steps that take a thing; what each takes as it is said, where several do. */
function usesWords(
  uses: readonly TrayUse[],
  name: string,
  unit: string,
  parts: readonly KitPart[] = [],
): string {
  const times = new Map<string, number>();
  for (const { stepName, stated, amount, persons, part } of uses) {
    const held = parts.find(({ id }) => id === part);
    const said = held
      ? `${amountRange(amount, held.unit)} ${held.name}`
      : stated
        ? amountWords(stated, name)
        : amountRange(amount, unit);
    const people = persons === undefined || persons === 1 ? '' : ` for ${persons} people`;
    const words =
      uses.length === 1 && !held ? `${stepName}${people}` : `${stepName} ${said}${people}`;
    times.set(words, (times.get(words) ?? 0) + 1);
  }
  return [...times]
    .map(([words, count]) => (count === 1 ? words : `${count} × ${words}`))
    .join(', ');
}

/** How much of a thing is warm or cold: all of it, or so much. */
function heldWords({ amount }: TrayThing, held: number, unit: string, words: string): string {
  if (!(held > 0)) return '';
  return held >= amount.usual ? words : `${amountRange(exactly(held), unit)} ${words}`;
}

/** For whom a box is, and what of it is left. */
function kitWords({ kits = [] }: TrayThing, kit: KitMaterial | undefined): string {
  if (!kit) return '';
  const left = kits
    .flatMap((taken) => leftOfKit(kit, taken))
    .filter((each) => each.share > 0.005)
    .map(
      ({ part, left: amount, share }) =>
        `${amountRange(exactly(amount), part.unit)} ${part.name} (${percent(share, 0)})`,
    );
  const goes = kit.leftOver === 'goes-home' ? 'goes home' : 'left over';
  return [
    kit.forVisits === undefined ? '' : `the guest’s own box, for ${kit.forVisits} visits`,
    left.length === 0 ? '' : `${goes}: ${left.join(', ')}`,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** The tray in words, in the order of need. */
export function trayWords(tray: Tray, house: House): readonly TrayLine[] {
  const nameOf = (id: string): string =>
    house.materials.find((each) => each.id === id)?.name ?? 'something no longer on the shelf';
  const unitOf = (id: string) => house.materials.find((each) => each.id === id)?.unit ?? 'piece';
  const kitOf = (id: string): KitMaterial | undefined => {
    const material = house.materials.find((each) => each.id === id);
    return material?.kind === 'kit' ? material : undefined;
  };
  const mixPartWords = ({ materialId, part, amount }: TrayMix['parts'][number]): string => {
    const held = kitOf(materialId)?.parts.find(({ id }) => id === part);
    return `${amountRange(amount, held?.unit ?? unitOf(materialId))} ${held?.name ?? nameOf(materialId)}`;
  };
  return tray.items.map((item, order): TrayLine => {
    const at = item.at < 0 ? 'before' : `min ${number(item.at, 0)}`;
    switch (item.kind) {
      case 'thing':
        return {
          key: item.materialId,
          kind: item.kind,
          at,
          minute: item.at,
          amount: trayAmount(item, nameOf(item.materialId), unitOf(item.materialId)),
          name: nameOf(item.materialId),
          note: [
            heldWords(item, item.warmed, unitOf(item.materialId), 'warm, in the warmer'),
            heldWords(item, item.chilled, unitOf(item.materialId), 'chilled'),
            usesWords(
              item.uses,
              nameOf(item.materialId),
              unitOf(item.materialId),
              kitOf(item.materialId)?.parts,
            ),
            kitWords(item, kitOf(item.materialId)),
          ]
            .filter(Boolean)
            .join(' · '),
        };
      case 'mix':
        return {
          key: `${item.mix.id}-${order}`,
          kind: item.kind,
          at,
          minute: item.at,
          made: {
            mixId: item.mix.id,
            standingMinutes: item.mix.standingMinutes,
            ...(item.mix.workingLifeMinutes !== undefined && {
              workingLifeMinutes: item.mix.workingLifeMinutes,
            }),
          },
          amount: amountRange(item.needed, item.mix.basis),
          name: `Mix: ${item.mix.name}`,
          note: [
            usesWords(item.uses, item.mix.name, item.mix.basis),
            item.parts.map((part) => mixPartWords(part)).join(' + '),
            item.mix.standingMinutes > 0
              ? `stands ${timeWords(item.mix.standingMinutes)}, ready at min ${number(item.readyAt, 0)}`
              : '',
            item.mix.workingLifeMinutes === undefined
              ? ''
              : `use within ${timeWords(item.mix.workingLifeMinutes)}`,
            item.mix.warm === undefined ? '' : spoken(item.mix.warm),
            item.mix.method ?? '',
            item.shared ? 'one batch for all' : '',
          ]
            .filter(Boolean)
            .join(' · '),
        };
      case 'tool':
        return {
          key: item.tool,
          kind: item.kind,
          at,
          minute: item.at,
          amount: item.visits > 1 ? number(item.visits) : '',
          name: `${item.tool.charAt(0).toUpperCase()}${item.tool.slice(1)}`,
          note: item.stepNames.join(', '),
        };
      case 'device':
        return {
          key: item.deviceId,
          kind: item.kind,
          at,
          minute: item.at,
          amount: '',
          name:
            house.devices.find(({ id }) => id === item.deviceId)?.name ?? 'a device that is gone',
          note: item.stepNames.join(', '),
        };
      case 'task':
        return {
          key: `${item.what}-${order}`,
          kind: item.kind,
          at,
          minute: item.at,
          amount: '',
          name: item.what,
          note: '',
        };
    }
  });
}
