import type { Sequelize } from 'sequelize';
import type { Dose, LayerGroup, Protocol, Step } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { childrenIn, storeOf, type Store } from '../aggregates/store';
import { usersBy } from '../aggregates/users';
import {
  amountColumns,
  amountOf,
  sourceColumns,
  sourceOf,
  type AmountColumns,
  type SourceColumns,
} from '../db/amountColumns';
import { fromJson, orNull, present } from '../db/optional';
import { table, type Kept } from '../db/tables';

interface ProtocolRow extends Kept {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
}

interface LayerGroupRow {
  readonly protocolId: string;
  readonly id: string;
  readonly position: number;
  readonly name: string;
  readonly layersFirst: number;
  readonly layersReturning: number;
  readonly waitLeast: number | null;
  readonly waitUsual: number | null;
  readonly waitMost: number | null;
  readonly question: string | null;
}

interface StepRow {
  readonly protocolId: string;
  readonly id: string;
  readonly position: number;
  readonly stretch: Step['stretch'];
  readonly name: string;
  readonly doneBy: Step['by'];
  readonly hands: Step['hands'];
  readonly leastMinutes: number;
  readonly usualMinutes: number;
  readonly mostMinutes: number;
  readonly zones: Step['zones'] | string;
  readonly meanwhileOf: string | null;
  readonly layerGroupId: string | null;
  readonly capMinutes: number | null;
  readonly note: string | null;
}

interface DoseRow extends AmountColumns, SourceColumns {
  readonly protocolId: string;
  readonly stepId: string;
  readonly id: string;
  readonly position: number;
  readonly opening: Dose['opening'];
}

/** Protocols with their layer groups, steps and doses in the database. */
export function protocolStore(sequelize: Sequelize): Store<Protocol> {
  return storeOf<Protocol, ProtocolRow>({
    table: table(sequelize, 'protocols'),
    key: 'id',
    keyOf: (protocol) => protocol.id,
    toRow: ({ id, name, summary }) => ({ id, name, summary }),
    fromRow: ({ id, name, summary }, [groups, steps, doses]) => ({
      id: asId(id),
      name,
      summary,
      steps: ((steps ?? []) as StepRow[]).map((row) =>
        stepOf(
          row,
          ((doses ?? []) as DoseRow[]).filter((dose) => dose.stepId === row.id),
        ),
      ),
      layerGroups: ((groups ?? []) as LayerGroupRow[]).map(layerGroupOf),
    }),
    children: [
      childrenIn(
        table<LayerGroupRow>(sequelize, 'layer_groups'),
        'protocolId',
        ['position'],
        layerGroupRows,
      ),
      childrenIn(table<StepRow>(sequelize, 'steps'), 'protocolId', ['position'], stepRows),
      childrenIn(table<DoseRow>(sequelize, 'doses'), 'protocolId', ['position'], doseRows),
    ],
    usedBy: usersBy(sequelize, {
      service: 'SELECT id, name FROM services WHERE protocol_id = :id ORDER BY ordinal',
    }),
  });
}

function layerGroupRows(protocol: Protocol): LayerGroupRow[] {
  return protocol.layerGroups.map((group, position) => ({
    protocolId: protocol.id,
    id: group.id,
    position,
    name: group.name,
    layersFirst: group.layers.first,
    layersReturning: group.layers.returning,
    waitLeast: orNull(group.between?.wait.least),
    waitUsual: orNull(group.between?.wait.usual),
    waitMost: orNull(group.between?.wait.most),
    question: orNull(group.between?.question),
  }));
}

function layerGroupOf(row: LayerGroupRow): LayerGroup {
  const { waitLeast, waitUsual, waitMost, question } = row;
  const waits = waitLeast !== null && waitUsual !== null && waitMost !== null;
  return {
    id: asId(row.id),
    name: row.name,
    layers: { first: row.layersFirst, returning: row.layersReturning },
    ...(waits
      ? {
          between: {
            wait: { least: waitLeast, usual: waitUsual, most: waitMost },
            question: question ?? '',
          },
        }
      : {}),
  };
}

function stepRows(protocol: Protocol): StepRow[] {
  return protocol.steps.map((step, position) => ({
    protocolId: protocol.id,
    id: step.id,
    position,
    stretch: step.stretch,
    name: step.name,
    doneBy: step.by,
    hands: step.hands,
    leastMinutes: step.minutes.least,
    usualMinutes: step.minutes.usual,
    mostMinutes: step.minutes.most,
    zones: step.zones,
    meanwhileOf: orNull<string>(step.meanwhileOf),
    layerGroupId: orNull<string>(step.layerGroupId),
    capMinutes: orNull(step.capMinutes),
    note: orNull(step.note),
  }));
}

function stepOf(row: StepRow, doses: readonly DoseRow[]): Step {
  const { meanwhileOf, layerGroupId } = row;
  return {
    id: asId(row.id),
    stretch: row.stretch,
    name: row.name,
    by: row.doneBy,
    hands: row.hands,
    minutes: { least: row.leastMinutes, usual: row.usualMinutes, most: row.mostMinutes },
    zones: fromJson<Step['zones']>(row.zones),
    doses: doses.map(doseOf),
    ...(meanwhileOf === null ? {} : { meanwhileOf: asId(meanwhileOf) }),
    ...(layerGroupId === null ? {} : { layerGroupId: asId(layerGroupId) }),
    ...present({ capMinutes: row.capMinutes, note: row.note }),
  };
}

function doseRows(protocol: Protocol): DoseRow[] {
  return protocol.steps.flatMap((step) =>
    step.doses.map((dose, position) => ({
      protocolId: protocol.id,
      stepId: step.id,
      id: dose.id,
      position,
      opening: dose.opening,
      ...amountColumns(dose.amount),
      ...sourceColumns(dose.source),
    })),
  );
}

function doseOf(row: DoseRow): Dose {
  return {
    id: asId(row.id),
    source: sourceOf(row),
    amount: amountOf(row),
    opening: row.opening,
  };
}
