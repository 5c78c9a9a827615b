import { connect } from '../db/connection';
import { watchRoom } from '../db/room';
import { refusalFor } from '../http/problems';
import type { FromOpening, ToOpening } from './openBeside';
import { openHouse } from './openHouse';

/*
 * Opens one house file in a process of its own, started by openBeside.ts: nobody else waits for a large
 * one, and its memory is free again afterwards. It ends with whoever started it.
 */

const abort = new AbortController();

function tell(message: FromOpening): Promise<void> {
  return new Promise((resolve) => {
    if (process.connected) process.send?.(message, () => resolve());
    else resolve();
  });
}

async function open(url: string, path: string): Promise<void> {
  const sequelize = connect(url);
  const { DATABASE_FOLDER = '' } = process.env;
  if (DATABASE_FOLDER !== '') watchRoom(sequelize, DATABASE_FOLDER);
  try {
    const outcome = await openHouse(sequelize, url, path, {
      signal: abort.signal,
      onProgress: (share) => void tell({ kind: 'progress', share }),
    });
    await tell({ kind: 'done', outcome });
  } catch (error) {
    const { status, type, title, message } = refusalFor(error);
    const trace = error instanceof Error ? (error.stack ?? '') : '';
    await tell({ kind: 'failed', status, type, title, message, trace });
  } finally {
    await sequelize.close();
    if (process.connected) process.disconnect();
  }
}

process.on('message', (said: ToOpening) => {
  if (said.kind === 'open') void open(said.url, said.path);
  else abort.abort();
});
process.once('disconnect', () => abort.abort());
