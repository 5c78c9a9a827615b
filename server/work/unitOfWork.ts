import { QueryTypes, type Sequelize } from 'sequelize';
import { timeZoneHere } from '@bienestar/core/days/timeZones';
import type { Occasion } from '../audit/auditTrail';
import { reading, writing, type Session } from '../db/transactions';
import { repositoriesIn, type Repositories } from '../house/repositories';

/**
 * What one request, or one task of the house's own, is done in: one transaction on one house, by one actor
 * at one moment. All that it reads and writes goes through it.
 */
export interface UnitOfWork extends Session, Occasion {
  readonly house: Repositories;
}

/** Who does something, and when. */
export type Actor = Omit<Occasion, 'timeZone'>;

/** What nobody asked for: the house does it itself, at night or when it is started. */
export function byItself(): Actor {
  return { actor: 'the house itself', now: new Date() };
}

/** Looks something up in a unit of work. @see reading */
export function readingUnit<T>(
  sequelize: Sequelize,
  actor: Actor,
  work: (unit: UnitOfWork) => Promise<T>,
  withinMs?: number,
): Promise<T> {
  return reading(sequelize, async (session) => work(await unitIn(session, actor)), withinMs);
}

/** Changes something in a unit of work, all or nothing. @see writing */
export function writingUnit<T>(
  sequelize: Sequelize,
  actor: Actor,
  work: (unit: UnitOfWork) => Promise<T>,
  withinMs?: number,
): Promise<T> {
  return writing(sequelize, async (session) => work(await unitIn(session, actor)), withinMs);
}

async function unitIn(session: Session, actor: Actor): Promise<UnitOfWork> {
  const occasion = { ...actor, timeZone: await timeZoneIn(session) };
  return { ...session, ...occasion, house: repositoriesIn(session, occasion) };
}

/** The clocks of the house; those of the machine where there is no house yet. */
async function timeZoneIn({ sequelize, transaction }: Session): Promise<string> {
  const [row] = await sequelize.query<{ readonly timeZone: string }>(
    "SELECT JSON_VALUE(body, '$.timeZone') AS timeZone FROM settings",
    { type: QueryTypes.SELECT, transaction },
  );
  return row?.timeZone ?? timeZoneHere();
}
