import { fileURLToPath } from 'node:url';

/** The folder of the project. */
export const ROOT = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');

/** Where everything lies that a machine makes for itself: git ignores it. */
export const OWN = `${ROOT}/.bienestar`;
