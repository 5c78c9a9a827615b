import { existsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { fileURLToPath } from 'node:url';

/** The folder of the project. */
export const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');

/** Where everything lies that a machine makes for itself: git ignores it. */
export const OWN = `${ROOT}/.bienestar`;

/** Where what goes again lies quickest: in memory, where there is such a place. */
export const QUICK = existsSync('/dev/shm') ? '/dev/shm' : tmpdir();
