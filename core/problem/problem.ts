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
}

/** Everything that `core` can find wrong. */
export type ProblemCode =
  | 'amount-invalid'
  | 'minutes-invalid'
  | 'density-missing'
  | 'measure-missing'
  | 'unit-mismatch'
  | 'pack-missing'
  | 'pack-invalid'
  | 'single-dose-needed'
  | 'zones-missing'
  | 'zone-unknown'
  | 'material-unknown'
  | 'mix-unknown'
  | 'mix-cyclic'
  | 'mix-empty'
  | 'protocol-unknown'
  | 'protocol-empty'
  | 'step-unknown'
  | 'meanwhile-nested'
  | 'layers-invalid'
  | 'contact-cap-passed'
  | 'block-unknown'
  | 'block-cyclic'
  | 'choice-invalid'
  | 'choice-unmet'
  | 'choice-gap'
  | 'endpoint-uncapped'
  | 'device-unknown'
  | 'device-limit'
  | 'device-zone'
  | 'device-taken'
  | 'hands-taken'
  | 'zone-covered'
  | 'zones-overlap'
  | 'mix-not-ready'
  | 'mix-too-old'
  | 'gloves-missing'
  | 'score-invalid'
  | 'material-archived'
  | 'care-combination'
  | 'line-invalid'
  | 'edition-unknown'
  | 'pay-missing'
  | 'rooms-missing'
  | 'setting-invalid'
  | 'fees-too-high'
  | 'price-missing'
  | 'ending-impossible'
  | 'supplier-unknown'
  | 'stock-invalid'
  | 'measure-invalid'
  | 'day-invalid'
  | 'lot-unknown'
  | 'stock-short'
  | 'entry-invalid'
  | 'list-invalid'
  | 'scenario-gone'
  | 'offer-invalid'
  | 'order-invalid'
  | 'calendar-invalid';

/**
 * A fault as a value: what is wrong in words a therapist uses, and where. Never thrown, never a NaN,
 * never a silent zero.
 */
export interface Problem {
  readonly code: ProblemCode;
  readonly message: string;
  readonly where: Where;
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
export function fail(code: ProblemCode, message: string, where: Where): Outcome<never> {
  return { ok: false, problems: [{ code, message, where }] };
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

/** `problem` with its place filled in further by a caller that knows more. */
export function placedAt(problem: Problem, where: Where): Problem {
  return { ...problem, where: { ...where, ...problem.where } };
}

/** `outcome` with the place of each of its problems filled in further. */
export function placeOutcome<T>(outcome: Outcome<T>, where: Where): Outcome<T> {
  return outcome.ok ? outcome : failWith(outcome.problems.map((p) => placedAt(p, where)));
}
