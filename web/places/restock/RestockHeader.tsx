import type { ReactNode } from 'react';
import { PlaceHeader } from '../../parts/PlaceHeader';

const PLACES = [
  ['/restock', 'Today'],
  ['/restock/levels', 'When to order'],
  ['/restock/orders', 'Orders'],
  ['/restock/counts', 'Counts'],
  ['/restock/demand', 'Who comes'],
  ['/restock/risk', 'What it risks'],
] as const;

interface RestockHeaderProps {
  readonly title: string;
  /** beside the title */
  readonly children?: ReactNode;
}

/** The head of every place of restocking. */
export function RestockHeader({ title, children }: RestockHeaderProps) {
  return (
    <PlaceHeader title={title} label="Of restocking" places={PLACES}>
      {children}
    </PlaceHeader>
  );
}
