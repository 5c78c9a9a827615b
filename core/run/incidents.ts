import type { RunEventId, RunId } from '../house/ids';
import type { RunEvent, RunLogEntry } from '../house/run';

type Reported = Extract<RunEvent, { readonly kind: 'incident' }>;

/** Something that went wrong, and how it went on. */
export interface Incident extends Pick<Reported, 'id' | 'at' | 'seen' | 'done' | 'words'> {
  /** ISO date on which somebody asks how it is; nothing when that was done last */
  readonly followUpOn?: string;
  readonly followUps: readonly { readonly at: string; readonly words: string }[];
}

/** What went wrong among events, the first in front, each with what was asked and said later. */
export function incidentsIn(events: readonly RunEvent[]): Incident[] {
  const reported = new Map<RunEventId, Reported>();
  for (const event of events) if (event.kind === 'incident') reported.set(event.id, event);
  return [...reported.values()].map(({ id, at, seen, done, words, followUpOn }) => {
    const followUps = new Map<RunEventId, { readonly at: string; readonly words: string }>();
    for (const event of events) {
      if (event.kind === 'followed-up' && event.incident === id)
        followUps.set(event.id, { at: event.at, words: event.words });
    }
    const isOpen = followUpOn !== undefined && followUps.size === 0;
    return {
      id,
      at,
      seen,
      done,
      words,
      ...(isOpen && { followUpOn }),
      followUps: [...followUps.values()],
    };
  });
}

/** An incident that somebody still has to ask after. */
export interface ToFollowUp {
  readonly runId: RunId;
  readonly incident: Incident;
  readonly on: string;
}

/** What still is to be asked after, the earliest day in front. */
export function toFollowUp(events: readonly RunLogEntry[]): ToFollowUp[] {
  const runOf = new Map(events.map(({ id, runId }) => [id, runId]));
  return incidentsIn(events)
    .flatMap((incident): ToFollowUp[] => {
      const runId = runOf.get(incident.id);
      const { followUpOn: on } = incident;
      return runId && on !== undefined ? [{ runId, incident, on }] : [];
    })
    .toSorted((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}
