import text from '../../demo/casa-cenera.house.json?raw';
import { readHouseFile } from '../houseFile';
import { asOfNow } from '@bienestar/core/house/archive';
import type { House } from '@bienestar/core/house/house';
import { houseOf } from '@bienestar/core/stock/houseOf';

const file = readHouseFile(text);

/** The demo house as it is shown at a moment. */
export function demoAsOf(now: Date): House {
  if (!file.ok) throw new Error(JSON.stringify(file.faults[0]));
  return houseOf(asOfNow(file.value, now));
}
