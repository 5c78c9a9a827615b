import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef } from 'react';
import { Link, useSearchParams } from 'react-router';
import { LOGBOOK_LISTS } from '@bienestar/contract/api';
import {
  DEVIATIONS,
  foundRows,
  wentWrong,
  type Deviation,
  type LogbookFilter,
  type LogbookRow,
} from '@bienestar/core/logbook/logbookRows';
import { counted, momentOfYearText, number } from '../../format/figures';
import { BackToList } from '../../parts/BackToList';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { ExportMenu } from '../../parts/ExportMenu';
import { useTimeZone } from '../../store/clock';
import { LoggedVisit } from './LoggedVisit';
import { LogbookFilters } from './LogbookFilters';
import { LogbookHeader } from './LogbookHeader';
import { DEVIATION_MARKS, DEVIATION_WORDS } from './logbookWords';
import { useLogbook } from './useLogbook';

const ROW_PX = 52;
const DRAWN_BEYOND = 10;

/** What is looked for, as the address says it. */
function filterOf(said: URLSearchParams): LogbookFilter {
  const text = (key: string): string | undefined => said.get(key) ?? undefined;
  const what = DEVIATIONS.find((each) => each === said.get('what'));
  const filter = {
    words: text('words'),
    serviceId: text('service'),
    performedBy: text('by'),
    roomId: text('room'),
    from: text('from'),
    until: text('until'),
    deviation: what,
  };
  return Object.fromEntries(Object.entries(filter).filter(([, each]) => each)) as LogbookFilter;
}

interface LogbookPlaceProps {
  /** the visit in the address */
  readonly visitId: string | undefined;
}

/** Every visit, planned beside done: looked for by words, service, person, room, day and what was other than planned. */
export function LogbookPlace({ visitId }: LogbookPlaceProps) {
  const [said, say] = useSearchParams();
  const { rows, all, isWhole, hasFailed } = useLogbook();
  const filter = useMemo(() => filterOf(said), [said]);
  const found = useMemo(() => foundRows(rows, filter), [rows, filter]);
  const wrong = useMemo(
    () => wentWrong(foundRows(rows, { ...filter, deviation: undefined })),
    [rows, filter],
  );
  const choose = (key: string, value: string | undefined): void =>
    say(
      (before) => {
        if (value === undefined || value === '') before.delete(key);
        else before.set(key, value);
        return before;
      },
      { replace: true },
    );
  return (
    <div className="flex h-full flex-col">
      <LogbookHeader title="Logbook">
        <p role="status" className="text-sm text-ink-soft">
          {hasFailed
            ? '▲ The logbook cannot be read just now.'
            : isWhole
              ? found.length === rows.length
                ? counted(rows.length, 'visit')
                : `${number(found.length, 0)} of ${counted(rows.length, 'visit')} shown`
              : `${number(rows.length, 0)} of ${number(all, 0)} read …`}
        </p>
        <ExportMenu
          lists={LOGBOOK_LISTS}
          more={{ name: 'Visits as a calendar', file: 'logbook.ics' }}
        />
      </LogbookHeader>
      <div className={visitId === undefined ? undefined : 'max-lg:hidden'}>
        <LogbookFilters filter={filter} onChoose={choose} />
      </div>
      {isWhole && rows.length === 0 ? (
        <div className="px-6 py-8">
          <EmptyPlace
            title="No visit is in the logbook yet"
            action={
              <Link to="/room" className="text-palm underline underline-offset-4">
                To the treatment room
              </Link>
            }
          >
            A visit that is run in the treatment room and entered stands here: planned beside done.
          </EmptyPlace>
        </div>
      ) : (
        <div
          data-shows={visitId === undefined ? 'list' : 'hand'}
          className="columns-of-place lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]"
        >
          <div className="flex min-h-0 flex-col border-r border-line">
            <WentWrong
              wrong={wrong}
              inHand={filter.deviation}
              onChoose={(what) => choose('what', what)}
            />
            <Rows rows={found} inHand={visitId} search={said.toString()} />
          </div>
          <div className="min-h-0 overflow-y-auto bg-sheet px-4 py-4 sm:px-6" tabIndex={0}>
            {visitId === undefined ? (
              <p className="text-ink-soft">Take a visit to see it planned beside done.</p>
            ) : (
              <>
                <BackToList to={`/logbook?${said.toString()}`} all="All visits" />
                <LoggedVisit key={visitId} id={visitId} />
              </>
            )}
          </div>
        </div>
      )}
    </div>
  );
}

interface WentWrongProps {
  readonly wrong: readonly { readonly deviation: Deviation; readonly visits: number }[];
  readonly inHand: Deviation | undefined;
  readonly onChoose: (deviation: Deviation | undefined) => void;
}

/** What was other than planned, the most often first; pressed, only those visits are shown. */
function WentWrong({ wrong, inHand, onChoose }: WentWrongProps) {
  if (wrong.length === 0) return null;
  return (
    <ul
      aria-label="Other than planned"
      className="flex flex-wrap gap-x-4 gap-y-1 border-b border-line px-4 py-2 text-sm"
    >
      {wrong.map(({ deviation, visits }) => (
        <li key={deviation}>
          <button
            type="button"
            aria-pressed={inHand === deviation}
            onClick={() => onChoose(inHand === deviation ? undefined : deviation)}
            className="min-h-6 text-ink-soft underline-offset-4 hover:text-ink hover:underline aria-pressed:font-semibold aria-pressed:text-clay aria-pressed:underline"
          >
            <span aria-hidden>{DEVIATION_MARKS[deviation]}</span> {number(visits, 0)}{' '}
            {DEVIATION_WORDS[deviation]}
          </button>
        </li>
      ))}
    </ul>
  );
}

interface RowsProps {
  readonly rows: readonly LogbookRow[];
  readonly inHand: string | undefined;
  /** kept while another visit is taken */
  readonly search: string;
}

/** The visits, however many: only those in sight are drawn. */
function Rows({ rows, inHand, search }: RowsProps) {
  const scroll = useRef<HTMLDivElement>(null);
  const timeZone = useTimeZone();
  // oxlint-disable-next-line react/incompatible-library -- its functions are given to no memoised part
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW_PX,
    overscan: DRAWN_BEYOND,
  });
  return (
    <div
      ref={scroll}
      role="group"
      aria-label="Visits"
      tabIndex={0}
      className="min-h-0 flex-1 overflow-y-auto"
    >
      <ol className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index];
          if (!row) return null;
          return (
            <li
              key={row.id}
              aria-setsize={rows.length}
              aria-posinset={index + 1}
              className="absolute inset-x-0"
              style={{ top: start, height: ROW_PX }}
            >
              <Row row={row} isInHand={row.id === inHand} search={search} timeZone={timeZone} />
            </li>
          );
        })}
      </ol>
    </div>
  );
}

interface RowProps {
  readonly row: LogbookRow;
  readonly isInHand: boolean;
  readonly search: string;
  readonly timeZone: string;
}

/** A visit: who and what, and how much of its slot it took, as a piece of ribbon. */
function Row({ row, isInHand, search, timeZone }: RowProps) {
  const { slotMinutes, roomMinutes } = row;
  const longest = Math.max(slotMinutes, roomMinutes) * 1.02;
  const at = (minutes: number): string => `${(minutes / longest) * 100}%`;
  const isOver = roomMinutes > slotMinutes;
  return (
    <Link
      to={{ pathname: `/logbook/${row.id}`, search }}
      aria-current={isInHand ? 'true' : undefined}
      className={`block h-full border-b border-line px-4 pt-1 text-sm ${isInHand ? 'bg-sheet shadow-[inset_3px_0_0_var(--color-clay)]' : 'hover:bg-sunk/60'} ${row.isTakenBack ? 'line-through' : ''}`}
    >
      <span className="flex items-baseline gap-2">
        <span className="min-w-0 flex-1 truncate font-semibold">{row.service}</span>
        <span className="text-clay">
          {row.deviations.map((each) => (
            <span key={each} className="ml-1" title={DEVIATION_WORDS[each]}>
              <span aria-hidden>{DEVIATION_MARKS[each]}</span>
              <span className="sr-only">{DEVIATION_WORDS[each]}</span>
            </span>
          ))}
        </span>
        <span className="text-ink-soft tabular-nums">
          {number(roomMinutes, 0)}/{number(slotMinutes, 0)} min
        </span>
      </span>
      <span className="flex items-baseline gap-2 text-xs text-ink-soft">
        <span className="min-w-0 flex-1 truncate">
          {[momentOfYearText(row.at, timeZone), row.guest, row.person, row.room]
            .filter(Boolean)
            .join(' · ')}
          {row.isTakenBack && ' · taken back'}
          {row.isCorrected && ' · corrected'}
        </span>
        <span aria-hidden className="relative h-1.5 w-24 shrink-0 bg-sunk">
          <span
            className={`absolute inset-y-0 left-0 ${isOver ? 'bg-clay' : 'bg-palm'}`}
            style={{ width: at(roomMinutes) }}
          />
          <span className="absolute -inset-y-0.5 w-px bg-ink" style={{ left: at(slotMinutes) }} />
        </span>
      </span>
    </Link>
  );
}
