import { createCalculator } from '../core/figures/createCalculator';
import type { House, Scenario } from '../core/house/house';
import { asId } from '../core/house/ids';
import { compareScenarios } from '../core/whatIf/compareScenarios';
import { timed, type Row } from './benchTools';

const SCENARIOS: readonly Scenario[] = [
  {
    id: asId('wages'),
    name: 'Wages and VAT',
    changes: [
      { id: asId('c1'), kind: 'pay', byShare: 0.04 },
      { id: asId('c2'), kind: 'setting', setting: 'vat', to: 0.21 },
    ],
  },
  {
    id: asId('list'),
    name: 'A dearer list',
    changes: [{ id: asId('c3'), kind: 'supplier', supplierId: asId('northquay'), byShare: 0.06 }],
  },
  {
    id: asId('rooms'),
    name: 'Emptier rooms',
    changes: [{ id: asId('c4'), kind: 'setting', setting: 'occupancy', to: 0.5 }],
  },
];

/** Re-pricing the whole menu after a change of settings, and scenarios side by side. */
export function benchMoney(large: House): readonly Row[] {
  const repricing = createCalculator();
  repricing(large);
  const vats = Array.from({ length: 60 }, (_, run): House => ({
    ...large,
    settings: { ...large.settings, vat: 0.1 + run / 1000 },
  }));
  const repriced = timed((run) => repricing(vats[run % vats.length] ?? large), 60);
  const pays = Array.from({ length: 60 }, (_, run): House => ({
    ...large,
    people: large.people.map((each) => ({ ...each, hourlyPayMinor: 1400 + run })),
  }));
  const recosted = timed((run) => repricing(pays[run % pays.length] ?? large), 60);

  const comparing = createCalculator(SCENARIOS.length + 1, 'services');
  compareScenarios(large, SCENARIOS, comparing);
  /* Each time with another share, as while it is typed. */
  const typed = Array.from({ length: 30 }, (_, run): readonly Scenario[] =>
    SCENARIOS.map((scenario) => ({
      ...scenario,
      changes: scenario.changes.map((change) =>
        change.kind === 'pay' || change.kind === 'supplier'
          ? { ...change, byShare: 0.03 + run / 1000 }
          : change,
      ),
    })),
  );
  const compared = timed((run) => {
    compareScenarios(large, typed[run % typed.length] ?? SCENARIOS, comparing);
  }, 30);
  return [
    ['re-priced after another VAT', repriced, 'aim: under 5 ms'],
    ['re-costed and re-priced after another wage', recosted, 'aim: under 5 ms'],
    ['three scenarios compared, two of them changed', compared, 'aim: under 50 ms'],
  ];
}
