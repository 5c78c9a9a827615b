import {
  STRETCHED_WORDS,
  TECHNIQUE_LISTS,
  UPRIGHT_WORDS,
  type Technique,
} from '../house/technique';
import { Phrases } from './vocabulary';

/** How the hands work, as it is said. */
export const TECHNIQUE_WORDS = new Phrases<Technique>();
for (const [list, values] of Object.entries(TECHNIQUE_LISTS)) {
  for (const [value, words] of Object.entries(values)) {
    TECHNIQUE_WORDS.add(words, { [list]: value });
  }
}
TECHNIQUE_WORDS.add(STRETCHED_WORDS, { stretched: true });
TECHNIQUE_WORDS.add('skin stretched', { stretched: true }, STRETCHED_WORDS);
TECHNIQUE_WORDS.add('stretching the skin', { stretched: true }, STRETCHED_WORDS);
TECHNIQUE_WORDS.add(UPRIGHT_WORDS, { upright: true });
TECHNIQUE_WORDS.add('upright', { upright: true }, UPRIGHT_WORDS);
for (const [word, technique, written] of [
  ['circles', { movement: 'circles' }, 'in circles'],
  ['circling', { movement: 'circles' }, 'in circles'],
  ['strokes', { movement: 'strokes' }, 'in strokes'],
  ['stroking', { movement: 'strokes' }, 'in strokes'],
  ['press', { movement: 'pressing' }, 'pressing'],
  ['pat', { movement: 'patting' }, 'patting'],
  ['knead', { movement: 'kneading' }, 'kneading'],
  ['stamp', { movement: 'stamping' }, 'stamping'],
  ['roll', { movement: 'rolling' }, 'rolling'],
  ['tap', { movement: 'tapping' }, 'tapping'],
  ['light', { pressure: 'light' }, 'light pressure'],
  ['lightest', { pressure: 'lightest' }, 'barely touching'],
  ['lightest pressure', { pressure: 'lightest' }, 'barely touching'],
  ['medium', { pressure: 'medium' }, 'medium pressure'],
  ['firm', { pressure: 'firm' }, 'firm pressure'],
  ['without pressure', { pressure: 'none' }, 'no pressure'],
  ['up', { direction: 'up' }, 'upwards'],
  ['to the heart', { direction: 'to-heart' }, 'towards the heart'],
] as const satisfies readonly (readonly [string, Technique, string])[]) {
  TECHNIQUE_WORDS.add(word, technique, written);
}

/** What is counted of a movement: `ten presses`. */
export const COUNTED_MOVEMENTS = new Phrases<Technique>();
for (const [word, movement] of [
  ['press', 'pressing'],
  ['presses', 'pressing'],
  ['circles', 'circles'],
  ['strokes', 'strokes'],
  ['pats', 'patting'],
  ['stamps', 'stamping'],
  ['taps', 'tapping'],
] as const) {
  COUNTED_MOVEMENTS.add(word, { movement });
}
