/*
 * Between the rows of a step, dose and part of migration 0001 and the documents of 0003. It stands by
 * itself, so that what the app says today does not change what a database of then becomes.
 */

/** A row or document as the database has it. */
export type Plain = Record<string, unknown>;

/** Every row of before, in order. */
export interface OldRows {
  readonly parts: readonly Plain[];
  readonly groups: readonly Plain[];
  readonly steps: readonly Plain[];
  readonly doses: readonly Plain[];
}

/** The document of a mix. */
export function mixBody(row: Plain, { parts }: OldRows): Plain {
  return held({
    id: row.id,
    name: row.name,
    basis: row.basis,
    density: row.density,
    bowlLoss: row.bowl_loss,
    parts: parts
      .filter((part) => part.mix_of_id === row.id)
      .map((part) => ({ source: sourceOf(part), amount: amountOf(part) })),
    made: 'just-in-time',
    mixingMinutes: 0,
    standingMinutes: 0,
  });
}

/** The document of a protocol. */
export function protocolBody(row: Plain, { groups, steps, doses }: OldRows): Plain {
  const own = (each: Plain): boolean => each.protocol_id === row.id;
  return {
    id: row.id,
    name: row.name,
    summary: row.summary,
    steps: steps.filter(own).map((step) =>
      held({
        id: step.id,
        stretch: step.stretch,
        name: step.name,
        by: step.done_by,
        hands: step.hands,
        minutes: {
          least: step.least_minutes,
          usual: step.usual_minutes,
          most: step.most_minutes,
        },
        zones: parsed(step.zones),
        doses: doses
          .filter((dose) => own(dose) && dose.step_id === step.id)
          .map((dose) => ({
            id: dose.id,
            source: sourceOf(dose),
            amount: amountOf(dose),
            opening: dose.opening,
          })),
        meanwhileOf: step.meanwhile_of,
        layerGroupId: step.layer_group_id,
        capMinutes: step.cap_minutes,
        note: step.note,
      }),
    ),
    layerGroups: groups.filter(own).map((group) =>
      held({
        id: group.id,
        name: group.name,
        layers: { first: group.layers_first, returning: group.layers_returning },
        between:
          group.wait_usual === null
            ? null
            : {
                wait: {
                  least: group.wait_least,
                  usual: group.wait_usual,
                  most: group.wait_most,
                },
                question: group.question ?? '',
              },
      }),
    ),
    choices: [],
  };
}

/** What the row of a mix holds of its document. */
export function mixRow(body: unknown): { basis: unknown; density: unknown; bowlLoss: unknown } {
  const { basis, density = null, bowlLoss } = parsed(body) as Plain;
  return { basis, density, bowlLoss };
}

/** The parts of a mix as rows; a ratio is so many ml or g. */
export function mixPartRows(id: unknown, body: unknown): Plain[] {
  return list((parsed(body) as Plain).parts).map((part, position) => ({
    mix_of_id: id,
    position,
    ...amountColumns(part.amount as Plain),
    ...sourceColumns(part.source as Plain),
  }));
}

/** The rows that a protocol's document becomes; what stands for a block is left out. */
export function protocolRows(
  id: unknown,
  body: unknown,
): { summary: unknown; groups: Plain[]; steps: Plain[]; doses: Plain[] } {
  const document = parsed(body) as Plain;
  const steps = list(document.steps).filter((step) => step.blockId === undefined);
  return {
    summary: document.summary ?? '',
    groups: list(document.layerGroups).map((group, position) => {
      const layers = group.layers as Plain;
      const between = (group.between ?? {}) as Plain;
      const wait = (between.wait ?? {}) as Plain;
      return {
        protocol_id: id,
        id: group.id,
        position,
        name: group.name,
        layers_first: layers.first,
        layers_returning: layers.returning,
        wait_least: wait.least ?? null,
        wait_usual: wait.usual ?? null,
        wait_most: wait.most ?? null,
        question: between.question ?? null,
      };
    }),
    steps: steps.map((step, position) => {
      const minutes = step.minutes as Plain;
      return {
        protocol_id: id,
        id: step.id,
        position,
        stretch: step.stretch,
        name: step.name,
        done_by: step.by,
        hands: step.hands,
        least_minutes: minutes.least,
        usual_minutes: minutes.usual,
        most_minutes: minutes.most,
        zones: JSON.stringify(step.zones),
        meanwhile_of: step.meanwhileOf ?? null,
        layer_group_id: step.layerGroupId ?? null,
        cap_minutes: step.capMinutes ?? null,
        note: step.note ?? null,
      };
    }),
    doses: steps.flatMap((step) =>
      list(step.doses).map((dose, position) => ({
        protocol_id: id,
        step_id: step.id,
        id: dose.id,
        position,
        opening: dose.opening,
        ...amountColumns(dose.amount as Plain),
        ...sourceColumns(dose.source as Plain),
      })),
    ),
  };
}

function amountOf(row: Plain): Plain {
  const quantity = { low: row.amount_low, usual: row.amount_usual, high: row.amount_high };
  const how = row.amount_how;
  switch (how) {
    case 'measured':
      return { how, quantity, unit: row.amount_unit };
    case 'counted':
      return { how, quantity, measure: row.amount_unit };
    case 'named':
      return { how, quantity, name: row.amount_name };
    case 'coat':
      return { how, coat: row.amount_unit };
    case 'coat-weight':
      return { how, mgPerCm2: quantity };
    default:
      return { how, quantity };
  }
}

function amountColumns(amount: Plain): Plain {
  const triple = (amount.quantity ?? amount.mgPerCm2 ?? amount.parts ?? {}) as Plain;
  return {
    amount_how: amount.how === 'ratio' ? 'measured' : amount.how,
    amount_low: triple.low ?? null,
    amount_usual: triple.usual ?? null,
    amount_high: triple.high ?? null,
    amount_unit: amount.unit ?? amount.measure ?? amount.coat ?? null,
    amount_name: amount.name ?? null,
  };
}

function sourceOf(row: Plain): Plain {
  return row.material_id === null
    ? { kind: 'mix', mixId: row.mix_id }
    : { kind: 'material', materialId: row.material_id };
}

function sourceColumns(source: Plain): Plain {
  return { material_id: source.materialId ?? null, mix_id: source.mixId ?? null };
}

function held(value: Plain): Plain {
  return Object.fromEntries(
    Object.entries(value).filter(([, each]) => each !== null && each !== undefined),
  );
}

function parsed(value: unknown): unknown {
  return typeof value === 'string' ? JSON.parse(value) : value;
}

function list(value: unknown): Plain[] {
  return Array.isArray(value) ? (value as Plain[]) : [];
}
