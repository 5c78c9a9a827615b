import type { Sequelize } from 'sequelize';
import type { GuestWords, Pricing, Service, VisitKind } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { childrenIn, storeOf, type Store } from '../aggregates/store';
import { usersOf } from '../aggregates/users';
import { fromJson, orNull, present } from '../db/optional';
import { table, type Kept } from '../db/tables';

interface ServiceRow extends Kept {
  readonly id: string;
  readonly name: string;
  readonly protocolId: string;
  readonly edition: number | null;
  readonly visitKind: VisitKind;
  readonly shownFor: Service['shownFor'] | string | null;
  readonly targetMargin: number | null;
  readonly pricing: Pricing | string | null;
  readonly guest: GuestWords | string | null;
}

interface ServiceTherapistRow {
  readonly serviceId: string;
  readonly position: number;
  readonly personId: string;
}

/** Services with those who may perform them in the database. */
export function serviceStore(sequelize: Sequelize): Store<Service> {
  return storeOf<Service, ServiceRow>({
    table: table(sequelize, 'services'),
    key: 'id',
    keyOf: (service) => service.id,
    toRow: ({
      id,
      name,
      protocolId,
      edition,
      visitKind,
      shownFor,
      targetMargin,
      pricing,
      guest,
    }) => ({
      id,
      name,
      protocolId,
      edition: orNull(edition),
      visitKind,
      shownFor: orNull(shownFor),
      targetMargin: orNull(targetMargin),
      pricing: orNull(pricing),
      guest: orNull(guest),
    }),
    fromRow: (
      { id, name, protocolId, edition, visitKind, shownFor, targetMargin, pricing, guest },
      [therapists],
    ) => ({
      id: asId(id),
      name,
      protocolId: asId(protocolId),
      visitKind,
      therapistIds: ((therapists ?? []) as ServiceTherapistRow[]).map((row) => asId(row.personId)),
      ...(shownFor === null ? {} : { shownFor: fromJson<Service['shownFor']>(shownFor) }),
      ...(pricing === null ? {} : { pricing: fromJson<Pricing>(pricing) }),
      ...(guest === null ? {} : { guest: fromJson<GuestWords>(guest) }),
      ...present({ edition, targetMargin }),
    }),
    children: [
      childrenIn<Service, ServiceTherapistRow>(
        table(sequelize, 'service_therapists'),
        'serviceId',
        ['position'],
        (service) =>
          service.therapistIds.map((personId, position) => ({
            serviceId: service.id,
            position,
            personId,
          })),
      ),
    ],
    usedBy: usersOf(sequelize, 'service_id'),
  });
}
