import type { Amount, Block, House, Line, Protocol, Step, Writing } from '../house/house';
import type { BlockId, ProtocolId, StepId } from '../house/ids';
import { isStep } from '../house/protocol';
import type { HouseSettings } from '../house/settings';
import { asKept } from '../house/stock';
import { MEASURE_FIELDS } from '../quantity/measures';
import { exactly, mapTriple, type Triple } from '../quantity/triple';
import type { Lesson } from './lesson';
import { written } from './lesson';

/** Whether something can be written by which a lesson is adopted: else it is told, and people act on it. */
export function isAdoptable({ about }: Pick<Lesson, 'about'>): boolean {
  switch (about.kind) {
    case 'minutes':
      return !about.isPastCap && about.measured.cause.is !== 'kind';
    case 'amount':
      /* What is so for some guests is written as a choice, by whoever writes the protocol. */
      return about.measured.cause.is !== 'kind';
    case 'measure':
    case 'if-needed':
    case 'take-up':
    case 'pace':
      return true;
    case 'slot':
    case 'batch':
    case 'setting':
      return false;
  }
}

/**
 * The House with a lesson adopted: in the drafts, in what was published (so that its figures show what it does), in
 * the shelf or in the settings. What does not change is shared with the House given.
 * @param into whether editions are corrected as well: to see what it does, not to write it
 */
export function withLesson(house: House, { about }: Lesson, into: 'drafts' | 'all'): House {
  if (!isAdoptable({ about })) return house;
  const inStep = (
    { protocolId, stepId }: { readonly protocolId: ProtocolId; readonly stepId: StepId },
    change: (step: Step) => Step,
  ): House => withStep(house, protocolId, stepId, change, into);
  switch (about.kind) {
    case 'minutes':
      return inStep(about, (step) => ({ ...step, minutes: about.proposed }));
    case 'amount': {
      const own = lastPart(about.doseId);
      return inStep(about, (step) => ({
        ...step,
        doses: step.doses.map((dose) =>
          lastPart(dose.id) === own
            ? { ...dose, amount: timesAmount(dose.amount, about.factor, house.settings) }
            : dose,
        ),
      }));
    }
    case 'measure':
      return {
        ...house,
        materials: house.materials.map((material) => {
          if (material.id !== about.materialId || !('measures' in material)) return material;
          const field = MEASURE_FIELDS[about.measure];
          const figure = material.measures[field];
          if (!figure) return material;
          /* Of drops it is said how many a millilitre has. */
          const factor = about.measure === 'drop' ? 1 / about.factor : about.factor;
          const usual = written(figure.usual * factor, FIGURE_PLACES);
          return { ...material, measures: { ...material.measures, [field]: { ...figure, usual } } };
        }),
      };
    case 'if-needed': {
      const usually = about.usually === 'done' ? 'left-out' : 'done';
      return inStep(about, (step) =>
        step.optional ? { ...step, optional: { ...step.optional, usually } } : step,
      );
    }
    case 'take-up':
      return withProtocols(house, about.protocolId, into, (protocol) => {
        const { around } = protocol;
        if (!around?.recommends) return protocol;
        const recommends = around.recommends.map((each) =>
          each.materialId === about.materialId
            ? { ...each, takeUp: written(about.bought.share, SHARE_PLACES) }
            : each,
        );
        return { ...protocol, around: { ...around, recommends } };
      });
    case 'pace':
      return { ...house, settings: { ...house.settings, paceSpread: about.proposed } };
    case 'slot':
    case 'batch':
    case 'setting':
      return house;
  }
}

const FIGURE_PLACES = 3;
const SHARE_PLACES = 2;
const AMOUNT_DIGITS = 2;

/** An amount times a factor, as a person would write it down: with two digits. */
function timesAmount(
  amount: Amount,
  factor: number,
  { coatMgPerCm2 }: Pick<HouseSettings, 'coatMgPerCm2'>,
): Amount {
  const times = (triple: Triple): Triple =>
    mapTriple(triple, (value) => asKept(Number((value * factor).toPrecision(AMOUNT_DIGITS))));
  switch (amount.how) {
    case 'measured':
    case 'counted':
    case 'named':
    case 'packs':
    case 'fingertip':
    case 'batches':
      return { ...amount, quantity: times(amount.quantity) };
    case 'coat-weight':
      return { ...amount, mgPerCm2: times(amount.mgPerCm2) };
    case 'coat': {
      const mg = Object.entries(coatMgPerCm2).find(([coat]) => coat === amount.coat)?.[1];
      return mg === undefined ? amount : { how: 'coat-weight', mgPerCm2: times(exactly(mg)) };
    }
    case 'all':
    case 'rest':
      return amount;
  }
}

function withProtocols(
  house: House,
  id: ProtocolId,
  into: 'drafts' | 'all',
  change: (protocol: Protocol) => Protocol,
): House {
  return {
    ...house,
    protocols: house.protocols.map((each) => (each.id === id ? change(each) : each)),
    ...(into === 'all' && {
      editions: house.editions.map((each) =>
        each.protocolId === id ? { ...each, protocol: change(each.protocol) } : each,
      ),
    }),
  };
}

/** Between the id of a line that stands for a block and that of a step in it. */
const WITHIN = '.';

function lastPart(id: string): string {
  return id.slice(id.lastIndexOf(WITHIN) + 1);
}

/** A step changed where it is written: in the protocol, or in the block that stands there. */
function withStep(
  house: House,
  protocolId: ProtocolId,
  stepId: StepId,
  change: (step: Step) => Step,
  into: 'drafts' | 'all',
): House {
  const inWriting = <W extends Writing>(writing: W, id: string): W => ({
    ...writing,
    steps: writing.steps.map((line): Line =>
      isStep(line) && line.id === id ? change(line) : line,
    ),
  });
  const path = stepId.split(WITHIN);
  const own = path.at(-1) ?? stepId;
  const draft = house.protocols.find(({ id }) => id === protocolId);
  const blockId = draft && blockAt(draft, path.slice(0, -1), house.blocks);
  const changed =
    blockId === undefined
      ? withProtocols(house, protocolId, 'drafts', (protocol) => inWriting(protocol, stepId))
      : {
          ...house,
          blocks: house.blocks.map((each) => (each.id === blockId ? inWriting(each, own) : each)),
        };
  if (into === 'drafts') return changed;
  /* In an edition its blocks are written out. */
  return {
    ...changed,
    editions: house.editions.map((each) =>
      each.protocolId === protocolId
        ? { ...each, protocol: inWriting(each.protocol, stepId) }
        : each,
    ),
  };
}

/** The block that a path of lines leads to; nothing where it is empty. */
function blockAt(
  writing: Writing,
  path: readonly string[],
  blocks: readonly Block[],
): BlockId | undefined {
  const [first, ...rest] = path;
  if (first === undefined) return undefined;
  const line = writing.steps.find(({ id }) => id === first);
  if (!line || isStep(line)) return undefined;
  const block = blocks.find(({ id }) => id === line.blockId);
  return rest.length === 0 || !block ? line.blockId : blockAt(block, rest, blocks);
}
