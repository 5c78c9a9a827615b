import type { House, Line, Minutes, Service, Step, Writing } from '@bienestar/core/house/house';

/*
 * What is done in a visit, and in what order, worked out anew from docs/calculations.md. Only types are shared with
 * core.
 */

interface Option {
  readonly choiceId: string;
  readonly optionId: string;
}

/** A step of its own with what lies beside it. */
export interface Host {
  readonly step: Step;
  readonly beside: readonly Step[];
}

/** One after the other: a wait between layers, or a step that is done once. */
export type Part =
  | { readonly what: 'wait'; readonly minutes: Minutes }
  | { readonly what: 'step'; readonly host: Host; readonly key: string };

/** A visit from when the room is taken until it is free. */
export function partsByHand(house: House, service: Service): Part[] {
  const protocol = house.protocols.find(({ id }) => id === service.protocolId);
  if (!protocol) throw new Error('no protocol');
  const hosts = hostsFor(house, protocol, service);
  const taken = takenFor(service);
  const groups = [protocol, ...house.blocks].flatMap((writing) =>
    writing.layerGroups.map((group) => {
      const some = (group.otherwise ?? []).filter((each) =>
        ownOptions(each).every((option) => taken(writing, option)),
      );
      return { ...group, layers: some.at(-1)?.layers ?? group.layers };
    }),
  );
  const parts: Part[] = [];
  for (const stretch of ['set-up', 'visit', 'reset'] as const) {
    const inIt = hosts.filter(({ step }) => step.stretch === stretch);
    for (let at = 0; at < inIt.length;) {
      const host = inIt[at] as Host;
      const { layerGroupId } = host.step;
      const group = layerGroupId && groups.find(({ id }) => layerGroupId.endsWith(id));
      if (!group) {
        parts.push({ what: 'step', host, key: '' });
        at += 1;
        continue;
      }
      const run: Host[] = [];
      while (at < inIt.length && inIt[at]?.step.layerGroupId === layerGroupId)
        run.push(inIt[at++] as Host);
      const count = group.layers[service.visitKind];
      for (let layer = 1; layer <= count; layer += 1) {
        if (layer > 1 && group.between) parts.push({ what: 'wait', minutes: group.between.wait });
        for (const half of group.halves ? ['one', 'other'] : ['']) {
          for (const member of run) {
            const { inLayers } = member.step;
            const isNow =
              inLayers === undefined ||
              (inLayers === 'first' && layer === 1) ||
              (inLayers === 'last' && layer === count) ||
              (inLayers === 'all-but-last' && layer < count);
            if (isNow) parts.push({ what: 'step', host: member, key: `${layer}${half}` });
          }
        }
      }
    }
  }
  return parts;
}

interface Hanging {
  readonly option?: Option;
  readonly also?: readonly Option[];
}

function ownOptions({ option, also = [] }: Hanging): readonly Option[] {
  return option ? [option, ...also] : also;
}

/** Whether an option is taken for whom the service is meant. */
function takenFor(service: Service): (writing: Writing, option: Option) => boolean {
  const { skinType = 'normal', dayTime = 'day', conditions = [] } = service.shownFor ?? {};
  const seen: Readonly<Record<string, readonly string[]>> = {
    'skin-type': [skinType],
    'day-time': [dayTime],
    condition: conditions,
  };
  return (writing, { choiceId, optionId }) => {
    const choice = writing.choices.find(({ id }) => id === choiceId);
    if (!choice) return true;
    const fitting = choice.options.filter(({ for: values }) =>
      values.some((value) => seen[choice.by]?.includes(value)),
    );
    const otherwise = choice.options.filter(({ for: values }) => values.length === 0).slice(0, 1);
    const all =
      fitting.length === 0 ? otherwise : choice.take === 'first' ? fitting.slice(0, 1) : fitting;
    return all.some(({ id }) => id === optionId);
  };
}

/** The steps that are done for whom the service is meant, blocks written out. */
function hostsFor(house: House, protocol: Writing, service: Service): Host[] {
  interface Written {
    readonly step: Step;
    readonly options: readonly Option[];
  }
  const taken = takenFor(service);
  const allTaken = (writing: Writing, thing: Hanging): boolean =>
    ownOptions(thing).every((option) => taken(writing, option));
  const written: (Written & { readonly isFor: boolean })[] = [];
  const write = (writing: Writing, line?: Line, outer = true): void => {
    for (const own of writing.steps) {
      const isFor = outer && allTaken(writing, own);
      if ('blockId' in own) {
        const block = house.blocks.find(({ id }) => id === own.blockId);
        if (block) write(block, own, isFor);
        continue;
      }
      const named = (id: string): string => (line ? `${line.id}>${id}` : id);
      const doses = own.doses
        .filter((dose) => allTaken(writing, dose))
        .map((dose) => ({ ...dose, id: named(dose.id) }));
      const { otherwise = [], ...plain } = own;
      const step = {
        ...plain,
        id: named(own.id),
        doses,
        stretch: line ? line.stretch : own.stretch,
        ...(own.meanwhileOf !== undefined && { meanwhileOf: named(own.meanwhileOf) }),
        ...(own.layerGroupId !== undefined && { layerGroupId: named(own.layerGroupId) }),
      } as unknown as Step;
      /* What is said otherwise of minutes, hands, places, gloves and device; places are one thing. */
      const some: Step[] = otherwise
        .filter((each) => allTaken(writing, each))
        .map(({ says }) => says as Step);
      const so = some.reduce((before, says): Step => {
        const { never: _, ...placed } = before;
        return { ...('zones' in says ? placed : before), ...says };
      }, step);
      const options = ownOptions(own).map(({ choiceId, optionId }) => ({
        choiceId: named(choiceId),
        optionId,
      }));
      written.push({ step: so, options: [...options, ...(line ? ownOptions(line) : [])], isFor });
    }
  };
  write(protocol);
  const isDone = ({ step, isFor }: (typeof written)[number]): boolean =>
    isFor && step.optional?.usually !== 'left-out';
  const done = written.filter(isDone);
  const hosts = done.filter(({ step }) => step.meanwhileOf === undefined);
  const hostOf = (id: string): string | undefined => {
    if (hosts.some(({ step }) => step.id === id)) return id;
    const host = written.find(({ step }) => step.id === id);
    if (!host || host.isFor) return undefined;
    const [first] = host.options;
    return hosts.find(({ options }) => first && options[0]?.choiceId === first.choiceId)?.step.id;
  };
  return hosts.map(({ step }) => ({
    step,
    beside: done.flatMap(({ step: other }) =>
      other.meanwhileOf !== undefined && hostOf(other.meanwhileOf) === step.id ? [other] : [],
    ),
  }));
}
