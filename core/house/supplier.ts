import type { Weekday } from '../days/days';
import type { SupplierId } from './ids';

/** What a column of a price list says about an article. */
export type ListField =
  | 'code'
  | 'name'
  | 'containers'
  | 'content'
  | 'unit'
  | 'price'
  | 'currency'
  | 'discount'
  | 'freight'
  | 'leastPacks';

/** How prices of what is bought are typed, and what becomes of their tax. */
export interface PurchaseTax {
  /** of the price without it: 0.21 is 21 % */
  readonly rate: number;
  /** prices are typed with it */
  readonly included: boolean;
  /** the house gets it back */
  readonly recovered: boolean;
}

/** Days on which a supplier is closed, both included. ISO dates. */
export interface ClosedTime {
  readonly from: string;
  readonly to: string;
}

/** Who sells what the treatments use, and how it comes. */
export interface Supplier {
  readonly id: SupplierId;
  readonly name: string;
  readonly leadTimeDays: number;
  readonly leadTimeSdDays: number;
  /** days between looks at the shelf; 0 is a continuous review */
  readonly reviewDays: number;
  /** none is any day */
  readonly deliveryDays?: readonly Weekday[];
  /** when nobody writes down an order and nothing is delivered */
  readonly closed?: readonly ClosedTime[];
  /** below which the supplier takes no order */
  readonly leastOrderMinor?: number;
  /** the name under which the supplier's price list can be fetched */
  readonly feed?: string;
  /** what is otherwise at times of the year, such as closed in August */
  readonly season?: string;
  /** the house's unless given */
  readonly purchaseTax?: PurchaseTax;
  /** the headings that this supplier's price lists use, as they were matched last */
  readonly columns?: Readonly<Partial<Record<ListField, string>>>;
}
