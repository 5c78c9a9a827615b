import type { Choice, LayerGroup, Line, Protocol, Step } from '@bienestar/core/house/house';
import { isStep } from '@bienestar/core/house/protocol';
import { partsOf, sourceKey } from '@bienestar/core/house/sources';
import { lineOfStep } from '@bienestar/core/protocol/expandBlocks';
import type { Finding, Weight } from '@bienestar/core/review/finding';
import type { Schedule } from '@bienestar/core/time/schedule';
import type { ZoneSet } from '@bienestar/core/zone/zoneSets';
import { zonesSaid } from '@bienestar/core/zone/zonesSaid';
import { amountWords } from '../../format/amountWords';
import { hangingNames, hangingWords } from '../../format/protocolWords';
import type { ShownService } from './useShownService';

/** What a row of the list says about a line. */
export interface RowWords {
  readonly line: Line;
  readonly startsAt: number | undefined;
  readonly details: string;
  readonly heading: string | undefined;
  readonly layersHeading: string | undefined;
  readonly option: string | undefined;
  readonly leftOut: boolean;
  readonly finding: Weight | undefined;
}

const STRETCH_WORDS = { 'set-up': 'Set-up', visit: 'Visit', reset: 'Reset' } as const;
const WEIGHTS: readonly Weight[] = ['fault', 'conflict', 'prompt'];

/** What the rows of a protocol say, for the client it is shown for. */
export function rowsOf(protocol: Protocol, shown: ShownService): readonly RowWords[] {
  const { house, figures, worked, problems, findings } = shown;
  const names = namesOf(house);
  const starts = startsByLine(figures.schedule.ok ? figures.schedule.value : undefined);
  const done = worked && new Set(worked.steps.map((step) => lineOfStep(step.id)));
  const weights = weightByLine([
    ...problems.map((problem): Finding => ({ ...problem, weight: 'fault' })),
    ...findings,
  ]);
  const groups = new Map(protocol.layerGroups.map((group) => [group.id, group]));
  return protocol.steps.map((line, order): RowWords => {
    const before = protocol.steps[order - 1];
    return {
      line,
      startsAt: starts.get(line.id),
      details: isStep(line)
        ? detailsOf(line, names, protocol.choices, house.settings.ownZones)
        : blockDetails(line.blockId, house.blocks),
      heading: before?.stretch === line.stretch ? undefined : STRETCH_WORDS[line.stretch],
      layersHeading:
        line.layerGroupId === undefined || before?.layerGroupId === line.layerGroupId
          ? undefined
          : layersWords(groups.get(line.layerGroupId)),
      option:
        hangingWords(protocol.choices, line) ??
        (isStep(line) && line.optional
          ? `if ${line.optional.if === '' ? 'needed' : line.optional.if}`
          : undefined),
      leftOut: done !== undefined && !done.has(line.id),
      finding: weights.get(line.id),
    };
  });
}

const known = new WeakMap<object, ReadonlyMap<string, string>>();

/** The names of what a dose may be drawn from. */
function namesOf(house: ShownService['house']): ReadonlyMap<string, string> {
  const before = known.get(house.materials);
  if (before) return before;
  const made = new Map<string, string>(
    [...house.materials, ...house.mixes].map((each) => [each.id, each.name]),
  );
  for (const material of house.materials)
    for (const { id, name } of partsOf(material)) made.set(`${material.id}/${id}`, name);
  known.set(house.materials, made);
  return made;
}

const details = new WeakMap<
  Step,
  {
    readonly names: object;
    readonly choices: object;
    readonly own: object | undefined;
    readonly words: string;
  }
>();

function detailsOf(
  step: Step,
  names: ReadonlyMap<string, string>,
  choices: readonly Choice[],
  own: readonly ZoneSet[] | undefined,
): string {
  const before = details.get(step);
  if (before?.names === names && before.choices === choices && before.own === own)
    return before.words;
  const drawn = step.doses.map((dose) => {
    const { amount, source } = dose;
    const name = names.get(sourceKey(source));
    const said = `${amountWords(amount, name)} ${name ?? 'something that is no longer on the shelf'}`;
    const whom = hangingNames(choices, dose);
    return whom === undefined ? said : `${said} (${whom})`;
  });
  const some = (step.otherwise ?? []).map((each) => hangingNames(choices, each)).join('; ');
  const words = [
    drawn.join(', '),
    zonesSaid(step.zones, own).join(', '),
    some === '' ? '' : `otherwise for ${some}`,
  ]
    .filter((each) => each !== '')
    .join(' — ');
  details.set(step, { names, choices, own, words });
  return words;
}

function blockDetails(id: string, blocks: ShownService['house']['blocks']): string {
  const block = blocks.find((each) => each.id === id);
  return block
    ? block.steps.map((step) => step.name).join(', ')
    : 'a block that is no longer there';
}

function layersWords(group: LayerGroup | undefined): string | undefined {
  return (
    group &&
    `${group.name}: ${group.layers.first} on a first visit, ${group.layers.returning} on later ones${group.otherwise ? ', otherwise for some' : ''}${group.halves ? ', each half of the face for itself' : ''}`
  );
}

/** When each line starts, the first time in layers or of the steps of a block. */
function startsByLine(schedule: Schedule | undefined): ReadonlyMap<string, number> {
  const starts = new Map<string, number>();
  for (const { of, startsAt } of schedule?.rows ?? []) {
    if (of.kind !== 'step') continue;
    const id = lineOfStep(of.stepId);
    if (!starts.has(id)) starts.set(id, startsAt);
  }
  return starts;
}

/** The heaviest finding of each line. */
function weightByLine(findings: readonly Finding[]): ReadonlyMap<string, Weight> {
  const heaviest = new Map<string, Weight>();
  for (const { where, weight } of findings) {
    if (where.stepId === undefined) continue;
    const id = lineOfStep(where.stepId as Step['id']);
    const before = heaviest.get(id);
    if (before === undefined || WEIGHTS.indexOf(weight) < WEIGHTS.indexOf(before)) {
      heaviest.set(id, weight);
    }
  }
  return heaviest;
}
