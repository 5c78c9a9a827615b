import type { Writing } from '@bienestar/core/house/house';
import type { StepId } from '@bienestar/core/house/ids';
import { isStep } from '@bienestar/core/house/protocol';
import { excerptOf, type Excerpt } from '@bienestar/core/protocol/severalSteps';
import type { Vocabulary } from '@bienestar/core/stepLine/vocabulary';
import { aroundStep, writeStepLine } from '@bienestar/core/stepLine/writeStepLine';

const KEY = 'bienestar.steps';

/** Steps that were copied, with the lines that say them for other programs. */
interface Copied {
  readonly text: string;
  readonly excerpt: Excerpt;
}

/** Copies steps: whole for other protocols, as lines for other programs. */
export function copySteps(writing: Writing, ids: ReadonlySet<StepId>, words: Vocabulary): void {
  const excerpt = excerptOf(writing, ids);
  const text = excerpt.steps
    .map((line) =>
      isStep(line)
        ? writeStepLine(line, words, {
            beside: line.meanwhileOf !== undefined,
            ...aroundStep(writing, line),
          })
        : line.name,
    )
    .join('\n');
  localStorage.setItem(KEY, JSON.stringify({ text, excerpt } satisfies Copied));
  if ('clipboard' in navigator) void navigator.clipboard.writeText(text).catch(() => undefined);
}

/** What was copied last: steps as they were, or the lines of another program. */
export async function stepsToPaste(): Promise<Excerpt | string | undefined> {
  const kept = localStorage.getItem(KEY);
  const copied = kept === null ? undefined : (JSON.parse(kept) as Copied);
  const text =
    'clipboard' in navigator
      ? await navigator.clipboard.readText().catch(() => undefined)
      : undefined;
  if (text !== undefined && text.trim() !== '' && text !== copied?.text) return text;
  return copied?.excerpt;
}
