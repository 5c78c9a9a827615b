import { PasteRowsButton } from '../../pasted/PasteRowsButton';
import { Link } from 'react-router';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { House, Service } from '@bienestar/core/house/house';
import type { Blend } from '@bienestar/core/house/restock';
import type { Forecast } from '@bienestar/core/restock/forecast';
import { visitsIn } from '@bienestar/core/house/visitLog';
import { counted, number, percent } from '../../../format/figures';
import { EmptyPlace } from '../../../parts/EmptyPlace';
import { Fold } from '../../../parts/Fold';
import { NumberField } from '../../../parts/NumberField';
import { CELL_LOOK, PlaceTable } from '../../../parts/PlaceTable';
import { figures, names } from '../../../parts/TableHead';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { RestockHeader } from '../RestockHeader';
import { BookPanel } from './BookPanel';
import { ClientMixFields } from './ClientMixFields';
import { CoursesPanel } from './CoursesPanel';
import { PerformedPanel } from './PerformedPanel';
import { SeasonFields } from './SeasonFields';
import { useChangeRestock } from './useChangeRestock';

const COLUMNS = [
  ...names('Service'),
  ...figures('Planned', 'In the book', 'Performed', 'Of courses', 'Counted with'),
];

const SOURCES: readonly (readonly [keyof Blend, string])[] = [
  ['plan', 'Plan'],
  ['bookings', 'Book'],
  ['log', 'Log'],
];

/** Who comes: visits a week by plan, book, log and courses, and how much each of them counts. */
export function DemandPlace() {
  const house = useHouse();
  const { forecasts } = useRestock();
  const { restock } = house.settings;
  const change = useChangeRestock();
  return (
    <div className="flex h-full flex-col">
      <RestockHeader title="Who comes">
        <fieldset className="flex items-end gap-2">
          <legend className="sr-only">How much each source counts</legend>
          <span className="pb-2 text-sm text-ink-soft">counts</span>
          {SOURCES.map(([source, label]) => (
            <NumberField
              key={source}
              className="w-20"
              label={label}
              commitOn="leaving"
              value={restock.blend[source]}
              check={within(LIMITS.blendWeight)}
              onCommit={(weight) => change({ blend: { ...restock.blend, [source]: weight } })}
            />
          ))}
        </fieldset>
        {house.services.length > 0 && <PasteRowsButton kind="visits" />}
      </RestockHeader>
      {house.services.length === 0 ? (
        <div className="px-6 py-6">
          <EmptyPlace title="Nobody is expected yet">
            Put services on the menu and plan their visits; then what they take from the shelf is
            known.
          </EmptyPlace>
        </div>
      ) : (
        <div className="columns-of-place lg:grid-cols-[minmax(0,1fr)_28rem]">
          <div className="flex min-h-0 flex-col">
            <PlaceTable label="Visits a week" columns={COLUMNS}>
              <tbody>
                {house.services.map((service) => (
                  <ForecastRow
                    key={service.id}
                    service={service}
                    forecast={forecasts.get(service.id)}
                  />
                ))}
              </tbody>
            </PlaceTable>
          </div>
          <aside
            aria-label="What is counted with"
            className="flex min-h-0 flex-col gap-2 overflow-y-auto border-l border-line bg-sheet px-5 py-4"
            tabIndex={0}
          >
            <Fold title="The book" summary={bookWords(house)} unfolded>
              <BookPanel />
            </Fold>
            <Fold title="Performed" summary={counted(visitsIn(house.log), 'treatment')}>
              <PerformedPanel />
            </Fold>
            <Fold title="Courses sold" summary={counted(house.soldCourses.length, 'course')}>
              <CoursesPanel />
            </Fold>
            <Fold title="Months and growth" summary={seasonWords(house)}>
              <SeasonFields />
            </Fold>
            <Fold
              title="Kinds of clients"
              summary={restock.clientMix ? 'weighed by who comes' : 'as each service is shown'}
            >
              <ClientMixFields />
            </Fold>
          </aside>
        </div>
      )}
    </div>
  );
}

function bookWords({ bookings }: House): string {
  return bookings.length === 0 ? 'no calendar read yet' : counted(bookings.length, 'visit');
}

function seasonWords({ settings }: House): string {
  const { months, trend } = settings.restock;
  const even = months.every((factor) => factor === 1);
  return [
    even ? 'every month alike' : 'months differ',
    ...(trend ? [`${percent(trend.perYear)} more a year`] : []),
  ].join('; ');
}

interface ForecastRowProps {
  readonly service: Service;
  readonly forecast: Forecast | undefined;
}

function ForecastRow({ service, forecast }: ForecastRowProps) {
  const visits = (value: number | null | undefined): string =>
    value === null || value === undefined ? '–' : number(value, 1);
  return (
    <tr className="border-b border-line text-right hover:bg-sunk/60">
      <td className={`${CELL_LOOK} text-left`}>
        <Link to={`/menu/${service.id}`} className="font-medium hover:text-clay hover:underline">
          {service.name}
        </Link>
      </td>
      <td className={CELL_LOOK}>{visits(forecast?.plan)}</td>
      <td className={CELL_LOOK}>{visits(forecast?.bookings)}</td>
      <td className={CELL_LOOK}>{visits(forecast?.log)}</td>
      <td className={CELL_LOOK}>{forecast?.courses ? visits(forecast.courses) : ''}</td>
      <td className={`${CELL_LOOK} font-serif text-lg`}>{visits(forecast?.used)}</td>
    </tr>
  );
}
