import { useState } from 'react';
import type { Versioned } from '@bienestar/contract/api';
import { daysAfter, weekdayOf } from '@bienestar/core/days/days';
import type { HoursSeason, Person, Span } from '@bienestar/core/house/house';
import {
  openOn,
  weekFrom,
  withOpenDay,
  withOpenSeasonDay,
  withOtherDays,
} from '@bienestar/core/week/openTimes';
import {
  asUsual,
  copyWeek,
  rosterOf,
  withDay,
  withSeasonWorkDay,
  withUsualDay,
  type RosterLine,
} from '@bienestar/core/week/roster';
import { money, number, shortDay } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { Problems } from '../../../parts/Problems';
import { Segments } from '../../../parts/Segments';
import { useHouse, useSnapshot } from '../../../store/house';
import { inOneGo } from '../../../store/undo';
import { useChangeOf, useChangeSettings } from '../../../store/useEditPart';
import { useWeekInHand } from '../useWeek';
import { WeekHeader } from '../WeekHeader';
import { dayName, hours } from '../weekWords';
import { AwayFields } from './AwayFields';
import { seasonOn } from '@bienestar/core/week/seasons';
import { DayCell } from './DayCell';
import { OtherDays } from './OtherDays';
import { SeasonFields } from './SeasonFields';
import { PlanningFields } from './PlanningFields';
import { TimesField } from './TimesField';

/** Whether a change holds for the week in hand, or for every week. */
type Holds = 'this-week' | 'always';

/** Who or what is in hand on which day of the week: the house itself has no id. */
interface InHand {
  readonly id: string | undefined;
  readonly day: string;
}

/** When the house is open and who works when, pulled along the day or written as they are said; the pay of the week. */
export function RosterPlace() {
  const house = useHouse();
  const snapshot = useSnapshot();
  const week = useWeekInHand();
  const { monday } = week;
  const changePerson = useChangeOf('people');
  const changeSettings = useChangeSettings();
  const [holds, setHolds] = useState<Holds>('always');
  const [inHand, setInHand] = useState<InHand>();
  const days = weekFrom(monday);
  const { openHours, currency } = house.settings;
  const roster = rosterOf(house, monday);
  const openOf = (day: string): readonly Span[] => (openHours ? openOn(day, openHours).spans : []);
  const versioned = (id: string): Versioned<Person> | undefined =>
    snapshot.people.find((person) => person.id === id);

  const seasonOf = (day: string): HoursSeason | undefined => seasonOn(day, openHours?.seasons);
  const setOpen = (day: string, spans: readonly Span[]): Promise<string | undefined> =>
    changeSettings(({ openHours: latest }) => {
      const season = seasonOf(day);
      return {
        openHours:
          holds === 'always'
            ? season && latest
              ? withOpenSeasonDay(latest, season, day, spans)
              : withOpenDay(latest, weekdayOf(day), spans)
            : withOtherDays(latest, { from: day, to: day, name: 'another day than usual', spans }),
      };
    });
  const setWork = (
    id: string,
    day: string,
    spans: readonly Span[],
  ): Promise<string | undefined> => {
    const person = versioned(id);
    if (!person) return Promise.resolve(undefined);
    const season = seasonOf(day);
    return changePerson(person, (latest) => ({
      hours: (holds === 'this-week'
        ? withDay(latest, day, spans)
        : season
          ? withSeasonWorkDay(latest, season, day, spans)
          : withUsualDay(latest, weekdayOf(day), spans)
      ).hours,
    }));
  };
  const change = (id: string | undefined, day: string, spans: readonly Span[]) =>
    id === undefined ? setOpen(day, spans) : setWork(id, day, spans);
  const forAll = (now: readonly Person[], words: string): void => {
    const together = inOneGo(words);
    for (const person of snapshot.people) {
      const next = now.find(({ id }) => id === person.id);
      if (next && next.hours !== person.hours)
        void changePerson(person, { hours: next.hours }, together);
    }
  };
  const copy = (from: string, to: string): void =>
    forAll(
      copyWeek(house.people, from, to),
      `The roster of ${shortDay(from)} was copied to ${shortDay(to)}`,
    );

  return (
    <div className="flex h-full flex-col">
      <WeekHeader title="Hours and roster" week={week}>
        <Segments<Holds>
          labelHidden
          label="What is changed holds"
          value={holds}
          options={[
            { value: 'always', label: 'every week' },
            { value: 'this-week', label: 'this week only' },
          ]}
          onChoose={setHolds}
        />
      </WeekHeader>
      <div className="columns-of-place lg:grid-cols-[minmax(0,1fr)_22rem]">
        <section
          aria-label="Roster"
          tabIndex={0}
          className="min-h-0 overflow-auto px-3 py-4 sm:px-6"
        >
          <Problems problems={roster.faults} isTold />
          <table className="w-full min-w-[50rem] table-fixed border-collapse text-sm">
            <thead>
              <tr className="text-xs text-ink-soft">
                <th scope="col" className="w-24 pb-1 text-left font-semibold">
                  Who
                </th>
                {days.map((day) => (
                  <th key={day} scope="col" className="pb-1 text-left font-semibold">
                    {shortDay(day)}
                  </th>
                ))}
                <th scope="col" className="w-24 pb-1 text-right font-semibold">
                  in the week
                </th>
              </tr>
            </thead>
            <tbody>
              <tr className="border-y border-line-strong bg-sheet">
                <th scope="row" className="py-2 text-left font-serif text-base font-normal">
                  The house
                </th>
                {days.map((day) => (
                  <DayCell
                    key={day}
                    who="The house"
                    day={day}
                    spans={openOf(day)}
                    note={openHours && (openOn(day, openHours).otherwise ?? seasonOf(day)?.name)}
                    open={openOf(day)}
                    isHouse
                    isInHand={inHand?.day === day && inHand.id === undefined}
                    onTake={() => setInHand({ id: undefined, day })}
                    onChange={(spans) => void change(undefined, day, spans)}
                  />
                ))}
                <td />
              </tr>
              {roster.lines.map((line) => (
                <tr key={line.person.id} className="border-b border-line">
                  <th scope="row" className="py-2 text-left font-normal">
                    <span className="block font-serif text-base leading-tight">
                      {line.person.name}
                    </span>
                    <span className="text-xs text-ink-soft">{line.person.role}</span>
                  </th>
                  {days.map((day, at) => (
                    <DayCell
                      key={day}
                      who={line.person.name}
                      day={day}
                      spans={line.days[at]?.spans ?? []}
                      note={line.days[at]?.away}
                      open={openOf(day)}
                      isInHand={inHand?.day === day && inHand.id === line.person.id}
                      onTake={() => setInHand({ id: line.person.id, day })}
                      onChange={(spans) => void change(line.person.id, day, spans)}
                    />
                  ))}
                  <td className="text-right align-middle">
                    <LineSum line={line} currency={currency} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="max-w-[70ch] pt-3">
            The week's pay: <strong>{money(roster.fixedPay, currency)}</strong> that is owed whether
            or not somebody comes
            {roster.variablePay > 0 &&
              `, and up to ${money(roster.variablePay, currency)} for hours that are worked`}
            .
          </p>
          <div className="flex flex-wrap gap-2 pt-3">
            <Button onClick={() => copy(daysAfter(monday, -7), monday)}>
              As in the week before
            </Button>
            <Button onClick={() => copy(monday, daysAfter(monday, 7))}>
              Copy into the next week
            </Button>
            <Button
              onClick={() =>
                forAll(
                  asUsual(house.people, monday, openHours?.seasons),
                  `The week of ${shortDay(monday)} is the usual one`,
                )
              }
            >
              This is how it usually is
            </Button>
          </div>
        </section>
        <aside
          aria-label="In hand"
          tabIndex={0}
          className="flex min-h-0 flex-col gap-5 overflow-y-auto border-l border-line bg-sheet px-5 py-4 text-sm"
        >
          {inHand ? (
            <section>
              <h2 className="pb-2 text-lg">
                {inHand.id === undefined
                  ? 'The house'
                  : (house.people.find(({ id }) => id === inHand.id)?.name ?? '')}
                , {dayName(weekdayOf(inHand.day) - 1)}
              </h2>
              <TimesField
                key={`${inHand.id ?? 'house'}/${inHand.day}/${holds}`}
                label={
                  holds === 'always'
                    ? `Hours on this day of every week${inSeason(seasonOf(inHand.day))}`
                    : 'Hours on this day'
                }
                spans={
                  inHand.id === undefined
                    ? openOf(inHand.day)
                    : (roster.lines.find(({ person }) => person.id === inHand.id)?.days[
                        days.indexOf(inHand.day)
                      ]?.spans ?? [])
                }
                onCommit={(spans) => change(inHand.id, inHand.day, spans)}
              />
              {inHand.id !== undefined && <AwayFields key={inHand.id} personId={inHand.id} />}
            </section>
          ) : (
            <p className="text-ink-soft">
              Press a day to write its hours, such as 10-14, 15-19; or pull the ends of what is
              drawn.
            </p>
          )}
          <OtherDays />
          <SeasonFields />
          <PlanningFields />
        </aside>
      </div>
    </div>
  );
}

function inSeason(season: HoursSeason | undefined): string {
  return season ? `, ${season.name}` : '';
}

function LineSum({ line, currency }: { readonly line: RosterLine; readonly currency: string }) {
  const { minutes, overAgreedMinutes: apart, closedMinutes, fixedPay, variablePay } = line;
  return (
    <>
      <span className="block">{hours(minutes)}</span>
      <span className="block text-xs text-ink-soft">{money(fixedPay + variablePay, currency)}</span>
      {Math.abs(apart) >= 1 && (
        <span className="block text-xs text-clay">
          {number(Math.abs(apart) / 60, 1)} h {apart > 0 ? 'more' : 'less'} than agreed
        </span>
      )}
      {closedMinutes > 0 && (
        <span className="block text-xs text-ink-soft">{hours(closedMinutes)} while closed</span>
      )}
    </>
  );
}
