import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { daysAfter } from '@bienestar/core/days/days';
import { dayText } from '../../format/figures';
import { Button, IconButton } from '../../parts/Button';
import { PlaceHeader } from '../../parts/PlaceHeader';
import type { WeekInHand } from './useWeek';

const PLACES = [
  ['/week', 'What it carries'],
  ['/week/worth', 'What an hour is worth'],
  ['/week/pairs', 'Two rooms'],
  ['/week/day', 'A day'],
  ['/week/played', 'Played through'],
  ['/week/roster', 'Hours and roster'],
] as const;

interface WeekHeaderProps {
  readonly title: string;
  /** the week that is looked at, where one is */
  readonly week?: WeekInHand;
  /** beside the title */
  readonly children?: ReactNode;
}

/** The head of every place of the week; the week goes along from one to the next. */
export function WeekHeader({ title, week, children }: WeekHeaderProps) {
  return (
    <PlaceHeader title={title} label="Of the week" places={PLACES} search={week?.search}>
      {children}
      {week && (
        <div className="flex items-center gap-1" role="group" aria-label="Which week">
          <IconButton label="The week before" onClick={() => week.goBy(-1)}>
            <ChevronLeft aria-hidden size={18} />
          </IconButton>
          <span className="text-sm whitespace-nowrap" aria-live="polite">
            {dayText(week.monday)} – {dayText(daysAfter(week.monday, 6))}
          </span>
          <IconButton label="The week after" onClick={() => week.goBy(1)}>
            <ChevronRight aria-hidden size={18} />
          </IconButton>
          <Button weight="quiet" className="h-8!" onClick={() => week.goTo(week.today)}>
            This week
          </Button>
        </div>
      )}
    </PlaceHeader>
  );
}
