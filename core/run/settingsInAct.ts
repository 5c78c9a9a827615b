import type { Device, SettingKind } from '../house/device';
import { asKept } from '../house/stock';
import { resolvedSettings } from '../protocol/deviceSettings';
import type { ZoneId } from '../zone/zones';
import type { RunAct } from './plan';
import type { RunState } from './standing';

/** What a device is set to on some zones in an act, and between what the house lets it be. */
export interface SettingInAct {
  /** by which it is told that it was another */
  readonly key: string;
  readonly zones: readonly ZoneId[];
  readonly kind: SettingKind;
  readonly unit: string;
  /** as written */
  readonly low: number;
  readonly high: number;
  /** as it is: in the gentler half of what is written until told otherwise */
  readonly value: number;
  readonly isOther: boolean;
  /** limits of the house */
  readonly least: number;
  readonly most: number;
  /** one more or one less */
  readonly step: number;
  /** it is set to more than written: to more of what is not the gentler way */
  readonly isStronger: boolean;
}

/** The limits of a setting are gone through in about so many steps. */
const STEPS = 20;
const NICE = [1, 2, 5, 10] as const;

/** A step that people count in: 1, 2 or 5 of some power of ten. */
function niceStep(span: number): number {
  const raw = span / STEPS;
  if (raw <= 0) return 1;
  const power = 10 ** Math.floor(Math.log10(raw));
  return asKept((NICE.find((each) => each * power >= raw - 1e-9) ?? 10) * power);
}

/** What the device of an act is set to, zone by zone, as written or as was told. */
export function settingsInAct(
  act: Pick<RunAct, 'id' | 'step'>,
  state: Pick<RunState, 'set'>,
  devices: readonly Device[],
): SettingInAct[] {
  const work = act.step?.device;
  const device = work && devices.find(({ id }) => id === work.deviceId);
  if (!work || !device) return [];
  return resolvedSettings(work.settings).flatMap(({ zones, values }, row) =>
    values.flatMap(({ kind, low, high }): SettingInAct[] => {
      const limits = device.settings.find((each) => each.kind === kind);
      if (!limits) return [];
      const key = `${act.id}:${row}:${kind}`;
      const { unit, least, most, safer } = limits;
      const gentle = safer === 'less' ? low : high;
      const told = state.set.get(key);
      const value = told ?? gentle;
      const isStronger = safer === 'less' ? value > high : value < low;
      return [
        {
          key,
          zones,
          kind,
          unit,
          low,
          high,
          value,
          isOther: told !== undefined && (value < low || value > high || told !== gentle),
          least,
          most,
          step: niceStep(most - least),
          isStronger,
        },
      ];
    }),
  );
}

/** A setting so many steps further; within the limits of the house, whatever is pressed. */
export function setBy(
  { value, step, least, most }: Pick<SettingInAct, 'value' | 'step' | 'least' | 'most'>,
  by: number,
): number {
  return asKept(Math.min(most, Math.max(least, value + by * step)));
}

/** How often a device goes over some zones in an act, and how often it has. */
export interface PassesInAct {
  readonly key: string;
  readonly zones: readonly ZoneId[];
  readonly planned: number;
  readonly done: number;
}

/** The passes of an act, zone by zone, as they are counted. */
export function passesInAct(
  act: Pick<RunAct, 'id' | 'step'>,
  { passed }: Pick<RunState, 'passed'>,
): PassesInAct[] {
  return resolvedSettings(act.step?.device?.settings ?? []).flatMap(({ zones, passes }, row) => {
    const key = `${act.id}:${row}`;
    return passes === undefined
      ? []
      : [{ key, zones, planned: passes, done: passed.get(key) ?? 0 }];
  });
}
