import type { ExportName } from '@bienestar/contract/api';
import { unitCost } from '@bienestar/core/cost/unitCost';
import type { PricePoint } from '@bienestar/core/house/pricePoint';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { LADDERS, type House, type Material } from '@bienestar/core/house/house';
import { openLifeOf } from '@bienestar/core/house/packs';
import { shelfState } from '@bienestar/core/stock/shelfLife';
import { stepList, visitList } from './logbookLists';
import type { Cell, ExportList, Rows } from './exportList';
import type { LogbookSource } from './visitsOf';
import type { Lot, Movement } from '@bienestar/core/house/stock';

/** What a list is made from; what only some lists need is read when it is asked for. */
export interface ExportSource extends LogbookSource {
  readonly shelf: Pick<House, 'settings' | 'suppliers' | 'materials'>;
  readonly stock: () => Promise<House['stock']>;
  readonly house: () => Promise<House>;
  readonly prices: () => AsyncIterable<readonly PricePoint[]>;
  readonly lots: () => AsyncIterable<readonly Lot[]>;
  readonly movements: () => AsyncIterable<readonly Movement[]>;
}

/** The house as one of its lists. */
export function exportList(
  name: ExportName,
  source: ExportSource,
  minorPerMajor: number,
  now: Date,
): ExportList {
  const { settings, suppliers, materials } = source.shelf;
  const money = (minor: number | undefined): number | undefined =>
    minor === undefined ? undefined : minor / minorPerMajor;
  const cents = (minor: number): number => Math.round(minor) / minorPerMajor;
  const { currency, timeZone } = settings;
  const nameOf = new Map<string, string>(
    [...suppliers, ...materials].map((each) => [each.id, each.name]),
  );
  switch (name) {
    case 'materials':
      return {
        headings: [
          'id',
          'name',
          'kind',
          'unit',
          `cost per unit (${currency})`,
          ...MEASURE_HEADINGS,
        ],
        pages: onePage(
          materials.map((material) => {
            const cost = unitCost(material, { settings, suppliers });
            return [
              material.id,
              material.name,
              material.kind,
              material.unit,
              cost.ok ? money(cost.value) : undefined,
              ...measureCells(material),
            ];
          }),
        ),
      };
    case 'packs':
      return {
        headings: [
          'material id',
          'material',
          'pack id',
          'preferred',
          'supplier',
          'article number',
          'containers',
          'content',
          'unit',
          `price (${currency})`,
          'discount %',
          `freight (${currency})`,
          'left in the pack %',
          'least order',
        ],
        pages: onePage(
          materials.flatMap((material) =>
            material.kind === 'linen'
              ? []
              : material.packs.map((pack) => [
                  material.id,
                  material.name,
                  pack.id,
                  pack.id === material.preferredPackId ? 'yes' : 'no',
                  nameOf.get(pack.supplierId),
                  pack.code,
                  pack.containers,
                  pack.content,
                  material.kind === 'fresh' ? 'piece' : material.unit,
                  money(pack.priceMinor),
                  percent(pack.discount),
                  money(pack.freightMinor),
                  percent(pack.residual),
                  pack.leastPacks,
                ]),
          ),
        ),
      };
    case 'prices':
      return {
        headings: [
          'material id',
          'material',
          'pack id',
          'from',
          `price (${currency})`,
          'discount %',
          `freight (${currency})`,
          'told by',
        ],
        pages: pagesOf(source.prices(), (point) => [
          point.materialId,
          nameOf.get(point.materialId),
          point.packId,
          point.on,
          money(point.priceMinor),
          percent(point.discount),
          money(point.freightMinor),
          point.from,
        ]),
      };
    case 'ledger': {
      return {
        headings: [
          'entry',
          'line',
          'when (UTC)',
          'kind',
          'material id',
          'material',
          'lot id',
          'lot number',
          'expires',
          'container',
          'quantity',
          'reason',
          'takes back',
          'note',
        ],
        pages: ledgerPages(source, (movement, lot) => [
          movement.entryId,
          movement.line,
          movement.at,
          movement.kind,
          movement.materialId,
          nameOf.get(movement.materialId),
          movement.lotId,
          lot?.code,
          lot?.expiresOn,
          movement.containerId,
          movement.quantity,
          movement.reason,
          movement.corrects,
          movement.note,
        ]),
      };
    }
    case 'menu':
      return {
        headings: [
          'service id',
          'service',
          'guest is told (min)',
          'slot (min)',
          'attended (min)',
          `direct cost (${currency})`,
          `full cost (${currency})`,
          `price (${currency})`,
          'charged by',
          ...LADDERS.map((ladder) => `${ladder.replace('-', ' ')} (${currency})`),
          'margin %',
          `contribution (${currency})`,
          `contribution per room hour (${currency})`,
          `hands and things are paid from (${currency})`,
          `everything is paid from (${currency})`,
          `one more guest adds (${currency})`,
          `lowest price for one more guest (${currency})`,
        ],
        /* A service that cannot be counted keeps its line, without figures. */
        pages: pageOf(async () => {
          const house = await source.house();
          const figures = createCalculator()(house).services;
          return house.services.map(({ id, name: called }): readonly Cell[] => {
            const of = figures.get(id);
            if (!of?.schedule.ok || !of.cost.ok || !of.price.ok) return [id, called];
            const [clock, cost, price] = [of.schedule.value, of.cost.value, of.price.value];
            return [
              id,
              called,
              clock.guestMinutes,
              clock.slotMinutes,
              hundredths(clock.attended.therapist),
              cents(cost.direct.usual),
              cents(cost.full.usual),
              money(price.gross),
              price.by.replace('-', ' '),
              ...LADDERS.map((ladder) =>
                money(price.rungs.find((rung) => rung.ladder === ladder)?.price.gross),
              ),
              hundredths(price.margin * 100),
              cents(price.contribution),
              cents(price.perRoomHour),
              cents(price.floorGross),
              cents(price.evenGross),
              cents(price.oneMore.contribution),
              cents(price.oneMore.floorGross),
            ];
          });
        }),
      };
    case 'stock': {
      const known = new Map(materials.map((material) => [material.id, material]));
      return {
        headings: [
          'material id',
          'material',
          'unit',
          'on hand',
          'usable',
          'sealed containers',
          'open',
        ],
        pages: pageOf(async () =>
          (await source.stock()).flatMap((line) => {
            const material = known.get(line.materialId);
            if (!material || material.kind === 'linen') return [];
            const { onHand, usable, sealedContainers, open } = shelfState(material, line, {
              now,
              timeZone,
            });
            const whole = Math.floor(sealedContainers);
            return [
              [material.id, material.name, material.unit, onHand, usable, whole, open.length],
            ];
          }),
        ),
      };
    }
    case 'logbook':
      return visitList(source, currency, cents);
    case 'steps':
      return stepList(source);
  }
}

function onePage(rows: Rows): Iterable<Rows> {
  return [rows];
}

async function* pageOf(rows: () => Promise<Rows>): AsyncGenerator<Rows> {
  yield await rows();
}

async function* pagesOf<T>(
  pages: AsyncIterable<readonly T[]>,
  cellsOf: (thing: T) => readonly Cell[],
): AsyncGenerator<Rows> {
  for await (const page of pages) yield page.map(cellsOf);
}

async function* ledgerPages(
  source: ExportSource,
  cellsOf: (movement: Movement, lot: Lot | undefined) => readonly Cell[],
): AsyncGenerator<Rows> {
  const lots = new Map<string, Lot>();
  for await (const page of source.lots()) for (const lot of page) lots.set(lot.id, lot);
  for await (const page of source.movements()) {
    yield page.map((movement) => cellsOf(movement, lots.get(movement.lotId)));
  }
}

const MEASURE_HEADINGS = [
  'density g/ml',
  'ml per pump',
  'drops per ml',
  'ml per dropperful',
  'ml per spray',
  'ml per spatula',
  'open life',
  'warnings',
  'allergens',
  'archived',
];

function measureCells(material: Material): Cell[] {
  const { measures, care } = material;
  const openLife = openLifeOf(material);
  return [
    measures.density,
    measures.mlPerPump?.usual,
    measures.dropsPerMl?.usual,
    measures.mlPerDropper?.usual,
    measures.mlPerSpray?.usual,
    measures.mlPerSpatula?.usual,
    openLife && `${openLife.amount} ${openLife.unit}`,
    care?.warnings?.join(', '),
    care?.allergens?.join(', '),
    material.archivedOn,
  ];
}

function hundredths(value: number): number {
  return Math.round(value * 100) / 100;
}

function percent(share: number): number {
  return Math.round(share * 1e8) / 1e6;
}
