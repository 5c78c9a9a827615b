import { typedMinutes } from '@bienestar/core/stepLine/minutes';
import { parseDecimal } from './decimal';

/** Reads minutes as they are said: "75", "7,5", "1/2", "1:15", "30 sec", "1 min 30". */
export function parseMinutes(text: string): number | undefined {
  return parseDecimal(text) ?? typedMinutes(text);
}
