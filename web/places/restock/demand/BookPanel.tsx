import { CalendarDays, FileUp } from 'lucide-react';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { toast } from '../../../parts/toast';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { ServiceId } from '@bienestar/core/house/ids';
import { bookingNames, unmatchedTitles, withName } from '@bienestar/core/restock/forecast';
import type { ReadCalendar } from '@bienestar/core/calendar/readCalendar';
import { counted, number, percent } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { NumberField } from '../../../parts/NumberField';
import { refusalWords } from '../../../store/refusals';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { useLazyBookingFeedQuery, useSaveBookingsMutation } from '../../../store/restockApi';
import { askWorker, type AskedWorker } from '../../../workers/askWorker';
import type { CalendarWorker } from '../../../workers/calendar.worker';
import { useTimeZone } from '../../../store/clock';
import { useChangeRestock } from './useChangeRestock';

const LARGEST_FILE = 20 * 1024 * 1024;
const MOST_SHOWN = 8;
const NO_TREATMENT = 'no-treatment';

type Reading =
  | { readonly is: 'nothing' }
  | { readonly is: 'reading'; readonly share: number }
  | { readonly is: 'read'; readonly of: ReadCalendar }
  | { readonly is: 'failed'; readonly message: string };

/** The book: read from the booking program or a file, its titles matched to services once for all. */
export function BookPanel() {
  const house = useHouse();
  const { restock } = house.settings;
  const change = useChangeRestock();
  const input = useRef<HTMLInputElement>(null);
  const { reading, read, fail, cancel } = useCalendar();
  const [fetchFeed, { isFetching }] = useLazyBookingFeedQuery();
  const fetchIt = async (): Promise<void> => {
    const answer = await fetchFeed();
    if (answer.data) {
      await read(answer.data.text);
      return;
    }
    fail(refusalWords(answer.error));
  };
  const choose = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > LARGEST_FILE) fail(`${file.name} is larger than the 20 MB that are read.`);
    else await read(await file.text());
  };
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <Button disabled={isFetching} onClick={() => void fetchIt()}>
          <CalendarDays aria-hidden size={16} />{' '}
          {isFetching ? 'Waiting for the calendar …' : 'Read the booking calendar'}
        </Button>
        <Button onClick={() => input.current?.click()}>
          <FileUp aria-hidden size={16} /> Choose a file
        </Button>
        <input
          ref={input}
          type="file"
          aria-label="Calendar file"
          accept=".ics,text/calendar"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            void choose(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </div>
      {reading.is === 'reading' && (
        <p role="status" className="flex items-center gap-3 text-sm">
          <progress aria-label="Reading the calendar" value={reading.share} max={1} />
          {percent(reading.share, 0)}
          <Button onClick={cancel}>Cancel</Button>
        </p>
      )}
      {reading.is === 'failed' && (
        <p role="alert" className="border-l-2 border-clay bg-clay-wash px-3 py-2 text-sm">
          ▲ {reading.message}
        </p>
      )}
      {reading.is === 'read' && <ReadWords of={reading.of} />}
      <NumberField
        className="w-56"
        label="Days ahead for which the book counts"
        unit="days"
        commitOn="leaving"
        value={restock.bookingDays}
        check={within(LIMITS.bookingDays)}
        onCommit={(bookingDays) => change({ bookingDays })}
      />
      <Titles />
    </>
  );
}

/** Reads a calendar in a worker and puts it in the place of the book; reading can be cancelled. */
function useCalendar() {
  const { today } = useRestock();
  const timeZone = useTimeZone();
  const [reading, setReading] = useState<Reading>({ is: 'nothing' });
  const [save] = useSaveBookingsMutation();
  const running = useRef<AskedWorker<CalendarWorker>>(undefined);
  const stop = (): void => {
    running.current?.end();
    running.current = undefined;
  };
  useEffect(() => stop, []);
  const fail = (message: string): void => setReading({ is: 'failed', message });
  const read = async (text: string): Promise<void> => {
    stop();
    const calendars = askWorker<CalendarWorker>(
      new Worker(new URL('../../../workers/calendar.worker.ts', import.meta.url), {
        type: 'module',
      }),
    );
    running.current = calendars;
    setReading({ is: 'reading', share: 0 });
    const onProgress = proxy((share: number) => setReading({ is: 'reading', share }));
    const of = await calendars
      .ask((worker) => worker.read(text, today, timeZone, onProgress))
      .catch(() => undefined);
    if (running.current !== calendars) return;
    stop();
    if (!of) {
      fail('The calendar could not be read just now. Nothing was changed.');
      return;
    }
    const [fault] = of.faults;
    if (of.events === 0 && fault) {
      fail(fault.message);
      return;
    }
    const saved = await save(of.bookings);
    if (saved.error) {
      fail(refusalWords(saved.error));
      return;
    }
    setReading({ is: 'read', of });
    toast.success(`${counted(of.bookings.length, 'visit')} in the book.`);
  };
  return {
    reading,
    read,
    fail,
    cancel: (): void => {
      stop();
      setReading({ is: 'nothing' });
    },
  };
}

function ReadWords({ of }: { readonly of: ReadCalendar }) {
  return (
    <div role="status" className="border-l-2 border-palm pl-3 text-sm">
      <p>
        {counted(of.bookings.length, 'visit')} taken over from {counted(of.events, 'event')}.
        {of.calledOff > 0 && ` ${number(of.calledOff)} called off.`}
        {of.wholeDays > 0 && ` ${number(of.wholeDays)} of whole days left out.`}
      </p>
      {of.faults.length > 0 && (
        <>
          <p className="text-clay">▲ {counted(of.faults.length, 'event')} could not be read:</p>
          <ul className="text-ink-soft">
            {of.faults.slice(0, MOST_SHOWN).map(({ line, message }) => (
              <li key={line}>
                Line {line}: {message}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** What the calendar calls the services: said once, remembered. */
function Titles() {
  const house = useHouse();
  const change = useChangeRestock();
  const { restock } = house.settings;
  const unmatched = unmatchedTitles(house.bookings, bookingNames(house));
  const options = [
    { value: NO_TREATMENT, label: 'no treatment' },
    ...house.services.map(({ id, name }) => ({ value: id, label: name })),
  ];
  const say = (title: string, value: string): void => {
    const serviceId = value === NO_TREATMENT ? null : (value as ServiceId);
    void change({ bookingNames: withName(restock.bookingNames, { title, serviceId }) });
  };
  return (
    <>
      {unmatched.length > 0 && (
        <p className="text-sm font-semibold text-clay">
          ▲ {counted(unmatched.length, 'title')} of the calendar{' '}
          {unmatched.length === 1 ? 'has' : 'have'} no service yet:
        </p>
      )}
      {unmatched.map(({ title, times }) => (
        <Choice
          key={title}
          label={`“${title}”, ${counted(times, 'time')}`}
          value=""
          options={options}
          onChoose={(value) => say(title, value)}
        />
      ))}
      {restock.bookingNames.map(({ title, serviceId }) => (
        <Choice
          key={title}
          label={`“${title}” is`}
          value={serviceId ?? NO_TREATMENT}
          options={options}
          onChoose={(value) => say(title, value)}
        />
      ))}
    </>
  );
}
