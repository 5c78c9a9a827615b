import type { Stretch } from '../house/actions';
import type { Line, Step, Writing } from '../house/house';
import type { LayerGroupId, StepId } from '../house/ids';
import { hangingOn, isStep, optionsOf } from '../house/protocol';
import { ordered } from './editSteps';
import { inLayersSaid, type LayersSaid } from './layersSaid';
import { hangingFor, withDosesFor, type DosesFor, type Joined } from './forWhom';
import { withOtherwise, type SaidOtherwise } from './otherwise';

/** A line to be added, with what was said of where it goes. */
export interface NewLine<L extends Line = Line> {
  readonly line: L;
  /** beside the one it comes after */
  readonly beside?: boolean;
  /** where it can only be: what prepares, what tidies up, or the heading under which it stands */
  readonly stretch?: Stretch;
  readonly forWhom?: Joined;
  readonly dosesFor?: DosesFor;
  readonly layers?: LayersSaid;
  readonly otherwise?: readonly SaidOtherwise[];
  /** the line that it follows, where it is not the one before it */
  readonly follows?: StepId;
}

/** Where a new line comes. */
export interface PlaceOfNew {
  readonly stretch: Stretch;
  readonly beside?: StepId;
  readonly layerGroupId?: LayerGroupId;
  /** the step of its own that it follows; at the beginning of its stretch without one */
  readonly after?: StepId;
}

/**
 * Where a new line comes: after the one in hand, or beside it. What prepares goes to the end of set-up and what
 * tidies up to the end of reset, wherever one stands; what is done for the guest does not go into set-up. After
 * a step that is done meanwhile, and after the last of layers, work goes on by itself.
 * @param after the line in hand; none at the end of the visit
 */
export function placeOfNew(
  { steps }: Writing,
  { line, beside = false, stretch: said }: NewLine,
  after: Line | undefined,
): PlaceOfNew {
  const host = steps.find(({ id }) => id === (after?.meanwhileOf ?? after?.id));
  if (beside && host) {
    return {
      stretch: host.stretch,
      beside: host.id,
      ...(host.layerGroupId !== undefined && { layerGroupId: host.layerGroupId }),
    };
  }
  const stretch = said ?? goesOnIn(line, host);
  const own = steps.filter((each) => each.stretch === stretch && each.meanwhileOf === undefined);
  if (host?.stretch !== stretch) {
    const isBehind = host?.stretch === 'set-up' && stretch === 'visit';
    const last = isBehind ? undefined : own.at(-1);
    return { stretch, ...(last && { after: last.id }) };
  }
  const next = own[own.findIndex(({ id }) => id === host.id) + 1];
  const isWithin = host.layerGroupId !== undefined && next?.layerGroupId === host.layerGroupId;
  return {
    stretch,
    after: host.id,
    ...(isWithin && { layerGroupId: host.layerGroupId }),
  };
}

function goesOnIn(line: Line, host: Line | undefined): Stretch {
  if (!isStep(line)) return host?.stretch ?? 'visit';
  return host?.stretch === 'reset' && line.action === undefined ? 'reset' : 'visit';
}

/**
 * Puts a new line where it goes, for whom it is.
 * @param newId makes an id that nothing has yet
 */
export function added<W extends Writing>(
  writing: W,
  what: NewLine,
  after: Line | undefined,
  newId: () => string,
): W {
  const place = placeOfNew(writing, what, after);
  const { writing: chosen, on } = what.forWhom
    ? hangingFor(writing, what.forWhom, what.line.name, newId)
    : { writing, on: hangingOn(optionsOf(what.line)) };
  const { writing: all, doses } =
    isStep(what.line) && what.dosesFor
      ? withDosesFor(chosen, what.line, what.dosesFor, newId)
      : { writing: chosen, doses: undefined };
  const line: Line = {
    ...what.line,
    ...(doses && { doses }),
    stretch: place.stretch,
    meanwhileOf: place.beside,
    layerGroupId: place.layerGroupId,
    ...on,
  };
  const before = place.beside ?? place.after;
  const at =
    before === undefined
      ? 0
      : all.steps.findLastIndex(({ id, meanwhileOf }) => id === before || meanwhileOf === before) +
        1;
  const so = ordered({ ...all, steps: all.steps.toSpliced(at, 0, line) });
  const layered =
    what.layers && place.beside === undefined
      ? inLayersSaid(so, line.id, what.layers, line.name, newId)
      : so;
  return what.otherwise ? withOtherwise(layered, line.id, what.otherwise, newId) : layered;
}

/**
 * Puts many lines one after the other; what was said beside the one before lies there, and the next one goes on
 * after that.
 */
export function addedAll<W extends Writing>(
  writing: W,
  lines: readonly NewLine<Step>[],
  after: Line | undefined,
  newId: () => string,
): W {
  let last = after;
  return lines.reduce((so, what) => {
    const anchor = so.steps.find(({ id }) => id === what.follows) ?? last;
    const next = added(so, what, anchor, newId);
    const made = next.steps.find(({ id }) => id === what.line.id);
    /* What went to another stretch has its own place; the one in hand is gone on with afterwards. */
    if (made && (made.stretch === (last?.stretch ?? 'visit') || last?.stretch === 'set-up'))
      last = made;
    return next;
  }, writing);
}
