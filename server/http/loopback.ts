import { isIPv6 } from 'node:net';

/** The names of this machine for itself. */
export const LOOPBACK_NAMES = ['localhost', '127.0.0.1', '::1'] as const;

/** Whether only this machine reaches what listens under a name. */
export function isLoopback(host: string): boolean {
  return (LOOPBACK_NAMES as readonly string[]).includes(host) || /^127(?:\.\d{1,3}){3}$/.test(host);
}

/** The address under which a browser finds what listens. */
export function addressOf(host: string, port: number): string {
  return `http://${isIPv6(host) ? `[${host}]` : host}:${port}`;
}
