import type { House, Service, Step } from '@bienestar/core/house/house';
import { placesByHand } from './amountsByHand';
import { partsByHand, type Part } from './visitByHand';

/*
 * How long a product lies on the skin, worked out anew from R4 of docs/calculations.md: from when it is first put on
 * until it is taken off. Only types are shared with core.
 */

/** What is done while a product lies on the skin. */
export interface ContactByHand {
  readonly stepId: string;
  readonly capMinutes: number;
  /** from the first touch on, one after the other */
  readonly while: readonly Part[];
  /** whether the first of them puts it on, so that the zone touched last has it so much shorter */
  readonly isPutOnBefore: boolean;
}

const stepsIn = (part: Part): readonly Step[] =>
  part.what === 'wait' ? [] : [part.host.step, ...part.host.beside];

/** The contacts of a visit that are counted from the first touch, in the order of work. */
export function contactsByHand(house: House, service: Service): ContactByHand[] {
  const parts = partsByHand(house, service);
  const lastOfVisit = parts.reduce(
    (last, part, at) => (part.what === 'step' && part.host.step.stretch === 'visit' ? at : last),
    -1,
  );
  return parts.flatMap((here, at) =>
    stepsIn(here).flatMap((step): ContactByHand[] => {
      const { capMinutes, capSince } = step;
      if (capMinutes === undefined || capSince === undefined) return [];
      /* Meets the step: on the same skin, and not on the other half of it. */
      const meeting = (part: Part): readonly Step[] =>
        onOtherHalf(part, here) ? [] : stepsIn(part).filter((other) => meets(other, step));
      const putOn = (part: Part): string[] => meeting(part).flatMap(namesPutOn);
      let since = at;
      while (since > 0 && !meeting(parts[since - 1] as Part).some(clears)) since -= 1;
      let newest: string[] = [];
      for (let back = at; back >= since && newest.length === 0; back -= 1)
        newest = putOn(parts[back] as Part);
      if (newest.length === 0) return [];
      let from = since;
      while (!putOn(parts[from] as Part).some((name) => newest.includes(name))) from += 1;
      let until = at + 1;
      if (!clears(step)) {
        while (until < parts.length && !meeting(parts[until] as Part).some(clears)) until += 1;
        if (until === parts.length) until = lastOfVisit + 1;
      }
      return [
        {
          stepId: step.id,
          capMinutes,
          while: parts.slice(from, until),
          isPutOnBefore: from < at,
        },
      ];
    }),
  );
}

/** Pads and gauze carry a product; where there is none, the pieces themselves are put on. */
function namesPutOn({ doses }: Step): string[] {
  const isPiece = ({ amount }: Step['doses'][number]): boolean =>
    'unit' in amount && amount.unit === 'piece';
  const carried = doses.some((dose) => !isPiece(dose));
  return doses.flatMap((dose) => (carried && isPiece(dose) ? [] : [nameOf(dose.source)]));
}

function nameOf(source: Step['doses'][number]['source']): string {
  return source.kind === 'material' ? `material ${source.materialId}` : `mix ${source.mixId}`;
}

/** Random houses take off by hand only: no step neutralises or peels. */
function clears({ removal }: Step): boolean {
  return removal !== undefined && removal.how !== 'stays-on';
}

/** Whether two steps share skin; a step that says no place may be anywhere. */
function meets(one: Step, other: Step): boolean {
  const [here, there] = [placesByHand(one), placesByHand(other)];
  return here.size === 0 || there.size === 0 || [...here].some((place) => there.has(place));
}

function onOtherHalf(one: Part, other: Part): boolean {
  const half = (part: Part): string => (part.what === 'step' ? part.key.replace(/^\d+/u, '') : '');
  return half(one) !== '' && half(other) !== '' && half(one) !== half(other);
}
