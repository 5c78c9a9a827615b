import { Phrases } from './vocabulary';

/** The words with which the parts of a line begin. */
export const CLAUSES = [
  'on',
  'lightly on',
  'more on',
  'last on',
  'never on',
  'with',
  'running',
  'until',
  'at most',
  'hands-on',
  'watching',
  'free',
  'by',
  'then',
  'covered',
  'plain gloves',
  'sterile gloves',
  'makes',
  'holds',
  'if',
  'offer',
  'phase',
  'ask',
  'say',
  'because',
  'watch',
  'note',
  'in the first layer',
  'in the last layer',
  'in all but the last layer',
] as const;
export type Clause = (typeof CLAUSES)[number];

export const CLAUSE_WORDS = new Phrases<Clause>();
for (const clause of CLAUSES) CLAUSE_WORDS.add(clause, clause);
CLAUSE_WORDS.add('lightly', 'lightly on');
CLAUSE_WORDS.add('never', 'never on');
CLAUSE_WORDS.add('using hands', 'hands-on');
CLAUSE_WORDS.add('in the last layer only', 'in the last layer');
CLAUSE_WORDS.add('in the first layer only', 'in the first layer');
CLAUSE_WORDS.add('cap', 'at most');
CLAUSE_WORDS.add('holds for', 'holds');
CLAUSE_WORDS.add('no longer than', 'at most');
