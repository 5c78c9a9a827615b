/** A part of a JSON object of lists, as it is read. */
export type Piece =
  | { readonly kind: 'value'; readonly key: string; readonly value: unknown }
  | { readonly kind: 'list'; readonly key: string }
  | { readonly kind: 'row'; readonly key: string; readonly value: unknown };

/** The largest value that is held whole, in bytes. */
const LARGEST_PIECE = 64 * 1024 * 1024;

const [QUOTE, BACKSLASH, COMMA, COLON] = [0x22, 0x5c, 0x2c, 0x3a];
const [OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [0x5b, 0x5d, 0x7b, 0x7d];
const isSpace = (byte: number): boolean =>
  byte === 0x20 || byte === 0x0a || byte === 0x0d || byte === 0x09;

/** What may come next. */
type Expected =
  | 'object'
  | 'first-key'
  | 'key'
  | 'colon'
  | 'value'
  | 'first-row'
  | 'row'
  | 'after-row'
  | 'after-value'
  | 'nothing';

/**
 * Takes a JSON object apart while it is read, of any size and layout: its values, and of those that are
 * lists the rows one by one. Where values end is found by their brackets and quotes; what is in them is
 * read by JSON.parse.
 * @throws SyntaxError for what is not such JSON
 */
export function createJsonPieces(): {
  /** the pieces that a chunk completes */
  readonly take: (chunk: Buffer) => Piece[];
  /** says that nothing more comes */
  readonly end: () => void;
} {
  let rest: Buffer = Buffer.alloc(0);
  let at = 0;
  let expected: Expected = 'object';
  let key = '';
  /* Of a value that is not complete yet: how far it was looked at, and what it is within. */
  let scanned = 0;
  let depth = 0;
  let inString = false;

  /** Where the value that begins at `at` ends, or -1 while its end has not come. */
  const endOfValue = (): number => {
    const isScalar = depth === 0 && !inString && !opens(rest[at] ?? 0);
    for (let byteAt = Math.max(at, scanned); byteAt < rest.length; byteAt += 1) {
      const byte = rest[byteAt] ?? 0;
      if (inString) {
        if (byte === BACKSLASH) {
          byteAt += 1;
        } else if (byte === QUOTE) {
          inString = false;
          if (depth === 0) return byteAt + 1;
        }
        scanned = byteAt + 1;
        continue;
      }
      if (isScalar) {
        if (isSpace(byte) || byte === COMMA || byte === CLOSE_LIST || byte === CLOSE_OBJECT) {
          return byteAt;
        }
      } else if (byte === QUOTE) inString = true;
      else if (byte === OPEN_LIST || byte === OPEN_OBJECT) depth += 1;
      else if (byte === CLOSE_LIST || byte === CLOSE_OBJECT) {
        depth -= 1;
        if (depth === 0) return byteAt + 1;
      }
      scanned = byteAt + 1;
    }
    if (rest.length - at > LARGEST_PIECE) throw new SyntaxError('one of its values is too large');
    return -1;
  };

  /** The value that begins at `at`, or nothing while its end has not come. */
  const value = (): { readonly value: unknown } | undefined => {
    const end = endOfValue();
    if (end === -1) return undefined;
    const text = rest.toString('utf8', at, end);
    at = end;
    scanned = end;
    depth = 0;
    inString = false;
    return { value: JSON.parse(text) as unknown };
  };

  const unexpected = (byte: number): never => {
    const found = byte > 0x20 && byte < 0x7f ? `“${String.fromCharCode(byte)}”` : 'something';
    throw new SyntaxError(`${found} stands where ${WORDS[expected]} should`);
  };

  const take = (chunk: Buffer): Piece[] => {
    const pieces: Piece[] = [];
    scanned -= at;
    rest = at < rest.length ? Buffer.concat([rest.subarray(at), chunk]) : chunk;
    if (scanned < 0) scanned = 0;
    at = 0;
    while (at < rest.length) {
      const byte = rest[at] ?? 0;
      if (isSpace(byte) && depth === 0 && !inString) {
        at += 1;
        continue;
      }
      switch (expected) {
        case 'object':
          if (byte !== OPEN_OBJECT) return unexpected(byte);
          at += 1;
          expected = 'first-key';
          continue;
        case 'first-key':
        case 'key': {
          if (byte === CLOSE_OBJECT && expected === 'first-key') {
            at += 1;
            expected = 'nothing';
            continue;
          }
          if (byte !== QUOTE) return unexpected(byte);
          const found = value();
          if (!found) return pieces;
          key = String(found.value);
          expected = 'colon';
          continue;
        }
        case 'colon':
          if (byte !== COLON) return unexpected(byte);
          at += 1;
          expected = 'value';
          continue;
        case 'value': {
          if (byte === OPEN_LIST) {
            at += 1;
            pieces.push({ kind: 'list', key });
            expected = 'first-row';
            continue;
          }
          const found = value();
          if (!found) return pieces;
          pieces.push({ kind: 'value', key, ...found });
          expected = 'after-value';
          continue;
        }
        case 'first-row':
        case 'row': {
          if (byte === CLOSE_LIST && expected === 'first-row') {
            at += 1;
            expected = 'after-value';
            continue;
          }
          const found = value();
          if (!found) return pieces;
          pieces.push({ kind: 'row', key, ...found });
          expected = 'after-row';
          continue;
        }
        case 'after-row':
          if (byte !== COMMA && byte !== CLOSE_LIST) return unexpected(byte);
          at += 1;
          expected = byte === COMMA ? 'row' : 'after-value';
          continue;
        case 'after-value':
          if (byte !== COMMA && byte !== CLOSE_OBJECT) return unexpected(byte);
          at += 1;
          expected = byte === COMMA ? 'key' : 'nothing';
          continue;
        case 'nothing':
          return unexpected(byte);
      }
    }
    return pieces;
  };

  return {
    take,
    end: () => {
      if (expected !== 'nothing') throw new SyntaxError('it breaks off');
    },
  };
}

const WORDS: Record<Expected, string> = {
  object: '“{”',
  'first-key': 'a name in quotes',
  key: 'a name in quotes',
  colon: '“:”',
  value: 'a value',
  'first-row': 'a row',
  row: 'a row',
  'after-row': '“,” or “]”',
  'after-value': '“,” or “}”',
  nothing: 'nothing more',
};

function opens(byte: number): boolean {
  return byte === QUOTE || byte === OPEN_LIST || byte === OPEN_OBJECT;
}
