import type { HouseArchive } from './archive';
import { asId } from './ids';
import { USUAL_RESTOCK } from './restock';
import type { HouseSettings } from './settings';

/**
 * What holds for a house that has just begun, until it says otherwise: the reference client and the parts
 * of the body of D1, coats and losses of D2, and shares that are usual.
 * @see D1 D2
 */
export const NEW_SETTINGS: HouseSettings = {
  name: 'New house',
  place: 'Our place',
  timeZone: 'UTC',
  currency: 'EUR',
  spoons: 'metric',
  referenceClient: { heightCm: 165, weightKg: 65 },
  builds: {
    small: { heightCm: 155, weightKg: 50 },
    large: { heightCm: 175, weightKg: 95 },
  },
  trunkPercent: { decollete: 2.5, abdomen: 5.5 },
  faceShares: {
    forehead: 0.22,
    cheeks: 0.4,
    nose: 0.07,
    perioral: 0.08,
    chin: 0.08,
    jawline: 0.08,
    'eye-contour': 0.07,
  },
  handlingLoss: 0.05,
  coatMgPerCm2: { thin: 1, standard: 2, generous: 4 },
  slotGridMinutes: 5,
  slotQuantile: 0.9,
  therapistCharge: 'attended',
  onCost: 0.24,
  bookableShare: 0.78,
  roomCost: {
    fixedPerMonthMinor: 200_000,
    openDaysPerMonth: 26,
    openHoursPerDay: 9,
    occupancy: 0.65,
  },
  vat: 0.2,
  commission: 0,
  cardFee: 0.015,
  targetMargin: 0.35,
  priceEndings: { everyMinor: 500, endingsMinor: [0], rounding: 'up' },
  serviceLevel: 0.95,
  orderDays: 28,
  restock: USUAL_RESTOCK,
};

/**
 * A house in which nothing is written yet but a room and a therapist, without whom nothing costs anything.
 * @param timeZone IANA name
 */
export function newHouse(timeZone = NEW_SETTINGS.timeZone): HouseArchive {
  return {
    settings: { ...NEW_SETTINGS, timeZone },
    rooms: [{ id: asId('room-1'), name: 'Room 1', kind: 'dry' }],
    people: [
      { id: asId('therapist-1'), name: 'Therapist', role: 'therapist', hourlyPayMinor: 1_500 },
    ],
    suppliers: [],
    materials: [],
    mixes: [],
    devices: [],
    blocks: [],
    editions: [],
    protocols: [],
    services: [],
    demand: [],
    offers: [],
    menus: [],
    scenarios: [],
    bookings: [],
    placed: [],
    treatments: [],
    runs: [],
    runEvents: [],
    logbookPlans: [],
    logbook: [],
    soldCourses: [],
    orders: [],
    counts: [],
    prices: [],
    lots: [],
    movements: [],
    journal: [],
  };
}
