import { describe, expect, it } from 'vitest';
import type { Technique } from '../house/technique';
import { ids, read, said } from '../testing/spoken';
import { applyLine } from './applyLine';
import { parseStepLine } from './parseStepLine';
import { vocabularyOf } from './vocabulary';

describe('how the hands work', () => {
  it.each<[string, Technique]>([
    ['massage 5 min light', { pressure: 'light' }],
    ['massage 5 min, barely touching', { pressure: 'lightest' }],
    ['massage 5 min no pressure', { pressure: 'none' }],
    ['massage on face in circles outwards 5 min', { movement: 'circles', direction: 'out' }],
    ['massage 5 min strokes towards the heart', { movement: 'strokes', direction: 'to-heart' }],
    ['massage on face hold 5 s x3', { hold: { seconds: 5, times: 3 } }],
    ['massage on face hold 5 s three times', { hold: { seconds: 5, times: 3 } }],
    ['massage on face hold 10 sec × 2', { hold: { seconds: 10, times: 2 } }],
    ['massage on face hold 5 s', { hold: { seconds: 5, times: 1 } }],
    [
      'massage on face ten presses 3 s each',
      { movement: 'pressing', hold: { seconds: 3, times: 10 } },
    ],
    [
      'massage on face 10 presses of 3 s',
      { movement: 'pressing', hold: { seconds: 3, times: 10 } },
    ],
    ['massage on face 8 circles, 2 min', { movement: 'circles', hold: { times: 8 } }],
    ['massage on face 2 min twice', { hold: { times: 2 } }],
    [
      'cleanse 2 pumps cleansing milk damp skin wet fingertips tepid',
      {
        skin: 'damp',
        hands: 'wet-fingertips',
        temperature: 'tepid',
      },
    ],
    ['massage 5 min stretching the skin, upright', { stretched: true, upright: true }],
  ])('%s', (line, technique) => {
    expect(said(line).technique ?? {}).toEqual(technique);
  });

  it('is understood beside everything else that a line says', () => {
    const { said: step, faults } = read(
      'tone 2 pumps cleansing milk on left cheek, right cheek, upper lip last, light, hold 5 s x3 then warm towel warm',
    );
    expect(faults).toEqual([]);
    expect(step).toMatchObject({
      zones: ['cheek-left', 'cheek-right', 'upper-lip'],
      last: ['upper-lip'],
      technique: { pressure: 'light', hold: { seconds: 5, times: 3 }, temperature: 'warm' },
      removal: { how: 'warm-towel' },
    });
  });

  it('takes as long as what is held and counted, where no minutes are said', () => {
    const minutes = (line: string) => applyLine(said(line), undefined, ids).minutes.usual;
    expect(minutes('massage on face ten presses 3 s each')).toBeCloseTo(0.5, 9);
    expect(minutes('massage on face ten presses 3 s each 2 min')).toBe(2);
    expect(minutes('massage on face ten presses 5 min')).toBe(5);
  });

  it('goes by a name of the house', () => {
    const words = vocabularyOf({
      materials: [],
      mixes: [],
      devices: [],
      protocols: [],
      settings: {
        techniques: [{ name: 'feather', technique: { movement: 'strokes', pressure: 'lightest' } }],
        ownZones: [{ name: 'laugh lines', zones: ['nose-folds', 'mouth-corners'] }],
      },
    });
    const { said: step, faults } = parseStepLine('massage on laugh lines 2 min feather', words);
    expect(faults).toEqual([]);
    expect(step.technique).toEqual({ movement: 'strokes', pressure: 'lightest' });
    expect(step.zones).toEqual(['nose-folds', 'mouth-corners']);
  });

  it('asks about what is said twice, and about an hour', () => {
    expect(read('massage 5 min light, firm').faults[0]?.message).toContain('said twice');
    expect(read('massage on face hold 1 h').faults[0]?.message).toContain('up to 10 minutes');
  });

  it('does not eat the words of a name, a coat or a removal', () => {
    expect(said('"Light, firm and warm" 2 min')).toMatchObject({ name: 'Light, firm and warm' });
    expect(said('hand massage 2 min')).toMatchObject({ name: 'Hand massage' });
    expect(said('take-off 2 min then cool water').technique).toBeUndefined();
  });
});

describe('where it is otherwise', () => {
  it('is said behind a zone, or before several', () => {
    expect(said('massage on face, cheeks lightly, chin more 3 min')).toMatchObject({
      zones: ['face', 'cheeks', 'chin'],
      lightly: ['cheeks'],
      more: ['chin'],
    });
    expect(said('massage on face lightly on cheeks more on chin last on lips 3 min')).toMatchObject(
      {
        zones: ['face'],
        lightly: ['cheeks'],
        more: ['chin'],
        last: ['lips'],
      },
    );
  });
});
