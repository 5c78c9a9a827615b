import type Joi from 'joi';
import { QueryTypes } from 'sequelize';
import { checkAgainst, type Fault } from '@bienestar/contract/check';
import { danglingFault, type Reference, type ReferredKind } from '@bienestar/contract/references';
import { invalidInput } from '../http/problems';
import type { TableName } from '../db/tables';
import type { Session } from '../db/transactions';

const TABLE_OF: Record<Exclude<ReferredKind, 'edition'>, TableName> = {
  person: 'people',
  supplier: 'suppliers',
  material: 'materials',
  mix: 'mixes',
  device: 'devices',
  block: 'blocks',
  protocol: 'protocols',
  service: 'services',
  offer: 'offers',
};

/** The value of an input, or a refusal with its faults. */
export function checkedInput<T>(
  schema: Joi.Schema<T>,
  input: unknown,
  furtherFaults: (value: T) => readonly Fault[] = () => [],
): T {
  const checked = checkAgainst(schema, input);
  if (!checked.ok) throw invalidInput(checked.faults);
  const faults = furtherFaults(checked.value);
  if (faults.length > 0) throw invalidInput(faults);
  return checked.value;
}

/** A written value without the version it carries, and that version. */
export function takeVersion(body: unknown): { readonly value: unknown; readonly version: number } {
  if (typeof body !== 'object' || body === null || Array.isArray(body)) {
    throw invalidInput([{ pointer: '', code: 'object.base', message: 'This must be an object.' }]);
  }
  const { version, ...value }: Record<string, unknown> = { ...body };
  return { value, version: versionFrom(version) };
}

/** The version that a write names. */
export function versionFrom(version: unknown): number {
  const number = typeof version === 'string' ? Number(version) : version;
  if (typeof number === 'number' && Number.isSafeInteger(number) && number >= 0) return number;
  throw invalidInput([
    { pointer: '/version', code: 'version', message: 'Say which version you have read.' },
  ]);
}

/** Refuses references to things that are not in the house. */
export async function checkReferences(
  { sequelize, transaction }: Session,
  references: readonly Reference[],
): Promise<void> {
  const faults: Fault[] = [];
  for (const kind of new Set(references.map((reference) => reference.kind))) {
    const of = references.filter((reference) => reference.kind === kind);
    const ids = [...new Set(of.map((reference) => reference.id))];
    const from =
      kind === 'edition'
        ? "(SELECT CONCAT(protocol_id, '#', number) AS id FROM editions) e"
        : TABLE_OF[kind];
    const rows = await sequelize.query<{ id: string }>(
      `SELECT id FROM ${from} WHERE id IN (:ids) LOCK IN SHARE MODE`,
      { type: QueryTypes.SELECT, replacements: { ids }, transaction },
    );
    const found = new Set(rows.map((row) => row.id));
    faults.push(...of.filter((reference) => !found.has(reference.id)).map(danglingFault));
  }
  if (faults.length > 0) throw invalidInput(faults);
}

/**
 * Where a page begins, as the query says: before the thing of that ordinal.
 * @throws a refusal 400
 */
export function beforeFrom(text: unknown): number | undefined {
  if (text === undefined) return undefined;
  const before = typeof text === 'string' ? Number(text) : Number.NaN;
  if (Number.isSafeInteger(before) && before > 0) return before;
  throw invalidInput([{ pointer: '/before', code: 'number', message: 'This is not a page.' }]);
}
