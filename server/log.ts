import pino, { type Logger } from 'pino';
import { BaseError } from 'sequelize';

/**
 * A log on stderr, which whoever started the server keeps: what went wrong and where, never the values of
 * queries, which are what people typed.
 */
export function createLog(level: string): Logger {
  const destination = pino.destination({ dest: 2, sync: true });
  /* Whoever kept the log is gone: so is what would have been logged. */
  destination.on('error', () => undefined);
  return pino({ level, serializers: SERIALIZERS }, destination);
}

/** How errors and requests are logged. */
export const SERIALIZERS = {
  err: plainError,
  req: (request: { readonly id?: unknown; readonly method?: string; readonly url?: string }) => ({
    id: request.id,
    method: request.method,
    path: (request.url ?? '').replace(/\?.*$/s, ''),
  }),
  res: (response: { readonly statusCode?: number }) => ({ status: response.statusCode }),
};

function plainError(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { type: typeof error };
  const { code, errno } = error as { readonly code?: unknown; readonly errno?: unknown };
  /* What a database says of an error quotes values; where it happened does not. */
  if (error instanceof BaseError) {
    const of = (
      error as { readonly original?: { readonly code?: unknown; readonly errno?: unknown } }
    ).original;
    return { type: error.name, code: of?.code, errno: of?.errno, at: framesOf(error) };
  }
  return { type: error.name, code, errno, message: error.message, at: framesOf(error) };
}

function framesOf({ stack = '' }: Error): string {
  return stack
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .join('\n');
}
