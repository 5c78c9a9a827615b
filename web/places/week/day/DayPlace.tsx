import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { daysAfter } from '@bienestar/core/days/days';
import type { RoomId } from '@bienestar/core/house/ids';
import type { Span } from '@bienestar/core/house/house';
import { openOn, weekFrom } from '@bienestar/core/week/openTimes';
import { calendarOfDay } from '@bienestar/core/week/day/calendarOfDay';
import { keyInHand } from '@bienestar/core/week/day/dayVisits';
import { counted, dayText, shortDay } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { saveFile } from '../../../parts/saveFile';
import { useHouse } from '../../../store/house';
import { NeedsHours } from '../NeedsHours';
import { useWeekOfHouse } from '../useWeek';
import { WeekHeader } from '../WeekHeader';
import { dayName } from '../weekWords';
import { DayPaper } from './DayPaper';
import { DayLanes } from './DayLanes';
import { GapInHand } from './GapInHand';
import { NothingInHand } from './NothingInHand';
import { useDay, type DayInHand } from './useDay';
import { VisitInHand } from './VisitInHand';

/** What is in hand of a day: a visit, a gap of a room, or nothing. */
type Taken =
  | { readonly is: 'nothing' }
  | { readonly is: 'visit'; readonly key: string }
  | { readonly is: 'gap'; readonly roomId: RoomId; readonly gap: Span };

/** A day: rooms as lanes along the clock, visits as the ribbons of their protocols, and what does not fit. */
export function DayPlace() {
  const day = useDay();
  const week = useWeekOfHouse(day.monday);
  return (
    <div className="flex h-full flex-col print:block">
      <WeekHeader title="A day">
        <DayTabs day={day} />
      </WeekHeader>
      {week.ok ? <Day key={day.day} day={day} /> : <NeedsHours problems={week.problems} />}
    </div>
  );
}

function DayTabs({ day: { day, monday, today, goTo } }: { readonly day: DayInHand }) {
  return (
    <div role="group" aria-label="Which day" className="flex flex-wrap items-center gap-px">
      {weekFrom(monday).map((each) => (
        <button
          key={each}
          type="button"
          aria-pressed={each === day}
          onClick={() => goTo(each)}
          className={`h-9 border border-line-strong px-2.5 text-sm ${each === day ? 'bg-palm-wash font-semibold' : 'bg-sheet hover:bg-sunk'} ${each === today ? 'text-clay' : ''}`}
        >
          {shortDay(each)}
        </button>
      ))}
      <Button weight="quiet" onClick={() => goTo(weekBefore(monday))} aria-label="The week before">
        ‹
      </Button>
      <Button weight="quiet" onClick={() => goTo(weekAfter(monday))} aria-label="The week after">
        ›
      </Button>
      <Button weight="quiet" onClick={() => goTo(today)}>
        Today
      </Button>
    </div>
  );
}

function Day({ day }: { readonly day: DayInHand }) {
  const house = useHouse();
  const [taken, setTaken] = useState<Taken>({ is: 'nothing' });
  const { visits, conflicts } = day;
  const visit =
    taken.is === 'visit' ? visits.find((each) => keyInHand(each) === taken.key) : undefined;
  const open = house.settings.openHours && openOn(day.day, house.settings.openHours);
  const proposals = visits.filter(
    ({ placed, roomId, need }) => !placed && (roomId ?? need.isAddOn),
  );
  return (
    <>
      <div className="columns-of-place lg:grid-cols-[minmax(0,1fr)_24rem] print:hidden!">
        <section
          aria-label="Rooms and hands"
          tabIndex={0}
          className="min-h-0 overflow-auto px-3 py-3 sm:px-6"
        >
          <div className="flex flex-wrap items-center gap-3 pb-2">
            <p className="min-w-full flex-1 text-lg sm:min-w-0">
              {dayName(weekFrom(day.monday).indexOf(day.day))} {dayText(day.day)}
              {open?.otherwise !== undefined && `, ${open.otherwise}`}
              {': '}
              {open?.spans.length === 0 ? 'closed' : counted(visits.length, 'visit')}
              {conflicts.length > 0 && (
                <span className="text-clay">
                  {' '}
                  ▲ {counted(conflicts.length, 'thing does', 'things do')} not fit
                </span>
              )}
            </p>
            {proposals.length > 0 && (
              <Button
                onClick={() => {
                  void day.placeAll(proposals);
                }}
              >
                Keep all as drawn
              </Button>
            )}
            <Button onClick={() => window.print()}>
              <Printer aria-hidden size={16} />
              Sheets
            </Button>
            <Button
              onClick={() =>
                saveFile(
                  calendarOfDay(house, day.day, visits, new Date()),
                  `${day.day}.ics`,
                  'text/calendar',
                )
              }
            >
              iCalendar
            </Button>
            <Link
              to={`/week/played?day=${day.day}&week=${day.monday}`}
              className="text-sm underline"
            >
              Play it through
            </Link>
          </div>
          <DayLanes
            day={day}
            takenKey={taken.is === 'visit' ? taken.key : undefined}
            onTake={(key) => setTaken({ is: 'visit', key })}
            onGap={(roomId, gap) => setTaken({ is: 'gap', roomId, gap })}
          />
        </section>
        <aside
          aria-label="In hand"
          tabIndex={0}
          className="flex min-h-0 flex-col gap-4 overflow-y-auto border-l border-line bg-sheet px-5 py-4 text-sm"
        >
          {visit ? (
            <VisitInHand
              key={keyInHand(visit)}
              day={day}
              visit={visit}
              onClose={() => setTaken({ is: 'nothing' })}
            />
          ) : taken.is === 'gap' ? (
            <GapInHand
              day={day}
              roomId={taken.roomId}
              gap={taken.gap}
              onClose={() => setTaken({ is: 'nothing' })}
            />
          ) : (
            <NothingInHand day={day} onTake={(key) => setTaken({ is: 'visit', key })} />
          )}
        </aside>
      </div>
      <DayPaper day={day} />
    </>
  );
}

function weekBefore(monday: string): string {
  return daysAfter(monday, -7);
}

function weekAfter(monday: string): string {
  return daysAfter(monday, 7);
}
