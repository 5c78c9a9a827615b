import type { ReactNode } from 'react';
import { PlaceHeader } from '../../parts/PlaceHeader';

const PLACES = [
  ['/menu', 'Services'],
  ['/menu/offers', 'Courses and packages'],
  ['/menu/what-if', 'What if'],
  ['/menu/margins', 'What moved'],
  ['/menu/map', 'What earns'],
  ['/menu/adds-up', 'Does it add up?'],
  ['/menu/guests', 'For guests'],
] as const;

interface MenuHeaderProps {
  readonly title: string;
  /** beside the title */
  readonly children?: ReactNode;
}

/** The head of every place of the menu. */
export function MenuHeader({ title, children }: MenuHeaderProps) {
  return (
    <PlaceHeader title={title} label="Of the menu" places={PLACES}>
      {children}
    </PlaceHeader>
  );
}
