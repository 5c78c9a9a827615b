import type { ZoneMode } from '@bienestar/core/house/ways';
import { chosenOf } from '@bienestar/core/zone/pickZones';
import type { ZoneId } from '@bienestar/core/zone/zones';
import type { ZoneFigure, ZoneShape } from './zoneShapes';

/** How a place is drawn: not worked, in part, worked, or otherwise. */
export type ZoneLook = 'none' | 'part' | 'worked' | ZoneMode;

export const LOOKS: Record<ZoneLook, string> = {
  none: 'fill-sheet stroke-line-strong',
  part: 'fill-palm-wash stroke-palm',
  worked: 'fill-palm stroke-sheet',
  lightly: 'fill-palm-wash stroke-palm [stroke-dasharray:3_2]',
  more: 'fill-palm stroke-ink [stroke-width:2]',
  last: 'fill-palm stroke-sheet',
  never: 'fill-clay-wash stroke-clay',
};
/** What is drawn so dark that its sign is light. */
export const DARK: ReadonlySet<ZoneLook> = new Set(['worked', 'more', 'last']);

/** The number and mark on a place. */
export function signOf(look: ZoneLook, number: number | undefined): string | undefined {
  const order = number === undefined ? '' : String(number);
  switch (look) {
    case 'never':
      return '×';
    case 'more':
      return `${order}+`;
    case 'last':
      return `${order}↓`;
    default:
      return order === '' ? undefined : order;
  }
}

/** A shape once, or once on each side; from the front, the client’s left is to the right. */
export function sidesOf(
  { facing }: ZoneFigure,
  shape: ZoneShape,
): readonly { readonly zone: ZoneId; readonly flipped: boolean }[] {
  if (shape.mirrored === undefined) return [{ zone: shape.zone, flipped: false }];
  return [
    { zone: shape.zone, flipped: facing },
    { zone: shape.mirrored, flipped: !facing },
  ];
}

/** The place in the order of work, shown once in each figure where several shapes are one zone. */
export function numberOf(
  zones: readonly ZoneId[],
  drawn: ZoneId,
  figure: ZoneFigure,
): number | undefined {
  const order = zones.findIndex((zone) => chosenOf([zone], drawn) !== 'none');
  const zone = zones[order];
  if (zone === undefined || zones.length < 2) return undefined;
  const first = figure.shapes
    .flatMap((shape) => sidesOf(figure, shape))
    .find((each) => chosenOf([zone], each.zone) !== 'none');
  return first?.zone === drawn ? order + 1 : undefined;
}

const STRONGEST = ['never', 'lightly', 'more', 'last'] as const satisfies readonly ZoneMode[];

/** How a place is drawn for where a step is worked. */
export function lookOf(
  drawn: ZoneId,
  zones: readonly ZoneId[],
  modes: Readonly<Partial<Record<ZoneMode, readonly ZoneId[]>>>,
): ZoneLook {
  const mode = STRONGEST.find((each) => chosenOf(modes[each] ?? [], drawn) === 'all');
  if (mode) return mode;
  const worked = chosenOf(zones, drawn);
  const isOtherwise = STRONGEST.some((each) => chosenOf(modes[each] ?? [], drawn) !== 'none');
  if (worked === 'all') return isOtherwise ? 'part' : 'worked';
  return worked === 'part' || isOtherwise ? 'part' : 'none';
}
