/*
 * What is so in the demo house, beside what is written: its log is made of it, and the lessons must find it.
 */

/** A step that takes other minutes than written. */
interface OtherMinutes {
  readonly protocolId: string;
  readonly stepId: string;
  /** longer (above 0) or shorter */
  readonly by: number;
}

/** Somebody's dose, or everybody's since a day, that is another amount. */
interface OtherAmount {
  readonly protocolId: string;
  readonly stepId: string;
  readonly materialId: string;
  readonly factor: number;
  readonly personId?: string;
  /** ISO date */
  readonly since?: string;
}

export const TRUTHS = {
  /** the clay mask is taken off a minute early; talking before acids takes its time */
  minutes: [
    { protocolId: 'black-sand-clay-facial', stepId: 'mask', by: -1.2 },
    { protocolId: 'layered-fruit-acid', stepId: 'consult', by: 3 },
  ] as readonly OtherMinutes[],
  /** Mateo has a heavy hand with the oil; since the new spatulas everybody takes more aloe */
  amounts: [
    {
      protocolId: 'pumice-body-polish',
      stepId: 'oil',
      materialId: 'night-jasmine-oil',
      factor: 1.3,
      personId: 'mateo',
    },
    {
      protocolId: 'layered-fruit-acid',
      stepId: 'calm',
      materialId: 'aloe-gel',
      factor: 1.25,
      since: '2026-10-27',
    },
  ] as readonly OtherAmount[],
  /** the new pump of the cleansing milk gives more */
  pump: { materialId: 'prickly-pear-milk', since: '2026-10-20', factor: 1.22 },
  /** the polish runs over on Fridays, when guests stay for tea */
  slot: { serviceId: 'body-polish', weekday: 5, factor: 1.13 },
  /** few of those who come for the enzyme need extractions */
  ifNeeded: { protocolId: 'fig-enzyme-steam', stepId: 'extractions', share: 0.2 },
  /** guests and hands differ more than the house thinks */
  pace: 0.1,
} as const;
