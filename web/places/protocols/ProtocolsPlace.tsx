import { Plus } from 'lucide-react';
import { lazy, Suspense, useEffect } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Block, Protocol, Service } from '@bienestar/core/house/house';
import { offeredOf } from '@bienestar/core/house/offered';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import { stepCount, usersOfBlock } from '@bienestar/core/protocol/expandBlocks';
import { HandsStrand } from '../../figures/HandsStrand';
import { counted, number } from '../../format/figures';
import { Button } from '../../parts/Button';
import { EmptyPlace } from '../../parts/EmptyPlace';
import { opened, type DraftPart } from '../../store/drafts';
import { useFigures, useHouse } from '../../store/house';
import { useAppDispatch } from '../../store/store';
import { useNewestEdition } from '../../store/useNewestEdition';
import { newBlock, newProtocol } from './newWriting';

const DemoNotice = lazy(async () => ({
  default: (await import('../house/DemoNotice')).DemoNotice,
}));

/** Every protocol of the house, with what it takes. */
export function ProtocolsPlace() {
  const house = useHouse();
  const figures = useFigures();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  /* What comes next is opened from here: it is fetched while the list is read. */
  useEffect(() => void import('./Workbenches'), []);

  const { blocks } = indexHouse(house);
  const archived = house.protocols.filter(({ archivedOn }) => archivedOn !== undefined);
  const archivedBlocks = house.blocks.filter(({ archivedOn }) => archivedOn !== undefined);
  const users = (block: Block): readonly Protocol[] =>
    usersOfBlock(block.id, house.protocols, blocks);
  /* It is in the house once it has a name or a step, and not when the button was pressed. */
  const begin = (part: DraftPart): void => {
    const value = (part === 'blocks' ? newBlock() : newProtocol()) as Protocol;
    dispatch(opened({ part, base: { ...value, version: 0 } }));
    void navigate(`/protocols/${part === 'blocks' ? 'blocks/' : ''}${value.id}`);
  };
  const addButton = (
    <Button weight="main" onClick={() => begin('protocols')}>
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
    <div className="h-full overflow-y-auto">
      <div className="mx-auto max-w-5xl px-6 py-8">
        <Suspense>
          <DemoNotice />
        </Suspense>
        <header className="mb-6 flex items-end justify-between">
          <h1 className="text-3xl">Protocols</h1>
          {addButton}
        </header>
        {house.protocols.length === 0 ? (
          <EmptyPlace title="No protocol yet" action={addButton}>
            A protocol is a treatment written once: its steps in order, with product, amount,
            minutes and hands. What it takes, costs and earns is counted while you write.
          </EmptyPlace>
        ) : (
          <ProtocolList protocols={offeredOf(house.protocols)} longest={longest} />
        )}
        <section aria-labelledby="blocks" className="mt-10">
          <header className="mb-3 flex items-end justify-between">
            <h2 id="blocks" className="text-xl">
              Blocks
            </h2>
            <Button onClick={() => begin('blocks')}>
              <Plus aria-hidden size={16} /> New block
            </Button>
          </header>
          {house.blocks.length === 0 && (
            <p className="text-ink-soft">
              A block is a run of steps that several protocols use by name, such as an opening
              ritual. Several steps of a protocol can also be kept as one.
            </p>
          )}
          <ul className="border-t border-line">
            {offeredOf(house.blocks).map((block) => (
              <li key={block.id} className="border-b border-line">
                <Link
                  to={`/protocols/blocks/${block.id}`}
                  className="group flex items-baseline justify-between gap-8 py-3 hover:bg-sunk"
                >
                  <span>
                    <span className="font-serif text-lg group-hover:text-clay">{block.name}</span>
                    <span className="block text-sm text-ink-soft">{block.summary}</span>
                  </span>
                  <span className="text-sm whitespace-nowrap text-ink-soft">
                    {counted(stepCount(block, blocks), 'step')}, in{' '}
                    {counted(users(block).length, 'protocol')}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
        {(archived.length > 0 || archivedBlocks.length > 0) && (
          <section className="mt-10">
            <details>
              <summary className="text-ink-soft">
                Archived: {[...archived, ...archivedBlocks].map(({ name }) => name).join(', ')}
              </summary>
              <ProtocolList protocols={archived} longest={longest} />
              <ul>
                {archivedBlocks.map(({ id, name }) => (
                  <li key={id} className="border-b border-line py-3">
                    <Link
                      to={`/protocols/blocks/${id}`}
                      className="font-serif text-lg hover:text-clay"
                    >
                      {name}
                    </Link>
                  </li>
                ))}
              </ul>
            </details>
          </section>
        )}
      </div>
    </div>
  );
}

interface ProtocolListProps {
  readonly protocols: readonly Protocol[];
  readonly longest: number;
}

function ProtocolList({ protocols, longest }: ProtocolListProps) {
  const house = useHouse();
  const { blocks } = indexHouse(house);
  return (
    <ul className="border-t border-line">
      {protocols.map((protocol) => {
        const services = house.services.filter((service) => service.protocolId === protocol.id);
        return (
          <li key={protocol.id} className="border-b border-line">
            <Link to={`/protocols/${protocol.id}`} className="group block py-4 hover:bg-sunk">
              <span className="flex items-baseline justify-between gap-8">
                <span className="font-serif text-xl break-words group-hover:text-clay">
                  {protocol.name}
                </span>
                <span className="text-sm whitespace-nowrap text-ink-soft">
                  {counted(stepCount(protocol, blocks), 'step')}
                </span>
              </span>
              <span className="mb-2 block text-sm break-words text-ink-soft">
                {protocol.summary}
                {protocol.goal !== undefined && (
                  <span className="block">Goal: {protocol.goal}</span>
                )}
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
  const newer = useNewestEdition(service.protocolId);
  return (
    <span className="flex items-center gap-4 py-0.5 text-sm">
      <span className="w-24 shrink-0 text-ink-soft">
        {service.visitKind === 'first' ? 'first visit' : 'later visits'}
      </span>
      <span className="min-w-0 flex-1">
        {schedule?.ok && <HandsStrand schedule={schedule.value} longest={longest} />}
      </span>
      {newer !== undefined && newer > (service.edition ?? newer) && (
        <span className="shrink-0 text-palm">edition {newer} is newer</span>
      )}
      <span className="w-44 shrink-0 text-right">
        {schedule?.ok
          ? `room ${number(schedule.value.room.mean, 0)} min, slot ${number(schedule.value.slotMinutes)}`
          : 'cannot be counted yet'}
      </span>
    </span>
  );
}
