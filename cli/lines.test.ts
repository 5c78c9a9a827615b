import { expect, it } from 'vitest';
import { runCommand, type Ran } from './testing/runCommand';

const lines = (file: string, said: string): Promise<Ran> => runCommand('lines', [file], said);

it('says what each line becomes, and what is asked about it', async () => {
  const said = [
    'Set-up:',
    'prepare "Lay out" 4 min',
    'Visit:',
    'cleanse 2–4 pumps cleansing milk on face, neck 2-3 min then warm towel',
    '+ massage "Hands" 1/2 min for oily skin',
    'mask 2/3 pumps cleansing milk',
    'tone 3 ml of moonlight',
    'Reset:',
    'clean 5 min',
  ].join('\n');
  const { code, out, err } = await lines('demo/casa-cenera.house.json', said);
  expect([code, err]).toEqual([0, '']);
  expect(JSON.parse(out)).toMatchObject([
    { name: 'Lay out', stretch: 'set-up', meanwhile: false, minutes: { usual: 4 } },
    {
      name: 'Cleanse',
      stretch: 'visit',
      minutes: { least: 2, usual: 2.5, most: 3 },
      hands: 'hands-on',
      zones: ['face', 'neck-front'],
      doses: [
        {
          materialId: 'prickly-pear-milk',
          said: '2–4 pumps cleansing milk',
          unit: 'pump',
          low: 2,
          usual: 3,
          high: 4,
        },
      ],
      questions: [],
      notUnderstood: [],
    },
    { name: 'Hands', meanwhile: true, minutes: { usual: 0.5 }, for: ['oily skin'] },
    { name: 'Mask', doses: [], questions: [expect.stringMatching(/^2\/3: Is 2\/3 a part/)] },
    { name: 'Tone', doses: [], notUnderstood: [expect.stringMatching(/^moonlight: Nothing/)] },
    { name: 'Clean', stretch: 'reset' },
  ]);
});

it('ends with 1 and what is wrong with the file', async () => {
  const { code, err } = await lines('package.json', 'cleanse');
  expect(code).toBe(1);
  expect(err).toContain('/format');
});
