import { readFileSync, readlinkSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';

const LOOK_EVERY_MS = 30;

/**
 * The command line of a running process, or nothing.
 * @param {number} pid
 */
export function commandOf(pid) {
  try {
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
    return command === '' ? undefined : command;
  } catch {
    return undefined;
  }
}

/**
 * The folder in which a process runs, or nothing.
 * @param {number} pid
 */
export function folderOf(pid) {
  try {
    return readlinkSync(`/proc/${pid}/cwd`);
  } catch {
    return undefined;
  }
}

/**
 * Ends a process that is no child of ours: asked first, also when it is frozen, then made to.
 * @param {number} pid
 * @param {number} withinMs that it may take by itself
 */
export async function endProcess(pid, withinMs) {
  signal(pid, 'SIGTERM');
  signal(pid, 'SIGCONT');
  const until = Date.now() + withinMs;
  while (commandOf(pid) && Date.now() < until) await wait(LOOK_EVERY_MS);
  signal(pid, 'SIGKILL');
  while (commandOf(pid)) await wait(LOOK_EVERY_MS);
}

/** @param {number} pid @param {NodeJS.Signals} name */
function signal(pid, name) {
  try {
    process.kill(pid, name);
  } catch {
    /* It is gone already. */
  }
}
