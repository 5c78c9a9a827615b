import type { Sequelize } from 'sequelize';
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

/** What nobody asked for: the house does it itself, at night or when it is started. */
export function byItself(): Occasion {
  return { actor: 'the house itself', now: new Date() };
}

/** Looks something up in a unit of work. @see reading */
export function readingUnit<T>(
  sequelize: Sequelize,
  occasion: Occasion,
  work: (unit: UnitOfWork) => Promise<T>,
  withinMs?: number,
): Promise<T> {
  return reading(sequelize, (session) => work(unitIn(session, occasion)), withinMs);
}

/** Changes something in a unit of work, all or nothing. @see writing */
export function writingUnit<T>(
  sequelize: Sequelize,
  occasion: Occasion,
  work: (unit: UnitOfWork) => Promise<T>,
  withinMs?: number,
): Promise<T> {
  return writing(sequelize, (session) => work(unitIn(session, occasion)), withinMs);
}

function unitIn(session: Session, occasion: Occasion): UnitOfWork {
  return { ...session, ...occasion, house: repositoriesIn(session, occasion) };
}
