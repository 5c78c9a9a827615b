import type { ReactNode } from 'react';
import { PlaceHeader } from '../../parts/PlaceHeader';

const PLACES = [
  ['/logbook', 'Visits'],
  ['/logbook/teaches', 'What it teaches'],
  ['/logbook/foresees', 'How well figures foresee'],
] as const;

interface LogbookHeaderProps {
  readonly title: string;
  /** beside the title */
  readonly children?: ReactNode;
}

/** The head of every place of the logbook. */
export function LogbookHeader({ title, children }: LogbookHeaderProps) {
  return (
    <PlaceHeader title={title} label="Of the logbook" places={PLACES}>
      {children}
    </PlaceHeader>
  );
}
