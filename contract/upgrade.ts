import { dayOf } from '@bienestar/core/days/days';
import { toSecond } from '@bienestar/core/days/instants';
import { timeZoneHere } from '@bienestar/core/days/timeZones';

type Plain = Record<string, unknown>;

const DEFAULT_ORDER_DAYS = 28;

/** Up to version 5 the days of a house went by the clock of the machine that reads it. */
export const TIME_ZONE_OF_VERSION_5 = timeZoneHere();

/**
 * A house file of version 1 in the words of version 2: its one pack becomes the first of several, and
 * what was counted on the shelf becomes a count in the ledger. Checking follows; what does not look
 * like version 1 is passed on as it is.
 * @param now when the count is entered
 */
export function fromVersion1(file: Plain, now: Date): Plain {
  const { stock, materials, settings, ...rest } = file;
  const upgraded = listOf(materials).map(upgradeMaterial);
  const contents = new Map(upgraded.map((material) => [material.id, contentOf(material)]));
  const counted = listOf(stock).filter(
    (line) => typeof line.onHand === 'number' && line.onHand > 0 && contents.get(line.materialId),
  );
  const lotOf = (line: Plain): string => `${String(line.materialId).slice(0, 58)}-lot-1`;
  return {
    ...rest,
    formatVersion: 2,
    settings: { orderDays: DEFAULT_ORDER_DAYS, ...(settings as Plain) },
    materials: upgraded,
    prices: [],
    lots: counted.map((line) => ({
      id: lotOf(line),
      materialId: line.materialId,
      code: '',
      content: contents.get(line.materialId),
      deliveredOn: dayOf(now, TIME_ZONE_OF_VERSION_5),
    })),
    movements: counted.map((line) => ({
      entryId: `${String(line.materialId).slice(0, 56)}-count-1`,
      line: 0,
      kind: 'count',
      at: toSecond(now),
      materialId: line.materialId,
      lotId: lotOf(line),
      quantity: line.onHand,
    })),
  };
}

/** Whom "a small build" and "a large build" mean until the house says otherwise. */
const BUILDS = { small: { heightCm: 155, weightKg: 50 }, large: { heightCm: 175, weightKg: 95 } };
/** How a mix of version 2 was made, as far as it said. */
const MADE = { made: 'just-in-time', mixingMinutes: 0, standingMinutes: 0 };

/**
 * A house file of version 2 in the words of version 3: no devices, blocks and editions yet, mixes
 * made when they are needed, protocols without choices.
 */
export function fromVersion2(file: Plain): Plain {
  const { settings, mixes, protocols, ...rest } = file;
  return {
    ...rest,
    formatVersion: 3,
    settings: { builds: BUILDS, ...(settings as Plain) },
    mixes: listOf(mixes).map((mix) => ({ ...MADE, ...mix })),
    devices: [],
    blocks: [],
    protocols: listOf(protocols).map((protocol) => ({ choices: [], ...protocol })),
    editions: [],
  };
}

/** A house file of version 3 in the words of version 4: nothing sold but services, no memory of changes. */
export function fromVersion3(file: Plain): Plain {
  return { ...file, formatVersion: 4, offers: [], menus: [], scenarios: [], journal: [] };
}

/** How a house of version 5 restocks until it says otherwise; in the file and in the database. It never changes. */
export const RESTOCK_OF_VERSION_5 = {
  orderCostMinor: 900,
  holdingRate: 0.2,
  blend: { plan: 1, bookings: 0, log: 0 },
  bookingDays: 14,
  logDays: 56,
  months: [1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1],
  courses: 'within-plan',
  countEveryDays: 28,
  bookingNames: [],
};

/** A house file of version 4 in the words of version 5: restocked as before, nothing booked or ordered. */
export function fromVersion4(file: Plain): Plain {
  const { settings } = file;
  return {
    ...file,
    formatVersion: 5,
    settings: { restock: RESTOCK_OF_VERSION_5, ...(settings as Plain) },
    bookings: [],
    treatments: [],
    soldCourses: [],
    orders: [],
    counts: [],
    journal: listOf(file.journal).map((entry) =>
      entry.part === 'settings' && isPlain(entry.before)
        ? { ...entry, before: { restock: RESTOCK_OF_VERSION_5, ...entry.before } }
        : entry,
    ),
  };
}

/** A house file of version 5 in the words of version 6: its days go by the clocks of a zone that it names. */
export function fromVersion5(file: Plain): Plain {
  const zoned = (settings: unknown): Plain => ({
    timeZone: TIME_ZONE_OF_VERSION_5,
    ...(settings as Plain),
  });
  return {
    ...file,
    formatVersion: 6,
    settings: zoned(file.settings),
    journal: listOf(file.journal).map((entry) =>
      entry.part === 'settings' && isPlain(entry.before)
        ? { ...entry, before: zoned(entry.before) }
        : entry,
    ),
  };
}

/**
 * A protocol, a block or what was published of one, in the words of version 7: what is asked after a layer is a
 * question as any other, and what is done at which score stands in it.
 */
export function writingOfVersion7<W extends Plain>(writing: W): W {
  if (!Array.isArray(writing.layerGroups)) return writing;
  return { ...writing, layerGroups: listOf(writing.layerGroups).map(layersOfVersion7) };
}

function layersOfVersion7({ between, score, ...group }: Plain): Plain {
  const { question, ...wait } = isPlain(between) ? between : {};
  const said = typeof question === 'string' ? question : '';
  const { slowAt, stopAt } = isPlain(score) ? score : {};
  const asks =
    said === '' && !isPlain(score)
      ? undefined
      : [
          {
            id: `${String(group.id).slice(0, 290)}-ask`,
            ask: said,
            answer: { kind: isPlain(score) ? 'score' : 'text' },
            reactions: isPlain(score)
              ? [
                  { from: slowAt, response: 'lightly' },
                  { from: stopAt, response: 'off' },
                ]
              : [],
          },
        ];
  return { ...group, ...(isPlain(between) && { between: wait }), ...(asks && { asks }) };
}

const WRITINGS: ReadonlySet<unknown> = new Set(['protocols', 'blocks']);

/** A house file of version 6 in the words of version 7: see `writingOfVersion7`. */
export function fromVersion6(file: Plain): Plain {
  return {
    ...file,
    formatVersion: 7,
    protocols: listOf(file.protocols).map(writingOfVersion7),
    blocks: listOf(file.blocks).map(writingOfVersion7),
    editions: listOf(file.editions).map((edition) =>
      isPlain(edition.protocol)
        ? { ...edition, protocol: writingOfVersion7(edition.protocol) }
        : edition,
    ),
    journal: listOf(file.journal).map((entry) =>
      WRITINGS.has(entry.part) && isPlain(entry.before)
        ? { ...entry, before: writingOfVersion7(entry.before) }
        : entry,
    ),
  };
}

/** A house file of version 7 in the words of version 8: nothing was run in the room yet. */
export function fromVersion7(file: Plain): Plain {
  return { ...file, formatVersion: 8, runs: [], runEvents: [] };
}

/** A house file of version 8 in the words of version 9: nothing of its visits is known but that they were. */
export function fromVersion8(file: Plain): Plain {
  return { ...file, formatVersion: 9, logbookPlans: [], logbook: [] };
}

/** A house file of version 9 in the words of version 10: nothing is placed into a week yet. */
export function fromVersion9(file: Plain): Plain {
  return { ...file, formatVersion: 10, placed: [] };
}

function isPlain(value: unknown): value is Plain {
  return typeof value === 'object' && value !== null;
}

function upgradeMaterial(material: Plain): Plain {
  const { pack, supplierId, ...rest } = material;
  if (typeof pack !== 'object' || pack === null) return material;
  const id = `${String(material.id).slice(0, 57)}-pack-1`;
  return {
    ...rest,
    ...(material.kind === 'consumable' && { countedPer: 'client' }),
    packs: [{ id, supplierId, ...pack }],
    preferredPackId: id,
  };
}

function contentOf(material: Plain): unknown {
  return listOf(material.packs)[0]?.content;
}

function listOf(value: unknown): Plain[] {
  return Array.isArray(value)
    ? value.filter((item): item is Plain => typeof item === 'object' && item !== null)
    : [];
}
