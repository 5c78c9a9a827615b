import { describe, expect, it } from 'vitest';
import type { Device, Step } from '../house/house';
import type { StopFor, Warning } from '../house/careFacts';
import type { Hazard } from '../house/device';
import { asId, type DeviceId } from '../house/ids';
import { cleanser, dose, measured, minutes, protocol, shelf, step } from '../testing/sample';
import { CAUTION_RULES } from './cautionRules';
import { cautionsOf } from './cautionsOf';

/** One step of a treatment: what is put on, what works, where. */
interface Work extends Pick<Partial<Step>, 'action' | 'zones' | 'stretch' | 'tools'> {
  readonly puts?: readonly Warning[];
  readonly stopFor?: readonly StopFor[];
  readonly hazards?: readonly Hazard[];
  readonly eyeProtection?: true;
  readonly ph?: number;
  readonly strengthPercent?: number;
}

const FACE = { zones: ['face'] } as const;
const LEGS = { zones: ['lower-legs'] } as const;
const BACK = { zones: ['back'] } as const;

function idsOf(...works: readonly Work[]): readonly string[] {
  const materials = works.map(({ puts = [], stopFor = [], ph, strengthPercent }, at) =>
    cleanser({
      id: asId(`m${at}`),
      name: `Thing ${at}`,
      care: {
        warnings: puts,
        stopFor,
        ...(ph !== undefined && { ph }),
        ...(strengthPercent !== undefined && { strengthPercent }),
      },
    }),
  );
  const devices = works.map(({ hazards = [], eyeProtection = false }, at): Device => ({
    id: asId<DeviceId>(`d${at}`),
    name: `Device ${at}`,
    count: 1,
    hazards,
    settings: [],
    neverZones: [],
    eyeProtection,
    trainedIds: [],
  }));
  const steps = works.map(
    (
      { puts, stopFor, hazards, eyeProtection, ph: _ph, strengthPercent: _strength, ...changes },
      at,
    ) =>
      step(`step ${at}`, minutes(5), {
        ...changes,
        doses: puts || stopFor ? [dose(materials[at]!.id, measured(1, 'ml'))] : [],
        running: hazards || eyeProtection ? [devices[at]!.id] : [],
      }),
  );
  return cautionsOf(
    protocol(steps),
    shelf(materials),
    new Map(devices.map((each) => [each.id, each])),
  ).cautions.flatMap(({ of }) => (of.kind === 'rule' ? [of.ruleId] : []));
}

/*
 * Every rule: a treatment in which it holds, and one close by in which it cannot.
 */
const CASES: readonly (readonly [rule: string, here: Work | Work[], beside: Work | Work[]])[] = [
  ['pregnancy', { puts: ['retinoid'], ...FACE }, { puts: ['fragrance'], ...FACE }],
  ['pregnancy', { hazards: ['current'], ...FACE }, { hazards: ['suction'], ...FACE }],
  ['pregnancy', { stopFor: ['pregnancy'], ...FACE }, { stopFor: ['asthma'], ...FACE }],
  ['breast-feeding', { puts: ['acid'], ...FACE }, { puts: ['light-sensitising'], ...FACE }],
  ['pacemaker', { hazards: ['radio-frequency'], ...FACE }, { hazards: ['ultrasound'], ...FACE }],
  ['pacemaker', { hazards: ['current'], ...FACE }, { hazards: ['current'], stretch: 'set-up' }],
  ['metal-implant', { hazards: ['current'], ...LEGS }, { hazards: ['heat'], ...LEGS }],
  ['epilepsy', { hazards: ['light'], ...FACE }, { eyeProtection: true, ...FACE }],
  ['diabetes', { action: 'extract', ...FACE }, { action: 'tone', ...FACE }],
  ['diabetes', { action: 'heat', ...BACK }, { action: 'cool', ...BACK }],
  ['clotting-disorder', { hazards: ['suction'], ...LEGS }, { action: 'massage', ...LEGS }],
  ['heart-disease', { action: 'massage', ...BACK }, { action: 'massage', zones: ['hands'] }],
  ['heart-disease', { action: 'wrap', ...LEGS }, { action: 'apply', ...LEGS }],
  ['vein-disease', { action: 'massage', ...LEGS }, { action: 'massage', ...BACK }],
  ['vein-disease', { action: 'wrap', ...LEGS }, { action: 'moisturise', puts: [], ...LEGS }],
  ['asthma', { hazards: ['steam'], ...FACE }, { hazards: ['steam'], stretch: 'set-up' }],
  ['immune', { action: 'needle', hazards: ['needles'], ...FACE }, { action: 'massage', ...FACE }],
  ['thyroid', { hazards: ['current'], zones: ['neck-front'] }, { hazards: ['light'], ...FACE }],
  ['numbness', { puts: ['cold'], ...LEGS }, { puts: ['acid'], ...LEGS }],
  ['closed-rooms', { action: 'wrap', ...BACK }, { action: 'mask', ...BACK }],
  ['children', { puts: [], ...FACE }, { action: 'consult' }],
  ['oral-retinoid', { action: 'blade', ...FACE }, { action: 'massage', ...FACE }],
  ['topical-retinoid', { action: 'peel', ...FACE }, { action: 'extract', ...FACE }],
  ['photosensitising-medicine', { hazards: ['light'], ...FACE }, { action: 'heat', ...FACE }],
  [
    'photosensitising-medicine',
    { puts: ['light-sensitising'], ...FACE },
    { puts: ['acid'], ...FACE },
  ],
  ['anticoagulants', { action: 'extract', ...FACE }, { action: 'blade', ...FACE }],
  ['steroid-cream', { action: 'polish', ...FACE }, { action: 'scrub', ...FACE }],
  ['pain-relief', { hazards: ['needles'], ...FACE }, { hazards: ['current'], ...FACE }],
  ['recent-injectables', { action: 'massage', ...FACE }, { action: 'massage', zones: ['feet'] }],
  ['recent-injectables', { action: 'heat', ...FACE }, { action: 'heat', ...BACK }],
  ['recent-injectables', { hazards: ['current'], zones: [] }, { hazards: ['current'], ...LEGS }],
  [
    'vein-disease',
    [{ hazards: ['steam'] }, { action: 'massage', ...LEGS }],
    [{ hazards: ['steam'] }, { action: 'massage', ...FACE }],
  ],
  ['recent-surgery', { action: 'massage', ...BACK }, { action: 'apply', puts: [], ...BACK }],
  ['recent-peel', { hazards: ['light'], ...FACE }, { action: 'scrub', ...FACE }],
  ['recent-hair-removal', { puts: ['alcohol'], ...LEGS }, { puts: ['alcohol'], stretch: 'reset' }],
  ['lash-extensions', { zones: ['eye-contour'] }, { zones: ['chin'] }],
  ['lash-extensions', { hazards: ['steam'], ...FACE }, { hazards: ['steam'], ...BACK }],
  ['broken-skin', { puts: [], ...LEGS }, { action: 'show' }],
  ['infection', { puts: [], ...FACE }, { puts: [], stretch: 'reset', ...FACE }],
  ['cold-sore', { puts: ['acid'], ...FACE }, { puts: ['acid'], ...LEGS }],
  ['cold-sore', { hazards: ['needles'], ...FACE }, { hazards: ['needles'], ...BACK }],
  ['sunburn', { action: 'peel', ...BACK }, { action: 'scrub', ...BACK }],
  ['moles', { puts: [], ...BACK }, { action: 'settle' }],
  ['keloid', { tools: ['blade'], ...FACE }, { tools: ['brush'], ...FACE }],
  ['skin-disease', { puts: ['acid'], ...FACE }, { puts: ['fragrance'], ...FACE }],
  ['capillaries', { action: 'scrub', ...FACE }, { action: 'cleanse', ...FACE }],
  ['dark-phototypes', { hazards: ['light'], ...FACE }, { action: 'steam', ...FACE }],
  [
    'neck-centre',
    { hazards: ['ultrasound'], zones: ['neck-front'] },
    { hazards: ['ultrasound'], ...LEGS },
  ],
  [
    'neck-centre',
    { hazards: ['radio-frequency'] },
    { hazards: ['radio-frequency'], zones: ['forehead'] },
  ],
  ['single-use', { tools: ['blade'], ...FACE }, { hazards: ['current'], ...FACE }],
  ['eyes-covered', { hazards: ['light'], ...FACE }, { hazards: ['heat'], ...FACE }],
  ['eyes-covered', { eyeProtection: true, ...FACE }, { hazards: [], ...FACE }],
  ['jewellery', { action: 'heat', ...BACK }, { action: 'cool', ...BACK }],
  ['cold-intolerance', { action: 'cool', ...FACE }, { action: 'heat', ...FACE }],
  ['abdomen-cold', { action: 'cool', zones: ['abdomen'] }, { action: 'cool', ...FACE }],
  [
    'alcohol-before-heat',
    [
      { puts: ['alcohol'], ...FACE },
      { hazards: ['light'], ...FACE },
    ],
    { puts: ['alcohol'], ...FACE },
  ],
  [
    'alcohol-before-heat',
    [
      { puts: ['flammable'], ...FACE },
      { hazards: ['current'], ...FACE },
    ],
    [
      { action: 'steam', puts: ['flammable'] },
      { hazards: ['current'], ...FACE },
    ],
  ],
  ['sun-after', { puts: ['retinoid'], ...FACE }, { puts: ['heat-producing'], ...FACE }],
  [
    'strong-acid',
    { puts: ['acid'], ph: 2.5, ...FACE },
    { puts: ['acid'], ph: 3.5, strengthPercent: 20, ...FACE },
  ],
  [
    'strong-acid',
    { puts: ['acid'], strengthPercent: 30, ...FACE },
    { puts: ['alcohol'], strengthPercent: 70, ...FACE },
  ],
  ['heat-after', { hazards: ['radio-frequency'], ...FACE }, { hazards: ['light'], ...FACE }],
];

describe('each usual caution', () => {
  it.each(CASES)('%s holds for %o, and not beside it for %o', (rule, here, beside) => {
    expect(idsOf(...[here].flat())).toContain(rule);
    expect(idsOf(...[beside].flat())).not.toContain(rule);
  });

  it('has its case here', () => {
    const tried = new Set(CASES.map(([rule]) => rule));
    expect(CAUTION_RULES.map(({ id }) => id).filter((id) => !tried.has(id))).toEqual([]);
  });
});
