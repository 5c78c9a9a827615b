import type { ExportName } from '@bienestar/contract/api';
import { unitCost } from '@bienestar/core/cost/unitCost';
import { houseOf, type HouseArchive } from '@bienestar/core/house/archive';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { LADDERS, type Material } from '@bienestar/core/house/house';
import { openLifeOf } from '@bienestar/core/house/packs';
import { shelfState } from '@bienestar/core/stock/shelfLife';

/** A cell of a list; nothing where there is nothing to say. */
type Cell = string | number | undefined;

/** A list as other programs read it: its headings, then its rows. Money in the house's currency. */
export interface ExportList {
  readonly headings: readonly string[];
  readonly rows: readonly (readonly Cell[])[];
}

/** The house as one of its lists. */
export function exportList(
  name: ExportName,
  archive: HouseArchive,
  minorPerMajor: number,
  now: Date,
): ExportList {
  const money = (minor: number | undefined): number | undefined =>
    minor === undefined ? undefined : minor / minorPerMajor;
  const cents = (minor: number): number => Math.round(minor) / minorPerMajor;
  const { currency } = archive.settings;
  const nameOf = new Map<string, string>(
    [...archive.suppliers, ...archive.materials].map((each) => [each.id, each.name]),
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
        rows: archive.materials.map((material) => {
          const cost = unitCost(material);
          return [
            material.id,
            material.name,
            material.kind,
            material.unit,
            cost.ok ? money(cost.value) : undefined,
            ...measureCells(material),
          ];
        }),
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
        rows: archive.materials.flatMap((material) =>
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
        rows: archive.prices.map((point) => [
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
      const lots = new Map(archive.lots.map((lot) => [lot.id, lot]));
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
        rows: archive.movements.map((movement) => [
          movement.entryId,
          movement.line,
          movement.at,
          movement.kind,
          movement.materialId,
          nameOf.get(movement.materialId),
          movement.lotId,
          lots.get(movement.lotId)?.code,
          lots.get(movement.lotId)?.expiresOn,
          movement.containerId,
          movement.quantity,
          movement.reason,
          movement.corrects,
          movement.note,
        ]),
      };
    }
    case 'menu': {
      const house = houseOf(archive);
      const figures = createCalculator()(house).services;
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
          `loses money below (${currency})`,
        ],
        /* A service that cannot be counted keeps its line, without figures. */
        rows: house.services.map(({ id, name }): readonly Cell[] => {
          const of = figures.get(id);
          if (!of?.schedule.ok || !of.cost.ok || !of.price.ok) return [id, name];
          const [clock, cost, price] = [of.schedule.value, of.cost.value, of.price.value];
          return [
            id,
            name,
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
          ];
        }),
      };
    }
    case 'stock': {
      const { stock } = houseOf(archive);
      const materials = new Map(archive.materials.map((material) => [material.id, material]));
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
        rows: stock.flatMap((line) => {
          const material = materials.get(line.materialId);
          if (!material || material.kind === 'linen') return [];
          const { onHand, usable, sealedContainers, open } = shelfState(material, line, now);
          const whole = Math.floor(sealedContainers);
          return [[material.id, material.name, material.unit, onHand, usable, whole, open.length]];
        }),
      };
    }
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
