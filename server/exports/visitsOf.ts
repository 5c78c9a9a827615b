import type { LogbookVisit } from '@bienestar/core/house/logbook';
import type { HouseArchive } from '@bienestar/core/house/archive';

/** What visits are read from, page by page. */
export type LogbookSource = {
  readonly [L in 'logbook' | 'logbookPlans' | 'treatments']: () => AsyncIterable<HouseArchive[L]>;
};

/** A visit of the logbook, and when it was taken back, if it was. */
interface VisitNow {
  readonly visit: LogbookVisit;
  readonly takenBackAt?: string;
}

/** The visits of a logbook one after the other, each with what it was to be. */
export async function* visitsOf({
  logbook,
  logbookPlans,
  treatments,
}: LogbookSource): AsyncGenerator<VisitNow> {
  const plans = new Map<string, LogbookVisit['plan']>();
  for await (const page of logbookPlans()) for (const plan of page) plans.set(plan.id, plan);
  const takenBack = new Map<string, string>();
  for await (const page of treatments()) {
    for (const { id, takenBackAt } of page) {
      if (takenBackAt !== undefined) takenBack.set(id, takenBackAt);
    }
  }
  for await (const page of logbook()) {
    for (const entry of page) {
      const plan = plans.get(entry.planId);
      const takenBackAt = takenBack.get(entry.id);
      if (plan) yield { visit: { plan, entry }, ...(takenBackAt !== undefined && { takenBackAt }) };
    }
  }
}
