import type Joi from 'joi';
import type { Sequelize } from 'sequelize';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import { checkAgainst } from '@bienestar/contract/check';
import { Refusal } from '../http/problems';

/** Whether something could not be read because a document is not as it was written. */
export function isDamaged(error: unknown): boolean {
  return error instanceof Refusal && error.type === PROBLEM_TYPES.damaged;
}

/** by database: the version of each document that was found right */
const known = new WeakMap<Sequelize, Map<string, number>>();

/**
 * Checks a document as it is read against the rules by which it was written, once a version: the database may
 * have been written by another program, or brought back from somewhere.
 * @param of what it is called, with its table
 * @throws a refusal 422 that names the document and the place
 */
export function checkDocument(
  sequelize: Sequelize,
  of: { readonly table: string; readonly id: string; readonly version: number },
  schema: Joi.Schema,
  document: unknown,
): void {
  const checked = known.get(sequelize) ?? new Map<string, number>();
  known.set(sequelize, checked);
  const key = `${of.table}/${of.id}`;
  if (checked.get(key) === of.version) return;
  const result = checkAgainst(schema, document);
  if (!result.ok) {
    const [fault] = result.faults;
    throw new Refusal(
      422,
      PROBLEM_TYPES.damaged,
      'Not as it was written',
      `“${of.id}” in ${of.table} is not as this version of Bienestar keeps it (${fault?.pointer ?? ''}: ${fault?.message ?? ''}). Nothing was changed. Bring back a safe copy, or start the version that wrote it.`,
    );
  }
  checked.set(key, of.version);
}
