import { expose } from 'comlink';
import { API } from '@bienestar/contract/api';
import { type LogbookPage } from '@bienestar/contract/happened';
import type { House } from '@bienestar/core/house/house';
import type { LogbookPlan, LogbookVisit } from '@bienestar/core/house/logbook';
import { effectOf, type LessonEffect } from '@bienestar/core/learn/effect';
import { foresightOf, type Foresight } from '@bienestar/core/learn/foresight';
import type { Lesson } from '@bienestar/core/learn/lesson';
import { lessonsOf } from '@bienestar/core/learn/lessonsOf';
import { takenAlong, type TakenAlong } from '@bienestar/core/learn/takenAlong';
import { logbookRows, type LogbookRow } from '@bienestar/core/logbook/logbookRows';
import { toldFirst } from './toldFirst';

/** Visits of the first page, which is shown at once, and of those that follow. */
const FIRST = 200;
const THEN = 2_000;

/** Visits that were performed after all, the newest first. */
let visits: readonly LogbookVisit[] = [];

/** Some lines of the logbook as they are read, and how many there are in all. */
export type TakeRows = (rows: readonly LogbookRow[], all: number) => Promise<void>;

/** Reads the logbook and learns from it, away from the page. */
const logbook = {
  /** Reads all of it, page by page, and passes its lines on as they come. */
  read: async (house: House, take: TakeRows): Promise<void> => {
    const rowOf = logbookRows(house);
    const plans = new Map<string, LogbookPlan>();
    const read: LogbookVisit[] = [];
    let before: number | undefined;
    do {
      const most = before === undefined ? FIRST : THEN;
      const page = await pageOf(most, before);
      for (const plan of page.plans) if (!plans.has(plan.id)) plans.set(plan.id, plan);
      const rows = page.entries.flatMap(({ takenBackAt, ...entry }): LogbookRow[] => {
        const plan = plans.get(entry.planId);
        if (!plan) return [];
        const visit = { plan, entry };
        if (takenBackAt === undefined) read.push(visit);
        return [rowOf(visit, takenBackAt)];
      });
      /* Waited for: what comes late must not stand over what is whole. */
      await take(rows, page.all);
      before = page.next;
    } while (before !== undefined);
    visits = read;
  },

  teach: (house: House, onProgress: (done: number) => void): Promise<readonly Lesson[]> =>
    toldFirst(onProgress, (tell) => lessonsOf(visits, house, tell)),

  effect: (house: House, lesson: Lesson, now: string): LessonEffect =>
    effectOf(house, lesson, new Date(now)),

  foresee: (last: number): Foresight => foresightOf(visits.slice(0, last)),

  along: (house: House): readonly TakenAlong[] => takenAlong(visits, house),
};

async function pageOf(most: number, before: number | undefined): Promise<LogbookPage> {
  const from = before === undefined ? '' : `&before=${before}`;
  const response = await fetch(`${API}/logbook?most=${most}${from}`);
  if (!response.ok) throw new Error(`The logbook could not be read: ${response.status}.`);
  return (await response.json()) as LogbookPage;
}

export type LogbookWorker = typeof logbook;
expose(logbook);
