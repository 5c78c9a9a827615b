import { isStep } from '@bienestar/core/house/protocol';
import { createCalculator } from '../core/figures/createCalculator';
import type { House, Material, Protocol, Step } from '../core/house/house';
import { asId } from '../core/house/ids';
import { exactly, withSpread } from '../core/quantity/triple';
import { preferredPack } from '../core/house/packs';
import { bought, cleanser, house, settings, stockOf } from '../core/testing/sample';
import { benchLedger } from './benchLedger';
import { benchYears } from './benchYears';
import { benchLog } from './benchLog';
import { benchWeek } from './benchWeek';
import { benchMoney } from './benchMoney';
import { benchRestock } from './benchRestock';
import { benchWriting } from './benchWriting';
import { benchShelf } from './benchShelf';
import { timed, type Row } from './benchTools';

/*
 * npm run bench — how long it takes to recompute a large house, beside a bare loop over the same
 * arithmetic in the same run.
 */

const SERVICES = 300;
const STEPS = 30;
const MATERIALS = 400;
const RUNS = 200;
/* About 400 visits a week over all services: a large house, but one that people could run. */

/** A small generator of numbers that come out the same on every machine. */
let seed = 42;
function next(below: number): number {
  seed = (seed * 1_664_525 + 1_013_904_223) % 2 ** 32;
  return Math.floor((seed / 2 ** 32) * below);
}

function material(at: number): Material {
  return cleanser({
    id: asId(`m${at}`),
    name: `Material ${at}`,
    ...bought({ content: 100 + next(900), priceMinor: 500 + next(5000), residual: 0.02 }),
  });
}

function step(protocol: number, at: number): Step {
  const least = 1 + next(3);
  return {
    id: asId(`s${at}`),
    stretch: at === 0 ? 'set-up' : at === STEPS - 1 ? 'reset' : 'visit',
    name: `Step ${at}`,
    by: 'therapist',
    hands: 'hands-on',
    minutes: { least, usual: least + 1, most: least + 2 + next(2) },
    zones: [],
    doses: [
      {
        id: asId(`d${at}`),
        source: { kind: 'material', materialId: asId(`m${(protocol * 7 + at * 13) % MATERIALS}`) },
        amount: { how: 'measured', quantity: withSpread(1 + next(8), 0.1), unit: 'ml' },
        opening: 'fresh',
      },
    ],
  };
}

function largeHouse(): House {
  const protocols = Array.from({ length: SERVICES }, (_, at): Protocol => ({
    id: asId(`p${at}`),
    name: `Protocol ${at}`,
    summary: '',
    choices: [],
    layerGroups: [],
    steps: Array.from({ length: STEPS }, (_each, which) => step(at, which)),
  }));
  return house({
    materials: Array.from({ length: MATERIALS }, (_, at) => material(at)),
    protocols,
    services: protocols.map((protocol, at) => ({
      id: asId(`v${at}`),
      name: protocol.name,
      protocolId: protocol.id,
      visitKind: 'returning',
      therapistIds: [asId('ione')],
    })),
    demand: protocols.map((_, at) => ({
      serviceId: asId(`v${at}`),
      visitsPerWeek: (1 + next(10)) / 4,
    })),
    stock: Array.from({ length: MATERIALS }, (_, at) => stockOf(asId(`m${at}`), next(2000))),
  });
}

function withPrice(from: House, run: number): House {
  return {
    ...from,
    materials: from.materials.map((each, at) =>
      at === 13 && each.kind !== 'linen'
        ? { ...each, packs: each.packs.map((pack) => ({ ...pack, priceMinor: 1000 + run })) }
        : each,
    ),
  };
}

function withDose(from: House, run: number): House {
  return {
    ...from,
    protocols: from.protocols.map((protocol, at) =>
      at === 7
        ? {
            ...protocol,
            steps: protocol.steps.map((each, which) =>
              which === 5 && isStep(each)
                ? {
                    ...each,
                    doses: each.doses.map((dose) => ({
                      ...dose,
                      amount: {
                        how: 'measured',
                        quantity: exactly(1 + run / 100),
                        unit: 'ml',
                      } as const,
                    })),
                  }
                : each,
            ),
          }
        : protocol,
    ),
  };
}

/** The same sums and prices by themselves: no objects, no reasons, no memory. */
function bareLoop(from: House): (run: number) => number {
  const doses = SERVICES * STEPS;
  const which = new Int32Array(doses);
  const amounts = new Float64Array(doses * 3);
  from.protocols.forEach((protocol, at) =>
    protocol.steps.forEach((each, order) => {
      const dose = isStep(each) ? each.doses[0] : undefined;
      const slot = at * STEPS + order;
      if (dose?.source.kind !== 'material' || dose.amount.how !== 'measured') return;
      which[slot] = Number(dose.source.materialId.slice(1));
      const { low, usual, high } = dose.amount.quantity;
      amounts.set([low, usual, high], slot * 3);
    }),
  );
  const unit = new Float64Array(MATERIALS);
  return (run) => {
    from.materials.forEach((each, at) => {
      if (each.kind === 'linen') return;
      const price = at === 13 ? 1000 + run : preferredPack(each).priceMinor;
      unit[at] = price / (preferredPack(each).content * (1 - preferredPack(each).residual));
    });
    let total = 0;
    for (let service = 0; service < SERVICES; service += 1) {
      let low = 0;
      let usual = 0;
      let high = 0;
      for (let slot = service * STEPS; slot < (service + 1) * STEPS; slot += 1) {
        const cost = unit[which[slot] ?? 0] ?? 0;
        low += (amounts[slot * 3] ?? 0) * cost;
        usual += (amounts[slot * 3 + 1] ?? 0) * cost;
        high += (amounts[slot * 3 + 2] ?? 0) * cost;
      }
      const full = usual + 3000;
      const share =
        1 - settings.targetMargin - settings.commission - settings.cardFee * (1 + settings.vat);
      const gross = Math.ceil(((full / share) * (1 + settings.vat)) / 500) * 500;
      total += gross + low + high;
    }
    return total;
  };
}

const large = largeHouse();
const calculate = createCalculator();
const cold = performance.now();
calculate(large);
const fromNothing = performance.now() - cold;
const prices = Array.from({ length: RUNS }, (_, run) => withPrice(large, run));
const doses = Array.from({ length: RUNS }, (_, run) => withDose(large, run));
const loop = bareLoop(large);

const onePrice = timed((run) => calculate(prices[run] ?? large));
calculate(large);
const oneDose = timed((run) => calculate(doses[run] ?? large));
const bare = timed(loop);

/** Prints lines under their title. */
function print(title: string, rows: readonly Row[]): void {
  process.stdout.write(`${title}\n`);
  for (const [what, ms, note] of rows) {
    process.stdout.write(`  ${what.padEnd(46)} ${ms.toFixed(3).padStart(9)} ms  ${note}\n`);
  }
}

print(`${SERVICES} services × ${STEPS} steps, ${MATERIALS} materials; medians of ${RUNS} runs`, [
  ['every figure, from nothing', fromNothing, ''],
  ['every figure after one price changed', onePrice, 'aim: under 5 ms'],
  ['every figure after one dose was edited', oneDose, 'aim: under 1 ms'],
  ['a bare loop over the same sums and prices', bare, 'for comparison'],
]);
print('money: the large house', benchMoney(large));
print('restocking: the large house', benchRestock(large));
print('writing a protocol of 60 steps with 6 choices', benchWriting(large));
print('the logbook and what it teaches', benchLog());
print('the week', await benchWeek());
print('the shelf and price lists', await benchShelf(large));
print('a ledger of 100 000 movements, over HTTP on MariaDB', await benchLedger());
print('after five years, over HTTP on MariaDB', await benchYears());
