import text from '../../demo/casa-cenera.house.json?raw';
import { readHouseFile } from '../../contract/houseFile';
import { asOfNow } from '../house/archive';
import type { House } from '../house/house';
import { houseOf } from '../stock/houseOf';

const file = readHouseFile(text);

/** The demo house as it is shown at a moment. */
export function demoAsOf(now: Date): House {
  if (!file.ok) throw new Error(JSON.stringify(file.faults[0]));
  return houseOf(asOfNow(file.value, now));
}
