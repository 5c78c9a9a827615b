import type { Edition } from '../house/edition';
import type { Mix, Protocol, Step } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import type { MixId } from '../house/ids';
import { ok, type Outcome } from '../problem/problem';
import { expandBlocks, type Blocks } from './expandBlocks';

/**
 * A draft as an edition: its blocks written out, and with it the recipes it uses, so that neither a
 * later block nor a later recipe changes it.
 * @returns problems of blocks that are missing or contain themselves
 */
export function editionFrom(
  draft: Protocol,
  house: { readonly blocks: Blocks; readonly mixes: ShelfIndex['mixes'] },
  said: Pick<Edition, 'number' | 'publishedAt' | 'note'>,
): Outcome<Edition> {
  const written = expandBlocks(draft, house.blocks, { protocolId: draft.id });
  if (!written.ok) return written;
  const protocol: Protocol = { ...draft, ...written.value };
  const { number, publishedAt, note } = said;
  return ok({
    protocolId: draft.id,
    number,
    publishedAt,
    note,
    protocol,
    mixes: mixesUsed(written.value.steps, house.mixes),
  });
}

/** The draft to which an edition goes back: what it says, under the name the protocol has now. */
export function draftFrom(edition: Edition, now: Protocol): Protocol {
  return { ...edition.protocol, id: now.id, name: now.name };
}

/** The mixes that steps use, and those within them, in the order of first mention. */
function mixesUsed(steps: readonly Step[], mixes: ShelfIndex['mixes']): Mix[] {
  const used = new Map<MixId, Mix>();
  const visit = (id: MixId): void => {
    const mix = mixes.get(id);
    if (!mix || used.has(id)) return;
    used.set(id, mix);
    const recipes = mix.recipes ?? [];
    for (const { source } of [...mix.parts, ...recipes.flatMap((each) => each.parts)]) {
      if (source.kind === 'mix') visit(source.mixId);
    }
  };
  for (const { doses, makes = [] } of steps) {
    for (const { source } of doses) if (source.kind === 'mix') visit(source.mixId);
    makes.forEach(visit);
  }
  return [...used.values()];
}
