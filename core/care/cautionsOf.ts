import type { Device, WorkedProtocol } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import type { DeviceId } from '../house/ids';
import type { CautionLevel } from '../house/around';
import {
  CARRIES_NOTICE,
  CAUTION_RULES,
  CAUTION_SUBJECTS,
  NOTICE,
  type CautionSubject,
  type DrawnBy,
} from './cautionRules';
import { careProfile, type Because, type CareProfile } from './traits';

/** One thing to mind in a protocol, with where it comes from. */
export interface Caution {
  /** the usual rule it is, or where it was added */
  readonly of:
    | { readonly kind: 'rule'; readonly ruleId: string }
    | { readonly kind: 'allergen'; readonly name: string }
    | { readonly kind: 'patch-test'; readonly material: string }
    | { readonly kind: 'own'; readonly at: number };
  readonly level: CautionLevel;
  readonly subject: CautionSubject;
  readonly text: string;
  readonly why: string;
  readonly because: readonly Because[];
  /** taken off by the house, for this written reason */
  readonly removed?: string;
}

/** What a protocol's list of cautions says. */
export interface ProtocolCautions {
  readonly cautions: readonly Caution[];
  /** the line on makers, codes, licence and physician, where the protocol carries it */
  readonly notice?: string;
}

const RANK: Record<CautionLevel, number> = { stop: 0, refer: 1, 'take-care': 2 };

/**
 * The cautions of a protocol: the usual rules that what it uses draws, allergens and patch tests of its
 * materials, and what the house added. A rule that the house took off stays in the list with its
 * reason. Prompts for a licensed person, never permission.
 */
export function cautionsOf(
  protocol: WorkedProtocol,
  shelf: ShelfIndex,
  devices: ReadonlyMap<DeviceId, Device>,
): ProtocolCautions {
  const profile = careProfile(protocol, shelf, devices);
  const reasons = new Map(
    (protocol.cautions?.removed ?? []).map(({ ruleId, reason }) => [ruleId, reason]),
  );
  const drawn = CAUTION_RULES.flatMap((rule): Caution[] => {
    const because = [
      ...rule.by.flatMap((by) => broughtBy(by, profile)),
      ...((rule.asked && profile.stopFor.get(rule.asked)) ?? []),
    ];
    if (because.length === 0) return [];
    if (rule.beside && !rule.beside.some((trait) => profile.traits.has(trait))) return [];
    const { level, subject, text, why } = rule;
    const removed = reasons.get(rule.id);
    return [
      {
        of: { kind: 'rule', ruleId: rule.id },
        level,
        subject,
        text,
        why,
        because: once(because),
        ...(removed !== undefined && { removed }),
      },
    ];
  });
  const cautions = [...drawn, ...ofMaterials(profile), ...ownOf(protocol)].sort(
    (a, b) => RANK[a.level] - RANK[b.level],
  );
  const carries = CARRIES_NOTICE.some((trait) => profile.traits.has(trait));
  return carries ? { cautions, notice: NOTICE } : { cautions };
}

function broughtBy(by: DrawnBy, { traits }: CareProfile): readonly Because[] {
  if (typeof by === 'string') return traits.get(by) ?? [];
  return (traits.get(by.trait) ?? []).filter(({ regions }) => regions.has(by.near));
}

/** When a caution is minded: asked about, looked for, while working, and afterwards. */
export const CAUTION_TIMES = ['ask', 'look', 'do', 'afterwards'] as const;
export type CautionTime = (typeof CAUTION_TIMES)[number];

const TIME_OF: Readonly<Record<CautionSubject, CautionTime>> = {
  health: 'ask',
  medicine: 'ask',
  'recent treatment': 'ask',
  allergies: 'ask',
  'skin today': 'look',
  device: 'do',
  'heat, cold and light': 'do',
  'of this house': 'ask',
  'at home': 'afterwards',
};

/**
 * Cautions in the order in which a person asks, looks and does, the most severe in front; those that the house
 * took off are left out.
 */
export function cautionsByTime(
  cautions: readonly Caution[],
): readonly { readonly time: CautionTime; readonly cautions: readonly Caution[] }[] {
  const kept = cautions.filter(({ removed }) => removed === undefined);
  const place = ({ subject }: Caution): number => CAUTION_SUBJECTS.indexOf(subject);
  return CAUTION_TIMES.map((time) => ({
    time,
    cautions: kept
      .filter(({ subject }) => TIME_OF[subject] === time)
      .toSorted((a, b) => RANK[a.level] - RANK[b.level] || place(a) - place(b)),
  })).filter((each) => each.cautions.length > 0);
}

function ofMaterials({ allergens, patchTests }: CareProfile): Caution[] {
  return [
    ...patchTests.map(({ material, hoursBefore, advice }): Caution => ({
      of: { kind: 'patch-test', material },
      level: 'take-care',
      subject: 'allergies',
      text: `Patch test of ${material} ${hoursBefore} hours before`,
      why: advice ?? 'An answer of the skin may take that long to show.',
      because: [],
    })),
    ...[...allergens].map(([name, because]): Caution => ({
      of: { kind: 'allergen', name },
      level: 'stop',
      subject: 'allergies',
      text: `Allergy to ${name}`,
      why: 'It is on the label of what is used.',
      because: once(because),
    })),
  ];
}

function ownOf(protocol: WorkedProtocol): Caution[] {
  return (protocol.cautions?.added ?? []).map(({ level, text, why }, at) => ({
    of: { kind: 'own', at },
    level,
    subject: 'of this house',
    text,
    why,
    because: [],
  }));
}

function once(because: readonly Because[]): Because[] {
  const plain = because.map(({ stepId, stepName, thing }): Because => ({
    stepId,
    stepName,
    ...(thing !== undefined && { thing }),
  }));
  return [...new Map(plain.map((each) => [`${each.stepId}/${each.thing ?? ''}`, each])).values()];
}
