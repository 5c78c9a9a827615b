/** The single thing a fault is about; the form, the API and the command line all point with it. */
export interface Where {
  readonly settings?: true;
  readonly materialId?: string;
  readonly packId?: string;
  readonly lotId?: string;
  readonly mixId?: string;
  readonly protocolId?: string;
  readonly stepId?: string;
  readonly doseId?: string;
  readonly layerGroupId?: string;
  readonly choiceId?: string;
  readonly blockId?: string;
  readonly deviceId?: string;
  readonly serviceId?: string;
  readonly personId?: string;
  readonly offerId?: string;
  readonly orderId?: string;
  readonly lineId?: string;
  readonly field?: string;
  /** of the material or mix that is named: what must be said of it, so that it can be counted */
  readonly missing?: MissingMeasure;
}

/** A measure that nobody has said yet. */
export type MissingMeasure =
  /** g per ml */
  | { readonly of: 'density' }
  /** ml of one pump, one spray, one spatula */
  | { readonly of: 'count'; readonly measure: 'pump' | 'drop' | 'dropper' | 'spray' | 'spatula' }
  /** ml or g of an amount by eye */
  | { readonly of: 'named'; readonly name: string }
  /** mg/cm2 of a coat */
  | { readonly of: 'coat'; readonly name: string };

/**
 * Everything that `core` can find wrong, one fault a code, and what each speaks of at the least; whoever knows
 * more of the place adds it.
 */
export const PROBLEMS = {
  /* Amounts and measures */
  'amount-invalid': [],
  'minutes-invalid': ['protocolId', 'field'],
  'density-missing': ['field'],
  'measure-missing': ['missing'],
  'named-amount-missing': ['missing'],
  'coat-missing': ['missing'],
  'unit-mismatch': [],
  'single-dose-needed': [],
  'zones-missing': ['field'],
  'weighings-missing': [],
  'count-missing': [],
  'weight-missing': [],
  'weighs-less-than-empty': ['field'],
  'weighs-more-than-before': ['field'],
  'piece-not-weighed': ['field'],
  /* What a protocol, a mix, a block is made of */
  'material-unknown': [],
  'kit-part-unknown': ['field'],
  'mix-unknown': [],
  'mix-cyclic': ['mixId'],
  'mix-empty': [],
  'bowl-loss-invalid': ['field'],
  'protocol-unknown': ['serviceId', 'field'],
  'protocol-empty': ['protocolId'],
  'nothing-done': ['protocolId'],
  'step-unknown': ['protocolId', 'stepId'],
  'meanwhile-nested': ['protocolId', 'stepId'],
  'layers-invalid': ['protocolId', 'stepId'],
  'block-unknown': [],
  'block-cyclic': [],
  'gloves-missing': ['field'],
  'removal-not-by-piece': ['field'],
  /* What does not fit in a protocol */
  'contact-cap-passed': ['protocolId', 'stepId'],
  'contact-cap-near': ['protocolId', 'stepId'],
  'contact-never-ends': ['protocolId', 'stepId'],
  'choice-empty': ['protocolId', 'choiceId'],
  'choice-unused': ['protocolId', 'choiceId'],
  'choice-unmet': ['protocolId', 'choiceId'],
  'choice-gap': ['protocolId', 'choiceId'],
  'endpoint-uncapped': ['protocolId', 'stepId', 'field'],
  'holds-outside-set-up': ['protocolId', 'stepId', 'field'],
  'cap-passed': ['protocolId', 'stepId', 'field'],
  'device-unknown': ['protocolId', 'stepId', 'field'],
  'device-setting-unknown': ['protocolId', 'stepId', 'field'],
  'device-limit': ['protocolId', 'stepId', 'field'],
  'device-share-open': ['protocolId', 'stepId', 'field'],
  'device-zone': ['protocolId', 'stepId', 'field'],
  'device-taken': ['protocolId', 'stepId'],
  'hands-taken': ['protocolId', 'stepId'],
  'zone-covered': ['protocolId', 'stepId'],
  'zone-named-twice': ['protocolId', 'stepId', 'field'],
  'zone-forbidden': ['protocolId', 'stepId', 'field'],
  'zone-not-worked': ['protocolId', 'stepId', 'field'],
  'holds-too-long': ['protocolId', 'stepId', 'field'],
  'moment-too-late': ['protocolId', 'stepId', 'field'],
  'house-rule': ['protocolId', 'stepId'],
  'home-runs-out': ['protocolId', 'field'],
  'question-open': ['protocolId', 'stepId', 'field'],
  'mix-not-ready': ['protocolId', 'stepId'],
  'mix-too-old': ['protocolId', 'stepId'],
  'mixing-uncounted': ['protocolId', 'stepId'],
  'mixing-too-long': ['protocolId', 'stepId'],
  'kit-not-enough': ['protocolId', 'stepId', 'field'],
  'batch-just-over': ['protocolId', 'stepId'],
  'layer-question-open': ['protocolId', 'layerGroupId', 'field'],
  'material-archived': ['protocolId', 'stepId', 'field'],
  'care-combination': ['protocolId', 'stepId'],
  /* The week */
  'hours-missing': ['settings', 'field'],
  'roster-missing': ['settings', 'field'],
  'twice-at-once': ['personId', 'field'],
  'room-kind-missing': ['serviceId', 'field'],
  'nobody-on-roster': ['serviceId', 'field'],
  'device-none': ['serviceId', 'deviceId'],
  'demand-not-in-order': ['serviceId', 'field'],
  'demand-beyond-limit': ['field'],
  'week-unsolved': [],
  /* Cost and price */
  'pack-empty': ['field'],
  'containers-missing': ['field'],
  'residual-invalid': ['field'],
  'discount-invalid': ['field'],
  'price-negative': ['field'],
  'laundry-invalid': ['field'],
  'pay-missing': ['field'],
  'paid-hours-missing': ['personId', 'field'],
  'nobody-trained': ['serviceId', 'field'],
  'bookable-share-invalid': ['settings', 'field'],
  'rooms-missing': ['settings', 'field'],
  'room-never-booked': ['settings', 'field'],
  'kinds-missing': [],
  'fees-too-high': ['field'],
  'price-missing': [],
  'own-price-missing': ['field'],
  'price-base-missing': ['field'],
  'ending-impossible': ['settings', 'field'],
  'package-too-small': ['offerId', 'field'],
  'course-without-visits': ['offerId', 'field'],
  'service-unknown': ['offerId'],
  'discount-too-high': ['offerId', 'field'],
  'setting-invalid': ['settings', 'field'],
  'scenario-gone': [],
  /* Stock and orders */
  'supplier-unknown': ['materialId', 'field'],
  'service-level-invalid': ['settings', 'field'],
  'holding-free': ['field'],
  'pack-missing': ['materialId', 'field'],
  'packs-not-whole': ['field'],
  'too-much': ['field'],
  'not-a-moment': ['materialId', 'field'],
  'not-a-day': ['materialId', 'field'],
  'in-the-future': ['materialId', 'field'],
  'before-delivery': ['materialId', 'field'],
  'expired-on-arrival': ['materialId', 'field'],
  'lot-unknown': ['materialId', 'field'],
  'container-unknown': ['materialId', 'field'],
  'stock-short': ['materialId', 'field'],
  'nothing-sealed': ['materialId', 'field'],
  'taken-since': ['materialId', 'field'],
  'quantity-missing': ['materialId', 'field'],
  'too-many-openings': ['materialId', 'field'],
  'reason-missing': ['materialId', 'field'],
  'count-below-nothing': ['materialId', 'field'],
  'counted-twice': ['materialId', 'field'],
  'nothing-counted': ['materialId', 'field'],
  'entry-unknown': ['materialId', 'field'],
  'taken-back-already': ['materialId', 'field'],
  'correction-of-correction': ['materialId', 'field'],
  'order-not-draft': ['orderId', 'field'],
  'order-empty': ['orderId', 'field'],
  'too-few-packs': ['orderId', 'lineId', 'field'],
  'order-too-small': ['orderId', 'field'],
  'order-not-under-way': ['orderId', 'field'],
  'order-line-unknown': ['orderId', 'lineId', 'field'],
  'more-than-ordered': ['orderId', 'lineId', 'field'],
  'too-many-parts': ['orderId', 'lineId', 'field'],
  'nothing-received': ['orderId', 'field'],
} as const satisfies Readonly<Record<string, readonly (keyof Where)[]>>;

export type ProblemCode = keyof typeof PROBLEMS;

type Named<C extends ProblemCode> = (typeof PROBLEMS)[C][number];

/** The place of a fault, with all that its code speaks of. */
export type About<C extends ProblemCode> = Where & {
  readonly [K in Named<C>]-?: NonNullable<Where[K]>;
};

/** The codes that speak of nothing but these. */
export type CodeAbout<K extends keyof Where> = {
  readonly [C in ProblemCode]: Named<C> extends K ? C : never;
}[ProblemCode];

type ProblemOf<C extends ProblemCode> = {
  readonly code: C;
  readonly message: string;
  readonly where: About<C>;
};

/**
 * A fault as a value: what is wrong in words a therapist uses, and where. Never thrown, never a NaN,
 * never a silent zero.
 */
export type Problem = { readonly [C in ProblemCode]: ProblemOf<C> }[ProblemCode];

/**
 * A fault, with all that its code speaks of.
 * @example problem('mix-cyclic', 'A mix cannot contain itself.', { mixId: 'm' }).where // { mixId: 'm' }
 */
export function problem<C extends ProblemCode>(code: C, message: string, where: About<C>): Problem {
  return { code, message, where } as unknown as Problem;
}

/** Either a value or the reasons why there is none. */
export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly Problem[] };

/** An outcome that holds `value`. */
export function ok<T>(value: T): Outcome<T> {
  return { ok: true, value };
}

/** An outcome without a value, for one reason. */
export function fail<C extends ProblemCode>(
  code: C,
  message: string,
  where: About<C>,
): Outcome<never> {
  return { ok: false, problems: [problem(code, message, where)] };
}

/** An outcome without a value, for the reasons already found elsewhere. */
export function failWith(problems: readonly Problem[]): Outcome<never> {
  return { ok: false, problems };
}

/** All values in order, or every problem of every one that failed. */
export function collect<T>(outcomes: readonly Outcome<T>[]): Outcome<T[]> {
  const values: T[] = [];
  const problems: Problem[] = [];
  for (const outcome of outcomes) {
    if (outcome.ok) values.push(outcome.value);
    else problems.push(...outcome.problems);
  }
  return problems.length > 0 ? failWith(problems) : ok(values);
}

/** A fault with its place filled in further by a caller that knows more. */
export function placedAt<P extends Problem>(found: P, where: Where): P {
  return { ...found, where: { ...where, ...found.where } };
}

/** `outcome` with the place of each of its problems filled in further. */
export function placeOutcome<T>(outcome: Outcome<T>, where: Where): Outcome<T> {
  return outcome.ok ? outcome : failWith(outcome.problems.map((each) => placedAt(each, where)));
}
