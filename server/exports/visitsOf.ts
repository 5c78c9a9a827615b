import type { LogbookEntry, LogbookPlan, LogbookVisit } from '@bienestar/core/house/logbook';

/** The visits of a logbook one after the other, each with what it was to be. */
export async function* visitsOf(
  entries: AsyncIterable<readonly LogbookEntry[]>,
  planPages: AsyncIterable<readonly LogbookPlan[]>,
): AsyncGenerator<LogbookVisit> {
  const plans = new Map<string, LogbookPlan>();
  for await (const page of planPages) for (const plan of page) plans.set(plan.id, plan);
  for await (const page of entries) {
    for (const entry of page) {
      const plan = plans.get(entry.planId);
      if (plan) yield { plan, entry };
    }
  }
}
