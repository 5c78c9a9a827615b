import { useDeferredValue, useMemo } from 'react';
import { clientWith, type Client } from '@bienestar/core/house/client';
import type { House, Protocol, Service, WorkedProtocol } from '@bienestar/core/house/house';
import { indexHouse, type ShelfIndex } from '@bienestar/core/house/houseIndex';
import { asId } from '@bienestar/core/house/ids';
import { ok, type Outcome, type Problem } from '@bienestar/core/problem/problem';
import { withContactClocks } from '@bienestar/core/time/contactClock';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { ServiceFigures } from '@bienestar/core/figures/houseFigures';
import { shelfOf } from '@bienestar/core/figures/serviceWork';
import { createTrial } from '@bienestar/core/figures/trial';
import { createRestocker, type RestockFigures } from '@bienestar/core/restock/restocker';
import { expandBlocks, type WrittenOut } from '@bienestar/core/protocol/expandBlocks';
import { findingsIn } from '@bienestar/core/review/findings';
import type { Finding } from '@bienestar/core/review/finding';
import { useFigures, useHouse } from '../../store/house';
import { useHour } from '../../store/clock';

/** What a draft comes to for the client it is shown for. */
export interface ShownService {
  readonly house: House;
  readonly service: Service;
  /** every service that is sold of the protocol */
  readonly services: readonly Service[];
  readonly client: Client;
  /** with every option; nothing when a block is missing */
  readonly written: WrittenOut | undefined;
  /** for the client */
  readonly worked: WorkedProtocol | undefined;
  readonly shelf: ShelfIndex;
  readonly figures: ServiceFigures;
  /** when materials would be ordered, were the services of the protocol worked by its draft */
  readonly restocking: RestockFigures['materials'];
  /** as they were when the draft was opened */
  readonly opened: ServiceFigures | undefined;
  /** why figures are missing */
  readonly problems: readonly Problem[];
  readonly findings: readonly Finding[];
}

const tryNow = createTrial();
const calculateByDraft = createCalculator();
const restockByDraft = createRestocker();
const tryOpened = createTrial();

/** The client a service is meant for. */
export function clientOfService(service: Service | undefined): Client {
  return service ? clientWith({ ...service.shownFor, visitKind: service.visitKind }) : clientWith();
}

/** The figures of a draft for one client, and what does not fit in it. */
export function useShownService(
  draft: { readonly present: Protocol; readonly opened: Protocol } | undefined,
  client: Client,
): ShownService | undefined {
  const house = useHouse();
  const { materials } = useFigures();
  const protocol = draft?.present;
  const opened = draft?.opened;
  const id = protocol?.id ?? '';
  const services = useMemo(
    () => house.services.filter((service) => service.protocolId === id),
    [house.services, id],
  );
  const byDraft = useMemo(() => {
    const own = new Set(services.map((service) => service.id));
    const worked = house.services.map((service) =>
      own.has(service.id) && service.edition !== undefined
        ? { ...service, edition: undefined }
        : service,
    );
    return own.size === 0 ? house.services : worked;
  }, [house.services, services]);
  const houseByDraft = useMemo(() => ({ ...house, services: byDraft }), [byDraft, house]);
  /* Typing does not wait for the shelf. */
  const settled = useDeferredValue(houseByDraft);
  const hour = useHour();
  const restocking = useMemo(
    () => restockByDraft(settled, calculateByDraft(settled), hour).materials,
    [hour, settled],
  );
  const trial = useMemo(
    () => trialService(id, protocol?.name ?? '', house),
    [house, id, protocol?.name],
  );
  const service =
    services.find((each) => each.visitKind === client.visitKind) ?? services[0] ?? trial;

  return useMemo(() => {
    if (!protocol) return undefined;
    const index = indexHouse(house);
    const { work, figures: tried } = tryNow(
      house,
      materials,
      service,
      { protocol, mixes: house.mixes },
      client,
    );
    const written = expandBlocks(protocol, index.blocks, { protocolId: protocol.id });
    const worked = work.protocol.ok ? work.protocol.value : undefined;
    const shelf = shelfOf(work, index);
    const figures =
      worked && tried.schedule.ok
        ? {
            ...tried,
            schedule: ok(
              withContactClocks(tried.schedule.value, worked, client.visitKind, house.settings),
            ),
          }
        : tried;
    return {
      house,
      service,
      services,
      client,
      written: written.ok ? written.value : undefined,
      worked,
      shelf,
      figures,
      restocking,
      opened:
        opened &&
        tryOpened(house, materials, service, { protocol: opened, mixes: house.mixes }, client)
          .figures,
      problems: problemsIn(figures),
      findings:
        written.ok && worked
          ? findingsIn({
              written: written.value,
              worked,
              schedule: figures.schedule,
              shelf,
              index,
              settings: house.settings,
              dayTime: client.dayTime,
            })
          : [],
    };
  }, [client, house, materials, opened, protocol, restocking, service, services]);
}

function trialService(protocolId: string, name: string, house: House): Service {
  return {
    id: asId(`trial-${protocolId}`),
    name,
    protocolId: asId(protocolId),
    visitKind: 'returning',
    therapistIds: house.people
      .filter((person) => person.role === 'therapist')
      .map((person) => person.id),
  };
}

function problemsIn({ work, schedule, draws, cost, price }: ServiceFigures): Problem[] {
  const found = new Map<string, Problem>();
  const outcomes: readonly Outcome<unknown>[] = [work, schedule, draws, cost, price];
  for (const outcome of outcomes) {
    if (outcome.ok) continue;
    for (const problem of outcome.problems) found.set(JSON.stringify(problem), problem);
  }
  return [...found.values()];
}
