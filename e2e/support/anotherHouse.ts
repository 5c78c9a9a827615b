import { inject } from 'vitest';
import { ownHouse } from './ownHouse';
import { serveHouse, type ServedHouse } from './servedHouse';

/** Another house beside that of this worker, whose server and database may be stopped; with the same stand-ins. */
export function anotherHouse(): Promise<ServedHouse> {
  return serveHouse(inject('madeHouse'), ownHouse().outside);
}
