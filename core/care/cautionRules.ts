import type { CautionLevel } from '../house/around';
import type { StopFor } from '../house/careFacts';
import type { RegionOfCare, Trait } from './traits';

/** What a rule is about, in the order in which a consultation asks. */
export const CAUTION_SUBJECTS = [
  'health',
  'medicine',
  'recent treatment',
  'of this house',
  'allergies',
  'skin today',
  'device',
  'heat, cold and light',
  'at home',
] as const;
export type CautionSubject = (typeof CAUTION_SUBJECTS)[number];

/** A trait wherever it is, or only where it reaches a part of the body. */
export type DrawnBy = Trait | { readonly trait: Trait; readonly near: RegionOfCare };

const near = (region: RegionOfCare, traits: readonly Trait[]): readonly DrawnBy[] =>
  traits.map((trait) => ({ trait, near: region }));

/** A usual reason to stop, refer or take care. */
export interface CautionRule {
  readonly id: string;
  readonly level: CautionLevel;
  readonly subject: CautionSubject;
  readonly text: string;
  readonly why: string;
  /** drawn when the protocol does any of this */
  readonly by: readonly DrawnBy[];
  /** and, where it is said, any of this as well */
  readonly beside?: readonly Trait[];
  /** drawn also when the maker of something that is used asks so */
  readonly asked?: StopFor;
}

const ACTIVES: readonly Trait[] = ['acid', 'retinoid', 'light-sensitising'];
const INJURES: readonly Trait[] = ['needles', 'blade', 'extraction', 'strong-exfoliation'];
const CURRENTS: readonly Trait[] = ['current', 'radio-frequency'];
const WARMTH: readonly Trait[] = ['heat', 'steam', 'heat-producing', 'radio-frequency', 'wrap'];

const rule = (
  level: CautionLevel,
  subject: CautionSubject,
  id: string,
  text: string,
  why: string,
  by: readonly DrawnBy[],
  asked?: StopFor,
  beside?: readonly Trait[],
): CautionRule => ({
  id,
  level,
  subject,
  text,
  why,
  by,
  ...(asked !== undefined && { asked }),
  ...(beside && { beside }),
});

/**
 * The usual cautions, in plain words. They are prompts for a licensed person, never permission: makers'
 * instructions, local codes and the limits of the licence come first.
 */
export const CAUTION_RULES: readonly CautionRule[] = [
  rule(
    'stop',
    'health',
    'pregnancy',
    'Pregnancy',
    'Many actives, currents and strong heat are not shown to be safe for the child.',
    [...ACTIVES, ...CURRENTS, 'heat', 'wrap', 'needles'],
    'pregnancy',
  ),
  rule(
    'refer',
    'health',
    'breast-feeding',
    'Breast-feeding',
    'What goes into the skin may reach the milk; ask the physician about actives.',
    ['acid', 'retinoid'],
    'breast-feeding',
  ),
  rule(
    'stop',
    'health',
    'pacemaker',
    'Pacemaker or another electronic implant',
    'Currents and radio-frequency may disturb it.',
    CURRENTS,
    'pacemaker',
  ),
  rule(
    'stop',
    'health',
    'metal-implant',
    'Metal implants or pins in the area',
    'Metal carries current and heat to where nobody sees it.',
    CURRENTS,
  ),
  rule(
    'stop',
    'health',
    'epilepsy',
    'Epilepsy',
    'Flashing light can set off a fit.',
    ['light'],
    'epilepsy',
  ),
  rule(
    'refer',
    'health',
    'diabetes',
    'Diabetes that is not well settled',
    'Wounds heal slowly, and heat or pain may not be felt in time.',
    [...INJURES, ...WARMTH],
    'diabetes',
  ),
  rule(
    'stop',
    'health',
    'clotting-disorder',
    'Clotting disorder',
    'Small wounds bleed long, and pressure bruises.',
    ['needles', 'extraction', 'suction'],
  ),
  rule(
    'refer',
    'health',
    'heart-disease',
    'Heart disease or high blood pressure',
    'Heat, wraps and deep massage load the heart.',
    [...WARMTH, ...near('body', ['massage'])],
    'heart-disease',
  ),
  rule(
    'stop',
    'health',
    'vein-disease',
    'Thrombosis or vein disease in the legs',
    'Pressure and heat on such veins can loosen a clot.',
    near('legs', ['massage', 'suction', 'exfoliation', ...WARMTH, ...CURRENTS]),
    'vein-disease',
  ),
  rule(
    'take-care',
    'health',
    'asthma',
    'Asthma',
    'Steam, powders and strong scents can close the airways.',
    ['steam', 'fragrance'],
    'asthma',
  ),
  rule(
    'refer',
    'health',
    'immune',
    'Weak immune system or treatment for cancer',
    'Every opening of the skin is a way in; ask the physician first.',
    [...INJURES, ...ACTIVES],
  ),
  rule(
    'refer',
    'health',
    'thyroid',
    'Thyroid disease',
    'Currents and warmth are kept off the gland; ask how it is treated.',
    CURRENTS,
  ),
  rule(
    'take-care',
    'health',
    'numbness',
    'Places without feeling',
    'The client cannot say when it is too hot, too cold or too much.',
    [...WARMTH, 'cold', ...CURRENTS],
  ),
  rule(
    'take-care',
    'health',
    'closed-rooms',
    'Fear of being covered or wrapped',
    'A wrapped or covered person must be able to get out at once.',
    ['wrap'],
  ),
  rule(
    'take-care',
    'health',
    'children',
    'Under age',
    'A parent or guardian agrees in writing; many makers exclude children.',
    ['skin-contact'],
    'children',
  ),

  rule(
    'stop',
    'medicine',
    'oral-retinoid',
    'Oral retinoid within the last six months',
    'The skin is thin and heals badly; scars are likely.',
    [...INJURES, 'acid', 'retinoid', 'heat', 'light'],
    'oral-retinoid',
  ),
  rule(
    'stop',
    'medicine',
    'topical-retinoid',
    'Retinoid cream within the last days',
    'The skin takes up actives faster and peels where it should not.',
    ['acid', 'retinoid', 'blade', 'strong-exfoliation', 'needles'],
    'topical-retinoid',
  ),
  rule(
    'stop',
    'medicine',
    'photosensitising-medicine',
    'Medicine that makes the skin sensitive to light',
    'Light can burn, and pigment may stay.',
    ['light', 'light-sensitising'],
    'photosensitising-medicine',
  ),
  rule(
    'stop',
    'medicine',
    'anticoagulants',
    'Blood thinners',
    'Needles bleed and pressure bruises.',
    ['needles', 'extraction', 'suction'],
    'anticoagulants',
  ),
  rule(
    'take-care',
    'medicine',
    'steroid-cream',
    'Cortisone on the skin for weeks',
    'The skin is thin and tears.',
    INJURES,
  ),
  rule(
    'take-care',
    'medicine',
    'pain-relief',
    'Numbed skin',
    'A client who feels nothing cannot warn: settings stay low and the score is asked all the same.',
    ['needles', 'radio-frequency'],
  ),

  rule(
    'stop',
    'recent treatment',
    'recent-injectables',
    'Injectables within the last two weeks',
    'Pressure, heat and currents can move or break down what was injected.',
    near('head', ['massage', 'needles', 'suction', ...WARMTH, ...CURRENTS]),
    'recent-injectables',
  ),
  rule(
    'refer',
    'recent treatment',
    'recent-surgery',
    'Surgery in the area within the last months',
    'Ask the surgeon when skin and scars may be worked on.',
    ['massage', 'suction', ...INJURES, ...CURRENTS],
  ),
  rule(
    'stop',
    'recent treatment',
    'recent-peel',
    'Peel, light or needles elsewhere within the last four weeks',
    'The barrier has not closed again; a second injury scars and stains.',
    ['acid', 'needles', 'blade', 'radio-frequency', 'light'],
  ),
  rule(
    'take-care',
    'recent treatment',
    'recent-hair-removal',
    'Waxing, threading or shaving within the last two days',
    'Fresh little wounds burn under actives.',
    ['acid', 'alcohol', 'strong-exfoliation'],
  ),
  rule(
    'take-care',
    'recent treatment',
    'lash-extensions',
    'Lash extensions or fresh brow colour',
    'Oil and steam loosen the glue.',
    [...near('eyes', ['work']), ...near('head', ['steam'])],
  ),

  rule(
    'stop',
    'skin today',
    'broken-skin',
    'Broken skin',
    'Actives reach where they must not, and germs with them.',
    ['skin-contact'],
    'broken-skin',
  ),
  rule(
    'stop',
    'skin today',
    'infection',
    'Infection of the skin',
    'It spreads with hands, tools and steam.',
    ['skin-contact'],
  ),
  rule(
    'stop',
    'skin today',
    'cold-sore',
    'Cold sore, or one coming',
    'It spreads over the face, and breaks out after peels and needles.',
    near('head', ['acid', 'needles', 'blade', 'steam', 'extraction']),
    'cold-sore',
  ),
  rule(
    'stop',
    'skin today',
    'sunburn',
    'Sunburn or a fresh tan',
    'Burnt skin cannot take another injury, and pigment stays.',
    [...INJURES, ...ACTIVES, 'light', 'heat'],
    'sunburn',
  ),
  rule(
    'stop',
    'skin today',
    'moles',
    'Moles and lesions in the area',
    'They are never treated over; one that has changed is for the physician.',
    ['skin-contact'],
  ),
  rule(
    'stop',
    'skin today',
    'keloid',
    'Tendency to keloid scars',
    'Every injury may grow into one.',
    ['needles', 'blade', 'radio-frequency'],
    'keloid',
  ),
  rule(
    'refer',
    'skin today',
    'skin-disease',
    'Eczema, psoriasis or inflamed acne in the area',
    'A flare gets worse under friction, acid and heat.',
    [...INJURES, 'acid', 'heat'],
  ),
  rule(
    'take-care',
    'skin today',
    'capillaries',
    'Visible capillaries',
    'Heat, suction and rubbing widen them: go lightly, or leave them out.',
    [...WARMTH, 'suction', 'exfoliation'],
  ),
  rule(
    'take-care',
    'skin today',
    'dark-phototypes',
    'Phototypes IV to VI',
    'Injury and strong actives can leave dark marks: begin lower, wait longer.',
    ['acid', 'needles', 'light', 'radio-frequency', 'blade'],
  ),

  rule(
    'stop',
    'device',
    'neck-centre',
    'Centre line of the neck',
    'Larynx and thyroid are never worked over.',
    near('neck', [...CURRENTS, 'ultrasound', 'suction', 'needles']),
  ),
  rule(
    'stop',
    'device',
    'single-use',
    'Tips, blades and cartridges already used',
    'A sterile part is for one client and is never used again.',
    ['needles', 'blade'],
  ),
  rule(
    'take-care',
    'device',
    'eyes-covered',
    'Uncovered eyes in the room',
    'Everybody present covers their eyes, not only the client.',
    ['light', 'eye-protection'],
  ),
  rule(
    'take-care',
    'device',
    'jewellery',
    'Jewellery and piercings',
    'Metal carries heat and current.',
    [...CURRENTS, 'heat'],
  ),

  rule(
    'stop',
    'health',
    'cold-intolerance',
    'Cold urticaria or Raynaud’s',
    'Cold alone can bring on an attack.',
    ['cold'],
  ),
  rule(
    'take-care',
    'heat, cold and light',
    'abdomen-cold',
    'Cooling wraps near the abdomen',
    'They are never laid on it, and stay shorter in cold months.',
    near('body', ['cold']),
  ),
  rule(
    'take-care',
    'heat, cold and light',
    'alcohol-before-heat',
    'Alcohol or anything flammable still on the skin',
    'It must be off before heat, light or current; bottles stand away from devices.',
    ['alcohol', 'flammable'],
    undefined,
    ['heat', 'light', ...CURRENTS],
  ),

  rule(
    'take-care',
    'at home',
    'sun-after',
    'Sun in the days after',
    'Fresh skin burns and stains: shade and sun protection every day.',
    ['acid', 'retinoid', 'light-sensitising', 'needles', 'blade', 'strong-exfoliation'],
  ),
  rule(
    'refer',
    'of this house',
    'strong-acid',
    'Acid of 30 % and more, or below pH 3',
    'In many places it is for those whose licence allows it, or for a physician: follow local codes.',
    ['strong-acid'],
  ),
  rule(
    'take-care',
    'at home',
    'heat-after',
    'Sauna and hard exercise in the day after',
    'Heat keeps the redness and opens small wounds.',
    ['needles', 'acid', 'radio-frequency'],
  ),
];

const BY_ID = new Map(CAUTION_RULES.map((each) => [each.id, each]));

/** The usual caution of that id. */
export function cautionRule(id: string): CautionRule | undefined {
  return BY_ID.get(id);
}

/** Traits with which a protocol carries the line on instructions, codes, licence and physician. */
export const CARRIES_NOTICE: readonly Trait[] = [
  'acid',
  'retinoid',
  'needles',
  'blade',
  'heat',
  'steam',
  'heat-producing',
  'light',
  'current',
  'radio-frequency',
  'ultrasound',
  'suction',
];

export const NOTICE =
  'Follow the makers’ instructions, local codes and the limits of your licence; refer to a physician when in doubt. This list is a prompt, never a permission.';
