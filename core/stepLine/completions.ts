import { parseStepLine } from './parseStepLine';
import { plainText } from './tokens';
import type { Vocabulary } from './vocabulary';

/** Something with which a line may go on. */
export interface Completion {
  /** as it is written */
  readonly words: string;
  /** the part of the line in whose place it goes */
  readonly from: number;
  readonly to: number;
}

const MOST = 12;

/** What may stand at `at`, given what is written before it; what is begun there comes first. */
export function completionsAt(line: string, at: number, words: Vocabulary): readonly Completion[] {
  const before = plainText(line.slice(0, at));
  const { wanted } = parseStepLine(before, words);
  const found = new Map<string, Completion & { readonly begun: boolean }>();
  for (const { from, typed, phrases } of wanted) {
    const pieces = typed === '' ? [] : typed.split(' ');
    for (const { key, name } of phrases.all()) {
      if (key === typed || !fits(key, pieces)) continue;
      const begun = typed !== '' && key.startsWith(typed);
      const known = found.get(name);
      if (!known || from > known.from) found.set(name, { words: name, from, to: at, begun });
    }
  }
  return [...found.values()]
    .sort((a, b) => Number(b.begun) - Number(a.begun))
    .slice(0, MOST)
    .map(({ words: shown, from, to }) => ({ words: shown, from, to }));
}

/** Every word typed is one of the name's, the last perhaps only its beginning. */
function fits(key: string, typed: readonly string[]): boolean {
  const of = key.split(' ');
  return typed.every((word, at) =>
    of.some((one) => (at === typed.length - 1 ? one.startsWith(word) : one === word)),
  );
}
