import type { Sequelize, Transaction } from 'sequelize';
import type { Versioned } from '@bienestar/contract/api';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { fromJson, orNull, present } from '../db/optional';
import { rowsOf } from '../db/rows';
import { table } from '../db/tables';

const ONLY_ROW = 1;

interface SettingsRow {
  readonly id: number;
  readonly version: number;
  readonly name: string;
  readonly place: string;
  readonly currency: string;
  readonly spoons: HouseSettings['spoons'];
  readonly clientHeightCm: number;
  readonly clientWeightKg: number;
  readonly builds: HouseSettings['builds'] | string;
  readonly decolletePercent: number;
  readonly abdomenPercent: number;
  readonly faceShares: HouseSettings['faceShares'] | string;
  readonly handlingLoss: number;
  readonly coatThin: number;
  readonly coatStandard: number;
  readonly coatGenerous: number;
  readonly slotGridMinutes: number;
  readonly slotQuantile: number;
  readonly therapistCharge: HouseSettings['therapistCharge'];
  readonly onCost: number;
  readonly bookableShare: number;
  readonly roomFixedPerMonthMinor: number;
  readonly openDaysPerMonth: number;
  readonly openHoursPerDay: number;
  readonly occupancy: number;
  readonly vat: number;
  readonly commission: number;
  readonly cardFee: number;
  readonly targetMargin: number;
  readonly targetPerRoomHourMinor: number | null;
  readonly grades: HouseSettings['grades'] | string | null;
  readonly priceEveryMinor: number;
  readonly priceEndings: readonly number[] | string;
  readonly priceRounding: HouseSettings['priceEndings']['rounding'];
  readonly serviceLevel: number;
  readonly orderDays: number;
  readonly restock: HouseSettings['restock'] | string;
}

/** Reads and writes the one row of house settings, inside the caller's transaction. */
export interface SettingsStore {
  readonly find: (tx: Transaction) => Promise<Versioned<HouseSettings> | undefined>;
  /** false when another version is there */
  readonly replace: (settings: HouseSettings, version: number, tx: Transaction) => Promise<boolean>;
  readonly reset: (settings: HouseSettings, version: number, tx: Transaction) => Promise<void>;
}

/** House settings in the database. */
export function settingsStore(sequelize: Sequelize): SettingsStore {
  const settings = table<SettingsRow>(sequelize, 'settings');
  return {
    find: async (tx) => {
      const [row] = await rowsOf<SettingsRow>(settings, [], tx);
      return row && { ...settingsOf(row), version: row.version };
    },
    replace: async (value, version, tx) => {
      const [touched] = await settings.update(settingsRow(value, version + 1), {
        where: { id: ONLY_ROW, version },
        transaction: tx,
      });
      return touched > 0;
    },
    reset: async (value, version, tx) => {
      await settings.destroy({ where: {}, transaction: tx });
      await settings.create(settingsRow(value, version), { transaction: tx });
    },
  };
}

function settingsRow(value: HouseSettings, version: number): SettingsRow {
  const { referenceClient, trunkPercent, coatMgPerCm2, roomCost, priceEndings, ...plain } = value;
  return {
    id: ONLY_ROW,
    version,
    ...plain,
    targetPerRoomHourMinor: orNull(plain.targetPerRoomHourMinor),
    grades: orNull(plain.grades),
    clientHeightCm: referenceClient.heightCm,
    clientWeightKg: referenceClient.weightKg,
    decolletePercent: trunkPercent.decollete,
    abdomenPercent: trunkPercent.abdomen,
    coatThin: coatMgPerCm2.thin,
    coatStandard: coatMgPerCm2.standard,
    coatGenerous: coatMgPerCm2.generous,
    roomFixedPerMonthMinor: roomCost.fixedPerMonthMinor,
    openDaysPerMonth: roomCost.openDaysPerMonth,
    openHoursPerDay: roomCost.openHoursPerDay,
    occupancy: roomCost.occupancy,
    priceEveryMinor: priceEndings.everyMinor,
    priceEndings: priceEndings.endingsMinor,
    priceRounding: priceEndings.rounding,
  };
}

function settingsOf(row: SettingsRow): HouseSettings {
  return {
    name: row.name,
    place: row.place,
    currency: row.currency,
    spoons: row.spoons,
    referenceClient: { heightCm: row.clientHeightCm, weightKg: row.clientWeightKg },
    builds: fromJson<HouseSettings['builds']>(row.builds),
    trunkPercent: { decollete: row.decolletePercent, abdomen: row.abdomenPercent },
    faceShares: fromJson<HouseSettings['faceShares']>(row.faceShares),
    handlingLoss: row.handlingLoss,
    coatMgPerCm2: {
      thin: row.coatThin,
      standard: row.coatStandard,
      generous: row.coatGenerous,
    },
    slotGridMinutes: row.slotGridMinutes,
    slotQuantile: row.slotQuantile,
    therapistCharge: row.therapistCharge,
    onCost: row.onCost,
    bookableShare: row.bookableShare,
    roomCost: {
      fixedPerMonthMinor: row.roomFixedPerMonthMinor,
      openDaysPerMonth: row.openDaysPerMonth,
      openHoursPerDay: row.openHoursPerDay,
      occupancy: row.occupancy,
    },
    vat: row.vat,
    commission: row.commission,
    cardFee: row.cardFee,
    targetMargin: row.targetMargin,
    ...present({ targetPerRoomHourMinor: row.targetPerRoomHourMinor }),
    ...(row.grades === null ? {} : { grades: fromJson<HouseSettings['grades']>(row.grades) }),
    priceEndings: {
      everyMinor: row.priceEveryMinor,
      endingsMinor: fromJson<readonly number[]>(row.priceEndings),
      rounding: row.priceRounding,
    },
    serviceLevel: row.serviceLevel,
    orderDays: row.orderDays,
    restock: fromJson<HouseSettings['restock']>(row.restock),
  };
}
