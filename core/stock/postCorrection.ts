import { ok, type Outcome } from '../problem/problem';
import type { CorrectionEntry } from './entries';
import { heldIn, moves, no, type Books, type Draft, type Posting } from './posting';
import { sumExactly } from '../house/stock';

/** The opposite of an earlier entry, as long as nothing of it has been taken since. */
export function postCorrection(
  entry: CorrectionEntry,
  { material, stock, corrected = [], alreadyCorrected = false }: Books,
  at: string,
): Outcome<Posting> {
  if (entry.note.trim() === '') {
    return no('reason-missing', entry, 'note', 'Say in a word why the entry is taken back.');
  }
  if (corrected.length === 0) {
    return no('entry-unknown', entry, 'corrects', 'The entry that is taken back is not there.');
  }
  if (alreadyCorrected) {
    return no('taken-back-already', entry, 'corrects', 'This entry has already been taken back.');
  }
  if (corrected.some((movement) => movement.kind === 'correction')) {
    return no(
      'correction-of-correction',
      entry,
      'corrects',
      'A correction is not taken back: enter anew what is right.',
    );
  }
  const drafts: Draft[] = [];
  const before = new Map<string, number>();
  const after = new Map<string, number>();
  for (const { lotId, containerId, quantity } of corrected) {
    const lot = stock.lots.find((each) => each.id === lotId);
    const key = `${lotId}/${containerId ?? ''}`;
    const held = (lot && heldIn(lot, containerId)) ?? 0;
    before.set(key, held);
    after.set(key, sumExactly([after.get(key) ?? held, -quantity]));
    drafts.push({ lotId, ...(containerId && { containerId }), quantity: -quantity });
  }
  /* Where there was less than nothing already, giving back is not taking. */
  if ([...after].some(([key, held]) => held < Math.min(0, before.get(key) ?? 0))) {
    return no(
      'taken-since',
      entry,
      'corrects',
      `Part of this ${material.name} has been taken since, so the entry cannot be taken back: count what is there instead.`,
    );
  }
  return ok({
    movements: moves(
      entry,
      at,
      drafts.map((draft) => ({ ...draft, corrects: entry.corrects })),
    ),
  });
}
