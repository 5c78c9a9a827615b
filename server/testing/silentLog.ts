import pino, { type Logger } from 'pino';

/** A log that says nothing, unless LOG_LEVEL asks it to. */
export function silentLog(): Logger {
  return pino({ level: process.env.LOG_LEVEL ?? 'silent' });
}
