import { describe, expect, it } from 'vitest';
import { runCommand, type Ran } from './testing/runCommand';

const DEMO = 'demo/casa-cenera.house.json';

const card = (...words: string[]): Promise<Ran> => runCommand('card', words);

describe('a card on the command line', () => {
  it('is what is done for one client, with amounts as they were said, and the tray', async () => {
    const { code, out, err } = await card(DEMO, 'black-sand-clay-facial');
    expect([code, err]).toEqual([0, '']);
    expect(out).toContain('3. First cleanse [#] 4–6 min guest 7, room 12');
    expect(out).toContain('2–4 pumps Prickly-pear cleansing milk (2.9–6.9 ml)');
    expect(out).toMatch(/TRAY[\s\S]*5 pieces Face towel\n {5}Rinse 2 pieces, Take the mask off 3/u);
  });

  it('is another for another client, and has all branches for everybody', async () => {
    const [dry, oily, all] = await Promise.all([
      card(DEMO, 'prickly-pear-calm', '--skin', 'dry'),
      card(DEMO, 'prickly-pear-calm', '--skin', 'oily'),
      card(DEMO, 'prickly-pear-calm', '--for-everybody'),
    ]);
    expect(dry.out).toContain('dry skin');
    expect(dry.out).not.toBe(oily.out.replace('oily skin', 'dry skin'));
    expect(all.out).toContain('for everybody');
    expect(all.out).toContain('only for');
  });

  it.each([
    [[DEMO, 'moon-facial'], /There is no protocol “moon-facial”/],
    [[DEMO, 'prickly-pear-calm', '--skin', 'blue'], /--skin is one of: normal, dry/],
    [['package.json', 'x'], /\/format/],
    [['nothing.json', 'x'], /nothing\.json/],
    [[], /Name a house file and a protocol/],
  ])('ends with 1 and the reason for %j', async (words, reason) => {
    const { code, err } = await card(...words);
    expect(code).toBe(1);
    expect(err).toMatch(reason);
  });
});
