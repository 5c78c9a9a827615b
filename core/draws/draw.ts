import type { DoseId, KitPartId, MaterialId, MixId, StepId } from '../house/ids';
import type { ResolvedAmount } from '../dose/resolveAmount';
import type { MadeMix } from '../mix/makeMix';
import type { Half } from '../protocol/arrange';
import type { Triple } from '../quantity/triple';

/** What one dose takes of one material in one visit, once for every layer. */
export interface Draw {
  readonly stepId: StepId;
  readonly doseId: DoseId;
  readonly layer?: number;
  readonly half?: Half;
  /** not a dose that is written, but what taking something off or wearing gloves takes */
  readonly for?: 'removal' | 'gloves';
  readonly materialId: MaterialId;
  /** of a kit: the amount is in its unit, and what is consumed are boxes */
  readonly part?: KitPartId;
  /** the mix through which the material is drawn, what is needed of it here, and the batches of its bowl */
  readonly mix?: {
    readonly mixId: MixId;
    readonly needed: Triple;
    readonly made: MadeMix;
  };
  readonly resolved: ResolvedAmount;
  /** gone from the shelf: whole packs for single doses; in the material's unit */
  readonly consumed: Triple;
  /** everybody in the room, where the material counts once for each (D5) */
  readonly persons?: number;
  /** of opened single doses, after this dose; of a mix, what of its packs did not go into the bowl */
  readonly leftOver: Triple;
}
