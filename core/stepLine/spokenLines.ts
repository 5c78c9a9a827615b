import type { Stretch } from '../house/actions';
import type { Amount, Line, Minutes, Writing } from '../house/house';
import { asId } from '../house/ids';
import { isStep } from '../house/protocol';
import { addedAll, type NewLine } from '../protocol/addSteps';
import { lineToAdd, type NewIds } from './applyLine';
import { joinedWords } from './conditions';
import { parseLines, type LineOfMany } from './parseLines';
import type { Vocabulary } from './vocabulary';

/** An amount of a line, as it was said and as it is counted. */
export interface SpokenDose {
  readonly materialId?: string;
  readonly mixId?: string;
  /** as it was written */
  readonly said: string;
  readonly unit: string;
  readonly low?: number;
  readonly usual?: number;
  readonly high?: number;
  readonly opening: 'fresh' | 'left-over-first';
}

/** A line and the step that it becomes; what is asked or not understood leaves its key out. */
export interface SpokenLine {
  readonly line: string;
  readonly name?: string;
  readonly action?: string;
  readonly stretch: Stretch;
  readonly meanwhile: boolean;
  readonly minutes?: Minutes;
  readonly capMinutes?: number;
  readonly hands?: string;
  readonly by?: string;
  readonly doses: readonly SpokenDose[];
  readonly zones: readonly string[];
  /** for whom and when */
  readonly for: readonly string[];
  readonly questions: readonly string[];
  readonly notUnderstood: readonly string[];
}

const EMPTY: Writing = { steps: [], layerGroups: [], choices: [] };

/**
 * What lines become, one after another in a protocol of their own.
 * @param text lines, with headings or without
 * @example
 * spokenLines('press 1 min 30 for oily skin', words)[0]?.minutes // { least: 1.5, usual: 1.5, most: 1.5 }
 */
export function spokenLines(text: string, words: Vocabulary): readonly SpokenLine[] {
  const ids = counted();
  const lines = parseLines(text, words);
  const added = lines.map((line) => ({ line, what: lineToAdd(line, ids, line.stretch) }));
  const { steps } = addedAll(
    EMPTY,
    added.map(({ what }) => what),
    undefined,
    ids.other,
  );
  return added.map(({ line, what }) => spoken(line, what, steps));
}

function spoken(parsed: LineOfMany, what: NewLine, steps: readonly Line[]): SpokenLine {
  const { said, line, faults, understood, isNameAsked } = parsed;
  const step = steps.find(({ id }) => id === what.line.id);
  const made = step && isStep(step) ? step : undefined;
  const isNamed = !isNameAsked && (said.name ?? said.action) !== undefined;
  const told = (is: 'question' | 'not-understood'): string[] =>
    faults.flatMap((fault) =>
      fault.is === is ? `${line.slice(fault.from, fault.to)}: ${fault.message}` : [],
    );
  return {
    line,
    ...(made && isNamed && { name: made.name }),
    ...(said.action !== undefined && { action: said.action }),
    stretch: step?.stretch ?? 'visit',
    meanwhile: step?.meanwhileOf !== undefined,
    ...(said.minutes && { minutes: said.minutes }),
    ...(said.capMinutes !== undefined && { capMinutes: said.capMinutes }),
    ...(made && { hands: made.hands, by: made.by }),
    doses: said.doses.map(({ source, amount, opening }, at): SpokenDose => {
      const place = understood.find(({ doseAt }) => doseAt === at);
      return {
        ...(source.kind === 'material'
          ? { materialId: source.materialId }
          : { mixId: source.mixId }),
        said: place ? line.slice(place.from, place.to) : '',
        ...amountSaid(amount),
        opening,
      };
    }),
    zones: said.zones ?? [],
    for: [
      ...(said.for ? [joinedWords(said.for).replace(/^for /u, '')] : []),
      ...(said.optional ? [said.optional.if === '' ? 'if needed' : `if ${said.optional.if}`] : []),
    ],
    questions: told('question'),
    notUnderstood: told('not-understood'),
  };
}

function amountSaid(amount: Amount): Pick<SpokenDose, 'unit' | 'low' | 'usual' | 'high'> {
  switch (amount.how) {
    case 'measured':
      return { unit: amount.unit, ...amount.quantity };
    case 'counted':
      return { unit: amount.measure, ...amount.quantity };
    case 'named':
      return { unit: amount.name, ...amount.quantity };
    case 'batches':
      return { unit: 'batch', ...amount.quantity };
    case 'packs':
      return { unit: 'pack', ...amount.quantity };
    case 'fingertip':
      return { unit: 'fingertip', ...amount.quantity };
    case 'coat-weight':
      return { unit: 'mg/cm2', ...amount.mgPerCm2 };
    case 'coat':
      return { unit: `${amount.coat} coat` };
    case 'all':
      return { unit: 'all of it' };
    case 'rest':
      return { unit: 'the rest' };
  }
}

function counted(): NewIds {
  let made = 0;
  const next = (): string => `line-${(made += 1)}`;
  return { step: () => asId(next()), dose: () => asId(next()), other: next };
}
