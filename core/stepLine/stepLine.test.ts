import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Amount } from '../house/house';
import { materials, named, read, said, words } from '../testing/spoken';
import { completionsAt } from './completions';
import { parseLines } from './parseLines';
import { parseStepLine } from './parseStepLine';
import { vocabularyOf } from './vocabulary';

const faultOf = (line: string): string => {
  const [fault] = read(line).faults;
  return fault ? `${line.slice(fault.from, fault.to)} | ${fault.message}` : '';
};

describe('a step as it is said', () => {
  it('reads what is done, how much of what, where, how long and how it comes off', () => {
    expect(said('cleanse 3 pumps cleansing milk on face, neck 2-3 min then warm towel')).toEqual({
      action: 'cleanse',
      doses: [
        {
          source: { kind: 'material', materialId: 'milk' },
          amount: {
            how: 'counted',
            measure: 'pump',
            quantity: { low: 3, usual: 3, high: 3 },
          },
          opening: 'fresh',
        },
      ],
      zones: ['face', 'neck-front'],
      minutes: { least: 2, usual: 2.5, most: 3 },
      removal: { how: 'warm-towel' },
    });
  });

  it.each<[string, Amount]>([
    [
      '2,5 ml distilled water',
      { how: 'measured', unit: 'ml', quantity: { low: 2.5, usual: 2.5, high: 2.5 } },
    ],
    [
      '1/2/4 g pumice polish',
      { how: 'measured', unit: 'g', quantity: { low: 1, usual: 2, high: 4 } },
    ],
    ['5ml water', { how: 'measured', unit: 'ml', quantity: { low: 5, usual: 5, high: 5 } }],
    ['a sachet fig enzyme', { how: 'packs', quantity: { low: 1, usual: 1, high: 1 } }],
    [
      'two pumps of milk',
      { how: 'counted', measure: 'pump', quantity: { low: 2, usual: 2, high: 2 } },
    ],
    ['half sachet of fig enzyme', { how: 'packs', quantity: { low: 0.5, usual: 0.5, high: 0.5 } }],
    ['1 fig enzyme powder', { how: 'packs', quantity: { low: 1, usual: 1, high: 1 } }],
    ['2 cotton pads', { how: 'measured', unit: 'piece', quantity: { low: 2, usual: 2, high: 2 } }],
    [
      '1 almond massage oil',
      { how: 'named', name: 'almond', quantity: { low: 1, usual: 1, high: 1 } },
    ],
    ['thin coat of massage oil', { how: 'coat', coat: 'thin' }],
    ['mask layer massage oil', { how: 'coat', coat: 'mask' }],
    ['90 mg/cm2 polish', { how: 'coat-weight', mgPerCm2: { low: 90, usual: 90, high: 90 } }],
    ['2 ftu milk', { how: 'fingertip', quantity: { low: 2, usual: 2, high: 2 } }],
    [
      '3 g fruit acid blend 20 %',
      { how: 'measured', unit: 'g', quantity: { low: 3, usual: 3, high: 3 } },
    ],
    [
      '4 g clay mask, mixed',
      { how: 'measured', unit: 'g', quantity: { low: 4, usual: 4, high: 4 } },
    ],
  ])('knows every school of dosing: %s', (amount, expected) => {
    expect(said(`mask ${amount}`).doses.map((dose) => dose.amount)).toEqual([expected]);
  });

  it('knows hands, helpers, gloves, what is seen and said, settings by zone, and add-ons', () => {
    expect(
      said(
        '+ needle "Needling" with fine-needle pen (cheeks: depth 0,5, 2 passes; forehead: depth 0.25) running facial steamer until "even pinkness" at most 3 min sterile gloves if "scars are seen" usually left out say "Tell me." because "it heals" watch "bleeding" offer eye sheet by assistant watching makes clay mask, mixed covered never eye contour',
      ),
    ).toMatchObject({
      name: 'Needling',
      device: {
        deviceId: 'pen',
        settings: [
          { zones: ['cheeks'], values: [{ kind: 'depth', value: 0.5 }], passes: 2 },
          { zones: ['forehead'], values: [{ kind: 'depth', value: 0.25 }] },
        ],
      },
      running: ['steamer'],
      until: 'even pinkness',
      capMinutes: 3,
      gloves: 'sterile',
      optional: { usually: 'left-out', if: 'scars are seen' },
      say: 'Tell me.',
      why: 'it heals',
      watch: 'bleeding',
      offers: ['eye-sheet'],
      by: 'assistant',
      hands: 'watching',
      makes: ['clay'],
      covers: true,
      never: ['eye-contour'],
    });
    expect(read('+ massage 5 min').beside).toBe(true);
  });

  it('takes text from a word processor', () => {
    expect(said('massage “Hand massage” 7–9 min say “Lean back”')).toMatchObject({
      name: 'Hand massage',
      minutes: { least: 7, usual: 8, most: 9 },
      say: 'Lean back',
    });
    expect(said('MASSAGE on décolleté 1:15')).toMatchObject({
      zones: ['decollete'],
      minutes: { usual: 75 },
    });
  });

  it.each([
    ['Mask rests 12 min free', { action: 'mask', name: 'Mask rests', hands: 'free' }],
    ['look closely 2 min', { action: 'look', name: 'Look closely' }],
    ['prepare the room 2 cotton pads', { action: 'prepare', name: 'Prepare the room' }],
    ['home care 3-8 min', { phase: 'home-care', name: 'Home care' }],
    ['day cream 1 pump milk', { name: 'Day cream' }],
    ['consult watch allergies, pregnancy', { action: 'consult', watch: 'allergies, pregnancy' }],
    ['mask half pack fig enzyme cap 8', { action: 'mask', capMinutes: 8 }],
    [
      'prepare "Lay out the trolley" 3 min holds 40 min',
      { minutes: { usual: 3 }, holdsMinutes: 40 },
    ],
    ['prepare "Lay out" holds for 1:30', { holdsMinutes: 90 }],
  ])('takes words as they are: %s', (line, expected) => {
    expect(faultOf(line)).toBe('');
    expect(said(line)).toMatchObject(expected);
  });
});

describe('what does not fit', () => {
  it.each([
    ['3 pumps cleansing milk', /^3 \| Begin with what is done/],
    ['cleanse 3 pumps', /\| Say which product/],
    ['prepare 2 min holds', /For how many minutes does it hold/],
    ['prepare 2 min holds 10-20 min', /For how many minutes does it hold/],
    ['prepare 2 min holds 0 min', /For how many minutes does it hold/],
    ['cleanse 3 pumps fig milk', /^fig milk \| Nothing on the shelf is called “fig milk”/],
    ['cleanse 3 pumps old tonic', /^old tonic \| Nothing on the shelf/],
    ['cleanse 2 g oil or', /\| Nothing on the shelf/],
    ['cleanse with hammer', /^hammer \| There is no tool or device called “hammer”/],
    ['cleanse on moon 3 min', /^moon \| There is no zone called “moon”/],
    ['wait until dry', /^until dry \| An endpoint needs a cap/],
    ['wait 5-3 min', /^5-3 min \| Put least, usual and most/],
    ['wait 3 min 4 min', /^4 min \| The minutes are said twice/],
    ['cleanse free watching', /^watching \| It is said twice whose hands/],
    ['cleanse 3 min blah blah', /^blah blah \| This is not understood/],
    ['clense 3 min', /^clense \| Is “cleanse” meant/],
    ['masage "Hands"', /^masage \| Is “massage” meant/],
    ['cleanse then fire', /^then fire \| How does it come off/],
    ['""', /A step needs a name/],
    ['mask 3', /^3 \| Say of what/],
    ['mask 3 pumice polish', /^3 pumice polish \| Say how Pumice polish is measured/],
    ['say hello', /^say \| Begin with what is done/],
    ['cleanse say 3', /^say \| Which words/],
  ])('%s', (line, words_) => {
    expect(faultOf(line)).toMatch(words_);
  });

  it('asks which, where two things have the words', () => {
    const two = vocabularyOf({
      materials: [...materials, named('milk-2', 'Almond cleansing milk')],
      mixes: [],
      devices: [],
      protocols: [],
    });
    const [fault] = parseStepLine('cleanse 3 pumps cleansing milk', two).faults;
    expect(fault?.message).toBe('Which one: Prickly-pear cleansing milk or Almond cleansing milk?');
  });

  it('comes to an end whatever is typed, with every fault inside the line', () => {
    const bits = fc.constantFrom(
      ...'cleanse,3,pumps,min,on,face,with,then,until,at most,(,),:,;,"x,+,-,/,2,5 ml,milk,if,say,#,%'.split(
        ',',
      ),
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(bits).map((each) => each.join(' ')),
        ),
        (line) => {
          for (const { from, to } of read(line).faults) {
            expect(0 <= from && from <= to && to <= line.length).toBe(true);
          }
        },
      ),
    );
  });
});

describe('many lines at once', () => {
  it('become steps in their stretches, what begins with + beside the one before', () => {
    const parsed = parseLines(
      'Set-up:\n1. prepare 4 min\n\nVisit\n• mask 4 g clay mask, mixed on face 12 min\n  + massage on hands 7-9 min\n3 of nothing\nReset:\n- clean 6 min',
      words,
    );
    expect(parsed.map(({ stretch, beside, line }) => [stretch, beside, line])).toEqual([
      ['set-up', false, 'prepare 4 min'],
      ['visit', false, 'mask 4 g clay mask, mixed on face 12 min'],
      ['visit', true, '+ massage on hands 7-9 min'],
      ['visit', false, '3 of nothing'],
      ['reset', false, 'clean 6 min'],
    ]);
    expect(parsed.map(({ faults }) => faults.length > 0)).toEqual([
      false,
      false,
      false,
      true,
      false,
    ]);
  });
});

describe('going on with a line', () => {
  it.each([
    ['cl', 'cleanse'],
    ['cleanse 3 pu', 'pumps'],
    ['cleanse 3 pumps clea', 'Prickly-pear cleansing milk'],
    ['cleanse 3 pumps milk on fa', 'face'],
    ['cleanse 3 pumps milk on face, ne', 'neck front'],
    ['needle with fin', 'Fine-needle pen'],
    ['cleanse then warm', 'warm towel'],
    ['cleanse unt', 'until'],
  ])('%s: offers %s', (line, expected) => {
    expect(completionsAt(line, line.length, words).map(({ words: shown }) => shown)).toContain(
      expected,
    );
  });

  it('puts what is chosen in the place of what was begun', () => {
    const line = 'cleanse 3 pumps clea on face';
    const [first] = completionsAt(line, 'cleanse 3 pumps clea'.length, words);
    expect(first).toMatchObject({ from: 16, to: 20 });
  });
});

describe('what is otherwise for some', () => {
  it('is said once, behind what it is for everybody', () => {
    const line = 'rest 8 min but in the evening 12 min';
    const { understood } = parseStepLine(line, words);
    expect(
      understood.map(({ from, to, as }) => `${as}: ${line.slice(from, to)}`).slice(-4),
    ).toEqual([
      'how long: 8 min',
      'otherwise for some: but',
      'for whom: in the evening',
      'how long: 12 min',
    ]);
  });
});
