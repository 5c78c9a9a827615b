import type { ZoneSetting } from '../house/house';
import type { SettingKind } from '../house/device';
import { chosenOf } from '../zone/pickZones';
import type { ZoneId } from '../zone/zones';

/** What is set on some zones, once shares of other zones are worked out. */
export interface ResolvedSetting {
  readonly zones: readonly ZoneId[];
  readonly values: readonly {
    readonly kind: SettingKind;
    readonly low: number;
    readonly high: number;
  }[];
  readonly passes?: number;
  /** why a share of other zones cannot be worked out */
  readonly fault?: 'circle' | 'nothing-there';
}

/**
 * Settings of a device with the shares of other zones worked out: what a row says itself stands, and what is set
 * else is its share of what the other zones have; passes are its own.
 * @example
 * resolvedSettings([
 *   { zones: ['cheeks'], values: [{ kind: 'energy', value: 20 }] },
 *   { zones: ['forehead'], values: [], share: { of: 'cheeks', part: 0.5 } },
 * ])[1].values // [{ kind: 'energy', low: 10, high: 10 }]
 */
export function resolvedSettings(settings: readonly ZoneSetting[]): readonly ResolvedSetting[] {
  return settings.map((setting) => resolved(setting, settings, []));
}

function resolved(
  setting: ZoneSetting,
  all: readonly ZoneSetting[],
  seen: readonly ZoneSetting[],
): ResolvedSetting {
  const { zones, values, passes, share } = setting;
  const own = values.map(({ kind, value, upTo }) => ({ kind, low: value, high: upTo ?? value }));
  const plain = { zones, values: own, ...(passes !== undefined && { passes }) };
  if (!share) return plain;
  if (seen.includes(setting)) return { ...plain, fault: 'circle' };
  const other = all.find((each) => each !== setting && covers(each.zones, share.of));
  if (!other) {
    return { ...plain, fault: covers(zones, share.of) ? 'circle' : 'nothing-there' };
  }
  const from = resolved(other, all, [...seen, setting]);
  const shared = from.values
    .filter(({ kind }) => !own.some((each) => each.kind === kind))
    .map(({ kind, low, high }) => ({ kind, low: low * share.part, high: high * share.part }));
  return {
    ...plain,
    values: [...own, ...shared],
    ...(from.fault && { fault: from.fault }),
  };
}

function covers(zones: readonly ZoneId[], zone: ZoneId): boolean {
  return chosenOf(zones, zone) === 'all';
}

/** What is given in all by energy and passes; nothing where one of them is not said. */
export function energyInAll({
  values,
  passes,
}: ResolvedSetting): { readonly low: number; readonly high: number } | undefined {
  const energy = values.find(({ kind }) => kind === 'energy');
  return energy && passes !== undefined && passes > 1
    ? { low: energy.low * passes, high: energy.high * passes }
    : undefined;
}
