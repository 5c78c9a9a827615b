import type { SupplierId } from './ids';
import type { Supplier } from './supplier';

/** A supplier of whom only the name is known: a week away, looked at whenever something runs low. */
export function newSupplier(id: SupplierId, name: string): Supplier {
  return { id, name, leadTimeDays: 7, leadTimeSdDays: 1, reviewDays: 0 };
}
