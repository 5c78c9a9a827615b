import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createJsonPieces, type Piece } from './jsonPieces';

/** The pieces of a text that comes in chunks of some bytes. */
function piecesOf(text: string, size: number): Piece[] {
  const pieces = createJsonPieces();
  const bytes = Buffer.from(text);
  const found: Piece[] = [];
  for (let at = 0; at < bytes.length; at += size) {
    found.push(...pieces.take(bytes.subarray(at, at + size)));
  }
  pieces.end();
  return found;
}

/** The object that pieces make up. */
function together(pieces: readonly Piece[]): Record<string, unknown> {
  const made: Record<string, unknown> = Object.create(null) as Record<string, unknown>;
  for (const piece of pieces) {
    if (piece.kind === 'value') made[piece.key] = piece.value;
    else if (piece.kind === 'list') made[piece.key] = [];
    else (made[piece.key] as unknown[]).push(piece.value);
  }
  return made;
}

const json = fc.dictionary(fc.string(), fc.jsonValue({ maxDepth: 4 }));

describe('a JSON object taken apart', () => {
  it('is what JSON.parse reads, in any layout and any chunks', () => {
    fc.assert(
      fc.property(
        json,
        fc.nat({ max: 4 }),
        fc.integer({ min: 1, max: 40 }),
        (value, space, size) => {
          const text = JSON.stringify(value, null, space);
          const plain = JSON.parse(text) as Record<string, unknown>;
          expect({ ...together(piecesOf(text, size)) }).toEqual({ ...plain });
        },
      ),
    );
  });

  it('is refused wherever JSON.parse refuses it', () => {
    fc.assert(
      fc.property(
        json,
        fc.nat(),
        fc.constantFrom('', ',', '}', ']', '{', '[', '"', ':', '\\', 'x', '1', ' null'),
        fc.integer({ min: 1, max: 40 }),
        (value, where, put, size) => {
          const text = JSON.stringify(value);
          const at = where % (text.length + 1);
          const broken = `${text.slice(0, at)}${put}${text.slice(at + 1)}`;
          const isObject = (() => {
            try {
              const parsed: unknown = JSON.parse(broken);
              return typeof parsed === 'object' && parsed !== null && !Array.isArray(parsed);
            } catch {
              return false;
            }
          })();
          if (isObject) expect(() => piecesOf(broken, size)).not.toThrow();
          else expect(() => piecesOf(broken, size)).toThrow(SyntaxError);
        },
      ),
      { numRuns: 500 },
    );
  });
});
