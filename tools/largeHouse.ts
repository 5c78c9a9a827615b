import { readFileSync } from 'node:fs';

const DEMO = new URL('../demo/casa-cenera.house.json', import.meta.url);

interface Plain {
  readonly [key: string]: unknown;
}
interface DemoFile extends Plain {
  readonly materials: readonly (Plain & { readonly id: string })[];
  readonly movements: readonly (Plain & { readonly lotId: string; readonly quantity: number })[];
}

/**
 * The demo house as after many years: its ledger and its journal as long as asked for.
 * @param movements lines of the ledger, about as many in as out
 * @param changes lines of the journal, each a whole material
 */
export function* largeHouse(movements: number, changes: number): Generator<string> {
  const demo = JSON.parse(readFileSync(DEMO, 'utf8')) as DemoFile;
  const { movements: ledger, journal: _journal, ...rest } = demo;
  const [line] = ledger;
  if (!line) throw new Error('The demo house has no ledger.');
  yield `${JSON.stringify(rest).slice(0, -1)},\n"movements":[\n`;
  for (let at = 0; at < movements; at += 1) {
    const of = ledger[at % ledger.length] ?? line;
    const { corrects: _corrects, containerId: _container, ...plain } = of;
    const moved = { ...plain, entryId: `years-${at}`, line: 0, quantity: Math.abs(of.quantity) };
    yield `${at === 0 ? '' : ',\n'}${JSON.stringify(moved)}`;
  }
  yield '],\n"journal":[\n';
  for (let at = 0; at < changes; at += 1) {
    const before = demo.materials[at % demo.materials.length];
    const day = Math.floor(at / demo.materials.length);
    const on = new Date(Date.UTC(2010, 0, 1) + day * 86_400_000).toISOString().slice(0, 10);
    const entry = { on, part: 'materials', id: before?.id, before };
    yield `${at === 0 ? '' : ',\n'}${JSON.stringify(entry)}`;
  }
  yield ']}\n';
}
