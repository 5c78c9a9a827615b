import { describe, expect, it } from 'vitest';
import type { Question } from '../house/question';
import type { Device } from '../house/device';
import type { LayerGroup, Material, Step } from '../house/house';
import { asId } from '../house/ids';
import { device, named, words, takes } from '../testing/reviewed';
import { cleanser, dose, measured, minutes } from '../testing/sample';

describe('what a step says of itself', () => {
  it('keeps an endpoint within its cap', () => {
    expect(
      words({
        steps: [named('peel', { until: 'pinkness', minutes: minutes(1, 2, 4), capMinutes: 3 })],
      })[0],
    ).toMatch(/at most 3 min, so it cannot take 4/);
    expect(words({ steps: [named('peel', { until: 'pinkness' })] })[0]).toMatch(
      /say how long at most/,
    );
  });

  it('holds for later visits in the set-up alone', () => {
    const holds = (stretch: Step['stretch']): string[] =>
      words({ steps: [named('lay out', { stretch, holdsMinutes: 40 }), named('cleanse')] });
    expect(holds('set-up')).toEqual([]);
    expect(holds('visit')[0]).toMatch(/holds-outside-set-up @lay out: .*done anew/);
  });

  it('keeps devices within the limits of the house, and off the zones that are never treated', () => {
    const pass = (value: number, zones: Step['zones'] = ['cheeks']): Step =>
      named('pass', {
        zones,
        device: {
          deviceId: asId('pen'),
          settings: [{ zones, values: [{ kind: 'depth', value }] }],
        },
      });
    const devices = [device()];
    expect(words({ steps: [pass(0.5)], devices })).toEqual([]);
    expect(words({ steps: [pass(2)], devices })[0]).toContain(
      'depth goes from 0.25 to 1.5 mm, not 2',
    );
    expect(words({ steps: [pass(0.5, ['face'])], devices })[0]).toBe(
      'device-zone @pass: Pen is never used on eye contour in this house: leave that out of face.',
    );
    expect(words({ steps: [pass(0.5, ['eye-contour'])], devices })[0]).toContain(
      'is never used on eye contour in this house.',
    );
    expect(words({ steps: [pass(0.5)] })[0]).toContain('no longer in the house');
  });

  it('keeps within limits also where it is otherwise for some, and says it once', () => {
    const zones: Step['zones'] = ['cheeks'];
    const deep = (value: number): Step['device'] => ({
      deviceId: asId('pen'),
      settings: [{ zones, values: [{ kind: 'depth', value }] }],
    });
    const some = (says: NonNullable<Step['otherwise']>[number]['says']) => ({
      option: { choiceId: asId<never>('c'), optionId: asId<never>('o') },
      says,
    });
    const of = (...otherwise: NonNullable<Step['otherwise']>): string[] =>
      words({
        steps: [named('pass', { zones, device: deep(0.5), otherwise })],
        devices: [device()],
      });
    expect(of(some({ device: deep(2) }), some({ device: deep(2) }))).toEqual([
      expect.stringContaining('depth goes from 0.25 to 1.5 mm, not 2'),
    ]);
    expect(of(some({ until: 'pinkness', capMinutes: 3 }))).toEqual([
      expect.stringContaining('at most 3 min, so it cannot take 5'),
    ]);
  });

  it('goes with one guest as far as the house does: minutes, passes over the same skin, visits a year', () => {
    const zones: Step['zones'] = ['cheeks'];
    const passes = (count: number, of: Step['zones'] = zones): Step =>
      named(`pass on ${of.join(' ')} ${count}`, {
        zones: of,
        minutes: minutes(6),
        device: {
          deviceId: asId('pen'),
          settings: [{ zones: of, values: [{ kind: 'depth', value: 0.5 }], passes: count }],
        },
      });
    const of = (limits: Device['limits'], steps: readonly Step[], more = {}): string[] =>
      words({ steps, devices: [device({ limits, neverZones: [] })], more });
    expect(of({ minutesPerVisit: 12 }, [passes(1), passes(2)])).toEqual([]);
    expect(of({ minutesPerVisit: 11 }, [passes(1), passes(2)])).toEqual([
      expect.stringContaining('is on for 12 min in a visit, and the house goes up to 11'),
    ]);
    expect(of({ passesPerVisit: 3 }, [passes(1), passes(2)])).toEqual([]);
    expect(of({ passesPerVisit: 3 }, [passes(2), passes(2, ['face'])])).toEqual([
      expect.stringMatching(/goes 4 times over .*cheek.* in a visit, and the house goes up to 3/),
    ]);
    expect(of({ passesPerVisit: 3 }, [passes(3), passes(3, ['forehead'])])).toEqual([]);
    const layers = { id: asId<never>('l'), name: 'L', layers: { first: 2, returning: 3 } };
    expect(
      of({ passesPerVisit: 3 }, [{ ...passes(2), layerGroupId: layers.id }], {
        layerGroups: [layers],
      }),
    ).toEqual([expect.stringContaining('goes 4 times')]);
    const around = { before: [], avoid: [], expect: [], call: [] };
    expect(of({ visitsPerYear: 6 }, [passes(1)], { around })).toEqual([
      expect.stringContaining('at most 6 times a year'),
    ]);
    const spacing = { leastDays: 30, mostPerYear: 6 };
    expect(of({ visitsPerYear: 6 }, [passes(1)], { around: { ...around, spacing } })).toEqual([]);
  });

  it('keeps what runs along within the limits of its device', () => {
    const along = (value: number, upTo?: number): string[] =>
      words({
        steps: [
          named('steam', {
            running: [asId('pen')],
            runningAt: [
              {
                deviceId: asId('pen'),
                values: [{ kind: 'depth', value, ...(upTo !== undefined && { upTo }) }],
              },
            ],
          }),
        ],
        devices: [device()],
      });
    expect(along(0.5)).toEqual([]);
    expect(along(0.5, 2)[0]).toContain('depth goes from 0.25 to 1.5 mm, not 2');
  });

  it('names zones that are said twice, or at once and never', () => {
    const steps = [
      named('a', { zones: ['face', 'forehead'], never: ['forehead'], lightly: ['back'] }),
    ];
    const all = words({ steps }).join('\n');
    expect(all).toContain('forehead twice');
    expect(all).toContain('never to do so');
    expect(all).toContain('lightly on back, but is not done there');
  });

  const sting = (reactions: Question['reactions']): Question => ({
    id: asId('sting'),
    ask: 'How does it sting?',
    answer: { kind: 'score' },
    reactions,
  });

  it('says when a material is off the shelf, and when scores are the wrong way round', () => {
    const old = cleanser({ archivedOn: '2026-01-01' });
    expect(
      words({ steps: [named('a', { doses: takes('cleanser') })], materials: [old] })[0],
    ).toContain('off the shelf since 2026-01-01');
    const group: LayerGroup = {
      id: asId('l'),
      name: 'Layers',
      layers: { first: 1, returning: 1 },
      asks: [
        sting([
          { from: 5, response: 'off' },
          { from: 7, response: 'lightly' },
        ]),
      ],
    };
    expect(
      words({ steps: [named('a', { layerGroupId: group.id })], more: { layerGroups: [group] } })[0],
    ).toContain('something milder is done');
  });

  it('says when no answer to a score stops, when waiting has no end, and what comes too late', () => {
    const asked = (...reactions: Question['reactions']): string[] =>
      words({ steps: [named('a', { asks: [sting(reactions)] })] });
    expect(asked({ from: 7, response: 'off' })).toEqual([]);
    expect(asked()[0]).toContain('no answer stops or takes it off');
    expect(asked({ from: 4, response: 'wait' }, { from: 7, response: 'stop' })[0]).toContain(
      'say for how long at most',
    );
    const late = [{ atMinute: 7, what: 'it grows warm' }];
    expect(words({ steps: [named('a', { minutes: minutes(5), moments: late })] })[0]).toContain(
      'which is over after 5',
    );
    expect(words({ steps: [named('a', { minutes: minutes(8), moments: late })] })).toEqual([]);
    const held = { technique: { hold: { seconds: 30, times: 4 } } };
    expect(words({ steps: [named('a', { minutes: minutes(1), ...held })] })[0]).toContain(
      'takes 2 min, and the step 1',
    );
  });
});

describe('a kit (D6)', () => {
  const { packs, preferredPackId } = cleanser();
  const box = (forVisits?: number): Material => ({
    id: asId('box'),
    name: 'Box',
    kind: 'kit',
    unit: 'piece',
    measures: {},
    packs,
    preferredPackId,
    parts: [{ id: asId('powder'), name: 'Powder', amount: 6, unit: 'g', measures: {} }],
    ...(forVisits !== undefined && { forVisits }),
    leftOver: 'lost',
  });
  const takingPowder = (grams: number, forVisits?: number): string[] =>
    words({
      steps: [
        named('paste', {
          doses: [
            dose(asId('box'), measured(grams, 'g'), {
              source: { kind: 'material', materialId: asId('box'), part: asId('powder') },
            }),
          ],
        }),
      ],
      materials: [box(forVisits)],
    });

  it('of which another box is opened says for which part, and one that holds enough does not', () => {
    expect(takingPowder(6)).toEqual([]);
    expect(takingPowder(6.5)).toEqual([
      expect.stringContaining('A box of Box holds 6 g of Powder, and a visit takes more'),
    ]);
    expect(takingPowder(2, 3)).toEqual([]);
    expect(takingPowder(2.5, 3)).toEqual([
      expect.stringContaining('For each of 3 visits, a box of Box holds 2 g of Powder'),
    ]);
  });
});
