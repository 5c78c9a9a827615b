import { useMemo, useState } from 'react';
import type { Client } from '@bienestar/core/house/client';
import type { Protocol } from '@bienestar/core/house/house';
import type { Outcome } from '@bienestar/core/problem/problem';
import { useFigures, useHouse } from '../../store/house';
import { clientOfService } from '../protocols/useShownService';
import { inUseOf, roomWorkOf, type RoomWork } from './roomWork';

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
  const hasEdition = inUseOf(house, protocolId, 'edition') !== undefined;
  const [chosen, chooseBy] = useState<'edition' | 'draft'>();
  const by = chosen ?? (hasEdition ? 'edition' : 'draft');

  const work = useMemo((): Outcome<RoomWork> | undefined => {
    const inUse = inUseOf(house, protocolId, by);
    return inUse && roomWorkOf(house, materials, inUse, service, client);
  }, [by, client, house, materials, protocolId, service]);
  return {
    known: house.protocols.find((each) => each.id === protocolId),
    client,
    choose,
    by,
    chooseBy,
    hasEdition,
    work,
  };
}
