import { withContactClocks } from '@bienestar/core/time/contactClock';
import { cautionsOf, type ProtocolCautions } from '@bienestar/core/care/cautionsOf';
import type { Draw } from '@bienestar/core/draws/draw';
import type { HouseFigures } from '@bienestar/core/figures/houseFigures';
import { settingsFor, shelfOf } from '@bienestar/core/figures/serviceWork';
import { createTrial } from '@bienestar/core/figures/trial';
import type { Client } from '@bienestar/core/house/client';
import type {
  House,
  Mix,
  Protocol,
  Service,
  Step,
  WorkedProtocol,
} from '@bienestar/core/house/house';
import { indexHouse, type ShelfIndex } from '@bienestar/core/house/houseIndex';
import { asId } from '@bienestar/core/house/ids';
import { failWith, ok, type Outcome } from '@bienestar/core/problem/problem';
import { waysOf } from '@bienestar/core/protocol/deciding';
import { expandBlocks, type WrittenOut } from '@bienestar/core/protocol/expandBlocks';
import { stepsThatMayBe } from '@bienestar/core/room/protocolCard';
import type { Schedule } from '@bienestar/core/time/schedule';

/** A protocol worked for the room: steps, clock, what is drawn, what to mind. */
export interface RoomWork {
  readonly house: House;
  readonly protocol: WorkedProtocol;
  readonly written: WrittenOut;
  readonly schedule: Schedule;
  readonly draws: readonly Draw[];
  readonly shelf: ShelfIndex;
  readonly settings: House['settings'];
  /** of all that is done, or may be, for this client */
  readonly cautions: ProtocolCautions;
  /** of all branches */
  readonly cautionsOfAll: ProtocolCautions;
  /** "edition 3", or "draft" */
  readonly edition: string;
}

/** A protocol as it is written, and by what it is called: an edition, or the draft. */
export interface InUse {
  readonly protocol: Protocol;
  readonly mixes: readonly Mix[];
  readonly called: string;
}

const tryOut = createTrial();

/** A protocol by its newest edition, or as its draft is; nothing where there is none. */
export function inUseOf(
  house: House,
  protocolId: string,
  by: 'edition' | 'draft',
): InUse | undefined {
  if (by === 'draft') {
    const draft = house.protocols.find((each) => each.id === protocolId);
    return draft && { protocol: draft, mixes: house.mixes, called: 'draft' };
  }
  const [newest] = house.editions
    .filter((each) => each.protocolId === protocolId)
    .toSorted((a, b) => b.number - a.number);
  return newest && { ...newest, called: `edition ${newest.number}` };
}

/**
 * A protocol worked for one client in the room.
 * @param service by which it is sold; tried as one without it
 * @returns problems of what cannot be worked
 */
export function roomWorkOf(
  house: House,
  materials: HouseFigures['materials'],
  inUse: InUse,
  service: Service | undefined,
  client: Client,
): Outcome<RoomWork> {
  const index = indexHouse(house);
  const { id, name } = inUse.protocol;
  const sold = service ?? {
    id: asId<never>(`trial-${id}`),
    name,
    protocolId: id,
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
  const mine = worked.protocol.value;
  const cautionsFor = (steps: readonly Step[]): ProtocolCautions =>
    cautionsOf({ ...mine, steps }, shelf, index.devices);
  return ok({
    house,
    protocol: worked.protocol.value,
    written: written.value,
    schedule: withContactClocks(figures.schedule.value, mine, client.visitKind, house.settings),
    draws: figures.draws.value,
    shelf,
    settings: settingsFor(house.settings, client),
    cautions: cautionsFor(stepsThatMayBe(written.value, worked.protocol.value)),
    cautionsOfAll: cautionsFor(written.value.steps.flatMap(waysOf)),
    edition: inUse.called,
  });
}
