import { expose } from 'comlink';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { House } from '@bienestar/core/house/house';
import type { MaterialId } from '@bienestar/core/house/ids';
import { daysAheadOf, startingShelf } from '@bienestar/core/restock/daysAhead';
import { lookAhead, type LookAhead, type Ordering } from '@bienestar/core/restock/lookAhead';
import { createRestocker, type RestockFigures } from '@bienestar/core/restock/restocker';
import type { Restocking } from '@bienestar/core/restock/restocking';
import { tradeOff, type TradePoint } from '@bienestar/core/restock/tradeOff';
import { applyScenario } from '@bienestar/core/whatIf/compareScenarios';
import { moneyOf, verifyPolicy, type PolicyOutcome } from '@bienestar/core/restock/verifyPolicy';
import type { Scenario } from '@bienestar/core/house/house';
import { toldFirst } from './toldFirst';

const RUNS = 400;
const SEED = 20_260;

/** A policy that was played through, beside what was asked of it. */
export interface Verified {
  readonly materialId: MaterialId;
  readonly outcome: PolicyOutcome;
  /** nothing where levels are set by hand */
  readonly target: number | null;
  /** lying on the shelf on average, in minor units */
  readonly tiedUpMinor: number;
  /** thrown away a year, in minor units */
  readonly wasteMinor: number;
}

const calculate = createCalculator();
const restocker = createRestocker();

function figuresOf(house: House, now: number): RestockFigures {
  return restocker(house, calculate(house), new Date(now));
}

function restockingOf(house: House, now: number, id: MaterialId): Restocking | undefined {
  const of = figuresOf(house, now).materials.get(id);
  return of?.ok ? of.value : undefined;
}

/** Plays the shelf through, away from the page. */
const restock = {
  async lookAhead(
    house: House,
    materialId: MaterialId,
    now: number,
    ordering: Ordering,
    onProgress: (share: number) => void,
  ): Promise<LookAhead | undefined> {
    const material = house.materials.find(({ id }) => id === materialId);
    const restocking = restockingOf(house, now, materialId);
    if (!material || material.kind === 'linen' || !restocking) return undefined;
    const { demand, keeping, policy, lead } = restocking;
    const stock = house.stock.find((line) => line.materialId === materialId) ?? { lots: [] };
    return toldFirst(onProgress, (tell) =>
      lookAhead(
        { demand, keeping, policy, lead },
        startingShelf(material, stock, restocking, {
          now: new Date(now),
          timeZone: house.settings.timeZone,
        }),
        daysAheadOf(house, figuresOf(house, now), materialId, restocking),
        { runs: RUNS, seed: SEED, ordering },
        (done) => {
          if (done % 50 === 0) tell(done / RUNS);
          return true;
        },
      ),
    );
  },

  verify(
    house: House,
    ids: readonly MaterialId[],
    now: number,
    years: number,
    onDone: (verified: Verified) => void,
  ): Promise<void> {
    return toldFirst(onDone, (tell) => {
      for (const materialId of ids) {
        const restocking = restockingOf(house, now, materialId);
        if (!restocking) continue;
        const { demand, keeping, policy, lead } = restocking;
        const outcome = verifyPolicy({ demand, keeping, policy, lead }, { years, seed: SEED });
        tell({
          materialId,
          outcome,
          target: policy.how === 'manual' ? null : restocking.serviceLevel,
          ...moneyOf(outcome, restocking.unitCost),
        });
      }
    });
  },

  tradeOff(house: House, now: number): readonly TradePoint[] {
    return tradeOff(house, figuresOf(house, now));
  },

  tradeOffWith(house: House, scenario: Scenario, now: number): readonly TradePoint[] {
    const { house: tried } = applyScenario(house, scenario);
    return tradeOff(tried, figuresOf(tried, now));
  },
};

export type RestockWorker = typeof restock;
expose(restock);
