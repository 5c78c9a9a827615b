import { PasteRowsButton } from '../pasted/PasteRowsButton';
import { BackToList } from '../../parts/BackToList';
import { Link, useParams } from 'react-router';
import { MENU_LISTS } from '@bienestar/contract/api';
import { COST_PART_TITLES } from '@bienestar/core/explain/explainCost';
import type { Service } from '@bienestar/core/house/house';
import { money, number, percent } from '../../format/figures';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { ExportMenu } from '../../parts/ExportMenu';
import { CELL_LOOK, PlaceTable, rowLook } from '../../parts/PlaceTable';
import { figures, names } from '../../parts/TableHead';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useFigures, useHouse } from '../../store/house';
import { MenuHeader } from './MenuHeader';
import { PriceRule } from './PriceRule';
import { ServicePanel } from './ServicePanel';
import { UnderTargetList } from './UnderTargetList';
import { workingsOf } from './workings';

const COLUMNS = [
  ...names('Service'),
  ...figures(
    'Slot',
    'Guest is told',
    COST_PART_TITLES.direct,
    COST_PART_TITLES.full,
    'Price',
    'Margin',
    'Per room hour',
  ),
];

/** What is sold: minutes, cost, price, and what each service earns by the room hour. */
export function MenuPlace() {
  const house = useHouse();
  const { serviceId } = useParams();
  const chosen = house.services.find((service) => service.id === serviceId);
  return (
    <div className="flex h-full flex-col">
      <MenuHeader title="Menu">
        <PasteRowsButton kind="services" />
        {house.services.length > 0 && <ExportMenu lists={MENU_LISTS} />}
      </MenuHeader>
      <div
        data-shows={chosen ? 'hand' : 'list'}
        className="columns-of-place lg:grid-cols-[minmax(0,1fr)_18rem] xl:grid-cols-[minmax(0,1fr)_21rem]"
      >
        <section aria-label="Menu" className="flex min-h-0 flex-col">
          {house.services.length === 0 ? (
            <div className="px-6">
              <EmptyPlace
                title="Nothing on the menu yet"
                action={
                  <Link to="/protocols" className="text-palm underline underline-offset-4">
                    To the protocols
                  </Link>
                }
              >
                Open a protocol and put it on the menu: its price is computed from what it takes.
              </EmptyPlace>
            </div>
          ) : (
            <PlaceTable label="Services" columns={COLUMNS}>
              <tbody>
                {house.services.map((service) => (
                  <ServiceRow
                    key={service.id}
                    service={service}
                    chosen={service.id === serviceId}
                  />
                ))}
              </tbody>
            </PlaceTable>
          )}
          <PriceRule />
        </section>
        <aside
          aria-label="In hand"
          className="min-h-0 overflow-y-auto border-l border-line bg-sheet"
        >
          {chosen && <BackToList atEdge to="/menu" all="All services" />}
          {chosen ? <ServicePanel key={chosen.id} id={chosen.id} /> : <UnderTargetList />}
        </aside>
      </div>
    </div>
  );
}

function ServiceRow({ service, chosen }: { readonly service: Service; readonly chosen: boolean }) {
  const house = useHouse();
  const figures = useFigures().services.get(service.id);
  const { currency } = house.settings;
  const protocol = house.protocols.find((each) => each.id === service.protocolId);
  const workings = figures && workingsOf(house, service, figures);
  const fault = [figures?.price, figures?.schedule].find((outcome) => outcome && !outcome.ok);
  return (
    <tr className={`${rowLook(chosen)} text-right`}>
      <td className={`${CELL_LOOK} text-left`}>
        <Link
          to={`/menu/${service.id}`}
          aria-current={chosen ? 'true' : undefined}
          className="font-serif text-lg leading-tight break-words hover:text-clay hover:underline"
        >
          {service.name}
        </Link>
        <Link
          to={`/protocols/${service.protocolId}`}
          className="block text-ink-soft hover:text-clay hover:underline"
        >
          {protocol?.name ?? 'no protocol'}
          {service.visitKind === 'first' ? ', first visit' : ''}
        </Link>
      </td>
      {workings ? (
        <>
          <td className={CELL_LOOK}>
            <WorkedFigure
              label="Slot"
              text={number(workings.schedule.slotMinutes)}
              working={workings.slot}
            />
          </td>
          <td className={CELL_LOOK}>{number(workings.schedule.guestMinutes)} min</td>
          <td className={CELL_LOOK}>
            <WorkedFigure
              label={COST_PART_TITLES.direct}
              text={money(workings.shown.direct, currency)}
              working={workings.direct}
            />
          </td>
          <td className={CELL_LOOK}>
            <WorkedFigure
              label={COST_PART_TITLES.full}
              text={money(workings.shown.full, currency)}
              working={workings.full}
            />
          </td>
          <td className={CELL_LOOK}>
            <WorkedFigure
              label="Price"
              text={money(workings.price.gross, currency)}
              working={workings.gross}
              className="font-serif text-lg"
            />
          </td>
          <td className={CELL_LOOK}>
            <WorkedFigure
              label="Margin"
              text={percent(workings.price.margin)}
              working={workings.margin}
            />
          </td>
          <td className={CELL_LOOK}>
            <WorkedFigure
              label="Contribution per room hour"
              text={money(workings.price.perRoomHour, currency)}
              working={workings.perRoomHour}
            />
          </td>
        </>
      ) : (
        <td colSpan={7} className={`${CELL_LOOK} text-left text-clay`}>
          ▲ {fault && !fault.ok ? fault.problems[0]?.message : 'cannot be counted yet'}
        </td>
      )}
    </tr>
  );
}
