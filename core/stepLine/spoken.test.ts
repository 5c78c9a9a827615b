import { describe, expect, it } from 'vitest';
import type { Amount, Material } from '../house/house';
import { asId } from '../house/ids';
import { bought, cleanser, mix, sachet } from '../testing/sample';
import { zoneName } from '../zone/zoneNames';
import { joinedWords } from './conditions';
import { parseStepLine } from './parseStepLine';
import { vocabularyOf } from './vocabulary';

/* Lines as they are said in treatment rooms, and what each must become. */

const named = (name: string, changes: Partial<Material> = {}): Material =>
  ({ ...cleanser({ id: asId(name), name }), ...changes }) as Material;
const pieces = (name: string): Material => ({
  id: asId(name),
  kind: 'consumable',
  countedPer: 'client',
  name,
  unit: 'piece',
  measures: {},
  ...bought({}),
});
const words = vocabularyOf({
  materials: [
    named('Fennel cleansing milk'),
    named('Sage tonic'),
    named('Sealing mask', { measures: { coats: [{ name: 'seal', usual: 60 }] } }),
    named('Sea salt polish'),
    named('Marigold oil', { measures: { named: [{ name: 'coin', usual: 1.8, unit: 'ml' }] } }),
    sachet({ id: asId('Kelp powder'), name: 'Kelp powder' }),
    pieces('Cotton pad'),
    pieces('Hand towel'),
  ],
  mixes: [mix({ id: asId('Kelp paste'), name: 'Kelp paste' })],
  devices: [],
  protocols: [],
});

const amountWords = (amount: Amount): string => {
  if (amount.how === 'coat') return `${amount.coat} coat`;
  if (amount.how === 'all' || amount.how === 'rest') return amount.how;
  const { low, usual, high } = amount.how === 'coat-weight' ? amount.mgPerCm2 : amount.quantity;
  const number = low === high ? String(usual) : `${low}..${usual}..${high}`;
  switch (amount.how) {
    case 'measured':
      return `${number} ${amount.unit}`;
    case 'counted':
      return `${number} ${amount.measure}`;
    case 'named':
      return `${number} ${amount.name}`;
    case 'packs':
    case 'batches':
    case 'fingertip':
    case 'coat-weight':
      return `${number} ${amount.how}`;
  }
};
const rounded = (value: number): number => Math.round(value * 1e6) / 1e6;

/** What a line became, short. */
function became(line: string): string {
  const { said, beside, faults } = parseStepLine(line, words);
  const { minutes } = said;
  return [
    beside ? '+' : '',
    said.name ?? said.action ?? '',
    minutes &&
      [...new Set([minutes.least, minutes.usual, minutes.most])].map(rounded).join('..') + ' min',
    ...said.doses.map(
      ({ amount, source }) =>
        `${amountWords(amount)} ${source.kind === 'material' ? source.materialId : source.mixId}`,
    ),
    said.zones && `on ${said.zones.map(zoneName).join('+')}`,
    said.for && joinedWords(said.for),
    said.optional && `if needed${said.optional.if && `: ${said.optional.if}`}`,
    said.capMinutes !== undefined && `cap ${rounded(said.capMinutes)}`,
    ...faults.map(({ message }) => `? ${message}`),
  ]
    .filter(Boolean)
    .join(' | ');
}

describe('a line as it is said', () => {
  it.each([
    /* whole amounts of every school */
    ['cleanse 3 pumps cleansing milk', 'cleanse | 3 pump Fennel cleansing milk'],
    ['cleanse 2-4 pumps fennel milk', 'cleanse | 2..3..4 pump Fennel cleansing milk'],
    ['cleanse 2 to 4 pumps of milk', 'cleanse | 2..3..4 pump Fennel cleansing milk'],
    ['cleanse 2 or 3 pumps milk', 'cleanse | 2..2.5..3 pump Fennel cleansing milk'],
    ['tone 6 drops sage tonic', 'tone | 6 drop Sage tonic'],
    ['tone two sprays sage tonic', 'tone | 2 spray Sage tonic'],
    ['mix 1 sachet kelp powder', 'mix | 1 packs Kelp powder'],
    ['mix a sachet of kelp powder', 'mix | 1 packs Kelp powder'],
    ['massage 1 coin marigold oil', 'massage | 1 coin Marigold oil'],
    ['massage 1 ftu marigold oil', 'massage | 1 fingertip Marigold oil'],
    ['mask thin coat of sealing mask on face', 'mask | thin coat Sealing mask | on face'],
    ['mask seal coat sealing mask on face', 'mask | seal coat Sealing mask | on face'],
    ['tone 2 cotton pads', 'tone | 2 piece Cotton pad'],
    ['polish 10 g sea salt polish', 'polish | 10 g Sea salt polish'],
    ['mask 4,5 g kelp paste', 'mask | 4.5 g Kelp paste'],
    ['mask all of the kelp paste on face', 'mask | all Kelp paste | on face'],
    ['mask the rest of kelp paste', 'mask | rest Kelp paste'],
    ['massage all of the back 5 min', 'Massage all of the back | 5 min'],
    /* parts */
    ['massage 1/4 tsp marigold oil', 'massage | 0.25 tsp Marigold oil'],
    ['polish 1/4 fl oz sea salt polish', 'polish | 0.25 us-fl-oz Sea salt polish'],
    ['polish 1/8-1/4 fl oz polish', 'polish | 0.125..0.1875..0.25 us-fl-oz Sea salt polish'],
    ['polish 1 1/2 tbsp polish', 'polish | 1.5 tbsp Sea salt polish'],
    ['polish 1 1/2 - 2 tbsp polish', 'polish | 1.5..1.75..2 tbsp Sea salt polish'],
    ['polish 1-1 1/2 tbsp polish', 'polish | 1..1.25..1.5 tbsp Sea salt polish'],
    ['cleanse ½ pump milk', 'cleanse | 0.5 pump Fennel cleansing milk'],
    ['cleanse 1½ pumps milk', 'cleanse | 1.5 pump Fennel cleansing milk'],
    ['cleanse 2 ½ pumps milk', 'cleanse | 2.5 pump Fennel cleansing milk'],
    ['cleanse 1/2 pump milk', 'cleanse | 0.5 pump Fennel cleansing milk'],
    ['mix half a sachet kelp powder', 'mix | 0.5 packs Kelp powder'],
    ['mix 3/4 sachet kelp powder', 'mix | 0.75 packs Kelp powder'],
    ['polish 2/3 tbsp polish', 'polish | 0.666667 tbsp Sea salt polish'],
    ['polish ¼–½ oz polish', 'polish | 0.25..0.375..0.5 oz Sea salt polish'],
    /* slashes: low, usual and high, or a question */
    ['polish 1/2/3 ml polish', 'polish | 1..2..3 ml Sea salt polish'],
    ['polish 1/1.5/2 ml polish', 'polish | 1..1.5..2 ml Sea salt polish'],
    ['polish 2 / 4 ml polish', 'polish | 2..3..4 ml Sea salt polish'],
    [
      'cleanse 2/3 pumps milk',
      'cleanse | ? Is 2/3 a part of one, or from 2 to 3? Write 0.667 or 2-3.',
    ],
    ['polish 2/4 g polish', 'polish | ? Is 2/4 a part of one, or from 2 to 4? Write 0.5 or 2-4.'],
    [
      'polish 5/7 tsp polish',
      'polish | ? Is 5/7 a part of one, or from 5 to 7? Write 0.714 or 5-7.',
    ],
    /* thousands */
    ['wash 1.500 ml sage tonic', 'wash | ? Is 1.500 1500, or 1.5? Write 1500 or 1.50.'],
    ['wash 1,500 ml sage tonic', 'wash | ? Is 1,500 1500, or 1.5? Write 1500 or 1.50.'],
    ["wash 1'500 ml sage tonic", 'wash | 1500 ml Sage tonic'],
    ['wash 1.500,5 ml sage tonic', 'wash | 1500.5 ml Sage tonic'],
    ['wash 0.125 ml sage tonic', 'wash | 0.125 ml Sage tonic'],
    /* minutes */
    ['massage 5 min', 'massage | 5 min'],
    ['massage 2-3 min', 'massage | 2..2.5..3 min'],
    ['massage 2/2.5/4 min', 'massage | 2..2.5..4 min'],
    ['press 1/2 min', 'press | 0.5 min'],
    ['press ½ min', 'press | 0.5 min'],
    ['press half a minute', 'press | 0.5 min'],
    ['press 1 1/2 min', 'press | 1.5 min'],
    ['press 1/2-1 min', 'press | 0.5..0.75..1 min'],
    ['press 30 sec', 'press | 0.5 min'],
    ['press 30 s', 'press | 0.5 min'],
    ['press 30-60 seconds', 'press | 0.5..0.75..1 min'],
    ['press 0:30', 'press | 0.5 min'],
    ['press 1:30 min', 'press | 1.5 min'],
    ['press 1 min 30', 'press | 1.5 min'],
    ['press 1 min 30 sec', 'press | 1.5 min'],
    ['press 1 min 5 sec', `press | ${Math.round((65 / 60) * 1e6) / 1e6} min`],
    [
      'press 5 min 2',
      'press | 5 min | ? Say of what, or whether these are minutes. | ? This is not understood here. Amounts begin with a number; other things with a word such as on, with, then or until.',
    ],
    ['press 1 min 30 on face', 'press | 1.5 min | on face'],
    ['press 1 min 30 g sea salt polish', 'press | 1 min | 30 g Sea salt polish'],
    ['press 1 min 2 cotton pads', 'press | 1 min | 2 piece Cotton pad'],
    ['wrap 1:15', 'wrap | 75 min'],
    ['wrap 1 h 15', 'wrap | 75 min'],
    ['wrap 1 hour', 'wrap | 60 min'],
    ['press 2/3 min', 'press | ? Is 2/3 a part of one, or from 2 to 3? Write 0.667 or 2-3.'],
    ['peel 3 min at most 4 min', 'peel | 3 min | cap 4'],
    ['peel 3 min at most 90 sec', 'peel | 3 min | cap 1.5'],
    /* for whom and when */
    ['massage 5 min for oily skin', 'massage | 5 min | for oily skin'],
    ['massage 5 min for dry and sensitive skin', 'massage | 5 min | for dry, sensitive skin'],
    ['peel 2 min for phototype IV-VI', 'peel | 2 min | for phototype IV, V, VI'],
    ['peel 2 min for phototypes I, II and III', 'peel | 2 min | for phototype I, II, III'],
    ['protect 1 min by day', 'protect | 1 min | by day'],
    ['treat 1 min in the evening', 'treat | 1 min | in the evening'],
    ['test 2 min on the first visit', 'test | 2 min | on the first visit'],
    ['layer 2 min on later visits', 'layer | 2 min | on later visits'],
    ['care 2 min for visible capillaries', 'care | 2 min | for visible capillaries'],
    ['cool 2 min in summer', 'cool | 2 min | in summer'],
    ['extract 5 min if needed', 'extract | 5 min | if needed'],
    ['extract 5 min if "comedones are seen"', 'extract | 5 min | if needed: comedones are seen'],
    ['massage 5 min at the couch', 'massage | 5 min | at the couch'],
    ['peel 2 min by day for oily skin', 'peel | 2 min | by day for oily skin'],
    ['mask rests 5 min for oily skin', 'Mask rests | 5 min | for oily skin'],
    ['prepare for the peel 5 min', 'Prepare for the peel | 5 min'],
    [
      'peel 2 min for redheads',
      'peel | 2 min | ? This is not understood here. Amounts begin with a number; other things with a word such as on, with, then or until.',
    ],
    [
      'peel 2 min for dry skin for oily skin',
      'peel | 2 min | for dry skin | ? The same thing is decided twice: say it in one, such as for dry, mature skin.',
    ],
    /* what would vanish in a name */
    [
      'mask thin seal of sealing mask',
      'mask | ? Is “thin” an amount? Say thin coat of what, or put the name in quotes.',
    ],
    [
      'apply marigold oil 2 min',
      'apply | 2 min | ? How much Marigold oil? Say an amount before it, or put the name in quotes.',
    ],
    [
      'cleanse pumps of milk',
      'cleanse | ? How many pumps of what? Say a number before it, or put the name in quotes.',
    ],
    ['massage "Thin oil" 2 min', 'Thin oil | 2 min'],
    /* beside */
    ['+ massage 5 min', '+ | massage | 5 min'],
  ])('%s', (line, expected) => {
    expect(became(line)).toBe(expected);
  });
});
