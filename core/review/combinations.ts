import type { Device, Material, Step } from '../house/house';
import type { StepId } from '../house/ids';
import { takesOff } from '../house/takesOff';
import type { Finding, ReviewedProtocol } from './finding';
import { leavesOf, type LeafZone } from '../zone/zones';
import { devicesOfStep, materialsOfStep, traitsOfStep, type Trait } from '../care/traits';

interface Seen {
  readonly step: Step;
  readonly materials: readonly Material[];
  readonly devices: readonly Device[];
  readonly traits: ReadonlyMap<Trait, string | undefined>;
}

const HEATS: readonly Trait[] = [
  'heat',
  'steam',
  'heat-producing',
  'radio-frequency',
  'light',
  'current',
];
const WARMS: readonly Trait[] = ['heat', 'heat-producing', 'radio-frequency', 'steam'];

/**
 * Combinations that ask for care: alcohol or flammables before heat, an acid under a retinoid, warmth
 * with cold on the same skin, strong exfoliation twice, an acid by day without sun protection, a
 * device that asks for covered eyes without covers for everybody.
 */
export function combinationsIn(reviewed: ReviewedProtocol): Finding[] {
  const { worked, shelf, index, dayTime } = reviewed;
  const seen = worked.steps
    .filter((step) => step.stretch === 'visit')
    .map((step): Seen => {
      const materials = materialsOfStep(step, shelf);
      const devices = devicesOfStep(step, index.devices);
      return { step, materials, devices, traits: traitsOfStep(step, materials, devices) };
    });
  const say = (stepId: StepId, message: string): Finding => ({
    weight: 'prompt',
    code: 'care-combination',
    message,
    where: { protocolId: worked.id, stepId },
  });
  return [
    ...onTheSkin(seen, say),
    ...twiceExfoliated(seen, say),
    ...warmthWithCold(seen, say),
    ...(dayTime === 'day' ? withoutSunProtection(seen, say) : []),
    ...withoutEyeCovers(seen, say),
  ];
}

type Say = (stepId: StepId, message: string) => Finding;

/** What still lies on some skin when the next thing comes onto it. */
function onTheSkin(seen: readonly Seen[], say: Say): Finding[] {
  const found: Finding[] = [];
  const lying = new Map<LeafZone, Map<Trait, string>>();
  for (const { step, traits } of seen) {
    const leaves = step.zones.flatMap(leavesOf);
    const onThem = (trait: Trait): string | undefined =>
      leaves.flatMap((leaf) => lying.get(leaf)?.get(trait) ?? [])[0];
    if (HEATS.some((trait) => traits.has(trait))) {
      const burning = onThem('flammable') ?? onThem('alcohol');
      if (burning !== undefined) {
        found.push(
          say(
            step.id,
            `${burning} is still on the skin when “${step.name}” brings heat, light or current. Take it off and let the skin dry first.`,
          ),
        );
      }
    }
    const acid = onThem('acid');
    if (traits.has('retinoid') && acid !== undefined) {
      found.push(
        say(
          step.id,
          `${traits.get('retinoid') ?? 'A retinoid'} goes over ${acid}, an acid that was not taken off.`,
        ),
      );
    }
    if (takesOff(step)) leaves.forEach((leaf) => lying.delete(leaf));
    for (const trait of ['flammable', 'alcohol', 'acid'] as const) {
      const thing = traits.get(trait);
      if (thing === undefined || takesOff(step)) continue;
      for (const leaf of leaves) {
        lying.set(leaf, new Map([...(lying.get(leaf) ?? []), [trait, thing]]));
      }
    }
  }
  return found;
}

function twiceExfoliated(seen: readonly Seen[], say: Say): Finding[] {
  const strong = seen.filter(
    ({ traits, step }) => traits.has('strong-exfoliation') && step.zones.length > 0,
  );
  const last = new Map<LeafZone, Step>();
  const found: Finding[] = [];
  for (const { step } of strong) {
    const leaves = step.zones.flatMap(leavesOf);
    const before = leaves.map((leaf) => last.get(leaf)).find((other) => other !== undefined);
    const sameLayers =
      before?.layerGroupId !== undefined && before.layerGroupId === step.layerGroupId;
    if (before && !sameLayers) {
      found.push(
        say(
          step.id,
          `“${step.name}” exfoliates strongly what “${before.name}” has exfoliated already.`,
        ),
      );
    }
    leaves.forEach((leaf) => last.set(leaf, step));
  }
  return found;
}

function warmthWithCold(seen: readonly Seen[], say: Say): Finding[] {
  return seen.flatMap(({ step, traits }) => {
    const warm = WARMS.some((trait) => traits.has(trait));
    return warm && traits.has('cold')
      ? [say(step.id, `“${step.name}” brings warmth and cold to the same skin at once.`)]
      : [];
  });
}

function withoutSunProtection(seen: readonly Seen[], say: Say): Finding[] {
  const acid = seen.findLastIndex(
    ({ traits }) => traits.has('acid') || traits.has('retinoid') || traits.has('light-sensitising'),
  );
  const from = seen[acid];
  if (!from) return [];
  const protectedAfter = seen
    .slice(acid)
    .some(({ materials }) => materials.some(({ care }) => care?.protects?.includes('sun')));
  return protectedAfter
    ? []
    : [say(from.step.id, `A day visit with “${from.step.name}” does not end with sun protection.`)];
}

function withoutEyeCovers(seen: readonly Seen[], say: Say): Finding[] {
  const first = seen.find(({ devices }) => devices.some((device) => device.eyeProtection));
  if (!first) return [];
  const covers = seen
    .flatMap(({ materials }) => materials)
    .filter(({ care }) => care?.protects?.includes('eyes'));
  if (covers.length === 0) {
    return [
      say(first.step.id, `“${first.step.name}” needs covered eyes, and nothing covers them.`),
    ];
  }
  const all = covers.some((cover) => cover.kind === 'consumable' && cover.countedPer === 'person');
  return all
    ? []
    : [
        say(
          first.step.id,
          `“${first.step.name}” needs covered eyes for everybody in the room: count ${covers[0]?.name ?? 'the covers'} per person.`,
        ),
      ];
}
