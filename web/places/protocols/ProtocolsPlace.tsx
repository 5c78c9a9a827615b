import { Plus } from 'lucide-react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import type { Service } from '@bienestar/core/house/house';
import { HandsStrand } from '../../figures/HandsStrand';
import { number } from '../../format/figures';
import { Button } from '../../parts/Button';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { refusedBy, useAddMutation } from '../../store/api';
import { useFigures, useHouse } from '../../store/house';
import { newProtocol } from './newStep';

/** Every protocol of the house, with what it takes. */
export function ProtocolsPlace() {
  const house = useHouse();
  const figures = useFigures();
  const navigate = useNavigate();
  const [add, { isLoading }] = useAddMutation();

  const begin = async (): Promise<void> => {
    const value = newProtocol();
    const made = await add({ part: 'protocols', value });
    if (!made.error) return navigate(`/protocols/${value.id}`);
    const refused = refusedBy(made.error);
    toast.error(refused.kind === 'away' ? refused.message : refused.document.detail);
  };
  const addButton = (
    <Button weight="main" disabled={isLoading} onClick={() => void begin()}>
      <Plus aria-hidden size={16} /> New protocol
    </Button>
  );

  const longest = Math.max(
    1,
    ...[...figures.services.values()].map(({ schedule }) =>
      schedule.ok ? schedule.value.slotMinutes : 0,
    ),
  );
  return (
    <div className="mx-auto h-full max-w-5xl overflow-y-auto px-6 py-8">
      <header className="mb-6 flex items-end justify-between">
        <h1 className="text-3xl">Protocols</h1>
        {addButton}
      </header>
      {house.protocols.length === 0 ? (
        <EmptyPlace title="No protocol yet" action={addButton}>
          A protocol is a treatment written once: its steps in order, with product, amount, minutes
          and hands. What it takes, costs and earns is counted while you write.
        </EmptyPlace>
      ) : (
        <ul className="border-t border-line">
          {house.protocols.map((protocol) => {
            const services = house.services.filter((service) => service.protocolId === protocol.id);
            return (
              <li key={protocol.id} className="border-b border-line">
                <Link to={`/protocols/${protocol.id}`} className="group block py-4 hover:bg-sunk">
                  <span className="flex items-baseline justify-between gap-8">
                    <span className="font-serif text-xl break-words group-hover:text-clay">
                      {protocol.name}
                    </span>
                    <span className="text-sm whitespace-nowrap text-ink-soft">
                      {protocol.steps.length} steps
                    </span>
                  </span>
                  <span className="mb-2 block text-sm break-words text-ink-soft">
                    {protocol.summary}
                  </span>
                  {services.length === 0 && <span className="text-sm">not on the menu yet</span>}
                  {services.map((service) => (
                    <ServiceLine key={service.id} service={service} longest={longest} />
                  ))}
                </Link>
              </li>
            );
          })}
        </ul>
      )}
    </div>
  );
}

interface ServiceLineProps {
  readonly service: Service;
  /** the longest slot of the house, to which every strand is drawn */
  readonly longest: number;
}

/** How a service ties up its therapist, and its slot. */
function ServiceLine({ service, longest }: ServiceLineProps) {
  const schedule = useFigures().services.get(service.id)?.schedule;
  return (
    <span className="flex items-center gap-4 py-0.5 text-sm">
      <span className="w-24 shrink-0 text-ink-soft">
        {service.visitKind === 'first' ? 'first visit' : 'later visits'}
      </span>
      <span className="min-w-0 flex-1">
        {schedule?.ok && <HandsStrand schedule={schedule.value} longest={longest} />}
      </span>
      <span className="w-44 shrink-0 text-right">
        {schedule?.ok
          ? `room ${number(schedule.value.room.mean, 0)} min, slot ${number(schedule.value.slotMinutes)}`
          : 'cannot be counted yet'}
      </span>
    </span>
  );
}
