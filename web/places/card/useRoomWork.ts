import { useMemo, useState } from 'react';
import { cautionsOf, type ProtocolCautions } from '@bienestar/core/care/cautionsOf';
import { settingsFor, shelfOf } from '@bienestar/core/figures/serviceWork';
import { createTrial } from '@bienestar/core/figures/trial';
import type { Client } from '@bienestar/core/house/client';
import type { House, Protocol, WorkedProtocol } from '@bienestar/core/house/house';
import { indexHouse, type ShelfIndex } from '@bienestar/core/house/houseIndex';
import type { Draw } from '@bienestar/core/draws/drawsOf';
import { asId } from '@bienestar/core/house/ids';
import { failWith, ok, type Outcome } from '@bienestar/core/problem/problem';
import { expandBlocks, type WrittenOut } from '@bienestar/core/protocol/expandBlocks';
import type { Schedule } from '@bienestar/core/time/schedule';
import { useFigures, useHouse } from '../../store/house';
import { clientOfService } from '../protocols/useShownService';

/** A protocol worked for the room: steps, clock, what is drawn, what to mind. */
export interface RoomWork {
  readonly house: House;
  readonly protocol: WorkedProtocol;
  readonly written: WrittenOut;
  readonly schedule: Schedule;
  readonly draws: readonly Draw[];
  readonly shelf: ShelfIndex;
  readonly settings: House['settings'];
  readonly cautions: ProtocolCautions;
  /** "edition 3", or "draft" */
  readonly edition: string;
}

const tryOut = createTrial();

/** A protocol worked for a client: by the edition its services are worked by, or its draft. */
export function useRoomWork(protocolId: string): {
  readonly known: Protocol | undefined;
  readonly client: Client;
  readonly choose: (client: Client) => void;
  readonly by: 'edition' | 'draft';
  readonly chooseBy: (by: 'edition' | 'draft') => void;
  readonly hasEdition: boolean;
  readonly work: Outcome<RoomWork> | undefined;
} {
  const house = useHouse();
  const { materials } = useFigures();
  const services = house.services.filter((service) => service.protocolId === protocolId);
  const service = services.find((each) => each.visitKind === 'returning') ?? services[0];
  const [client, choose] = useState<Client>(() => clientOfService(service));
  const draft = house.protocols.find((each) => each.id === protocolId);
  const edition = house.editions
    .filter((each) => each.protocolId === protocolId)
    .toSorted((a, b) => b.number - a.number)[0];
  const [chosen, chooseBy] = useState<'edition' | 'draft'>();
  const by = chosen ?? (edition ? 'edition' : 'draft');

  const work = useMemo((): Outcome<RoomWork> | undefined => {
    const inUse =
      by === 'edition' && edition
        ? { protocol: edition.protocol, mixes: edition.mixes }
        : draft && { protocol: draft, mixes: house.mixes };
    if (!inUse) return undefined;
    const index = indexHouse(house);
    const sold = service ?? {
      id: asId<never>(`trial-${protocolId}`),
      name: inUse.protocol.name,
      protocolId: asId<never>(protocolId),
      visitKind: client.visitKind,
      therapistIds: [],
    };
    const { work: worked, figures } = tryOut(house, materials, sold, inUse, client);
    const written = expandBlocks(inUse.protocol, index.blocks, {});
    if (!worked.protocol.ok) return worked.protocol;
    if (!written.ok) return written;
    if (!figures.schedule.ok || !figures.draws.ok) {
      return failWith([
        ...(figures.schedule.ok ? [] : figures.schedule.problems),
        ...(figures.draws.ok ? [] : figures.draws.problems),
      ]);
    }
    const shelf = shelfOf(worked, index);
    return ok({
      house,
      protocol: worked.protocol.value,
      written: written.value,
      schedule: figures.schedule.value,
      draws: figures.draws.value,
      shelf,
      settings: settingsFor(house.settings, client),
      cautions: cautionsOf(worked.protocol.value, shelf, index.devices),
      edition: by === 'edition' && edition ? `edition ${edition.number}` : 'draft',
    });
  }, [by, client, draft, edition, house, materials, protocolId, service]);
  return {
    known: draft,
    client,
    choose,
    by,
    chooseBy,
    hasEdition: edition !== undefined,
    work,
  };
}
