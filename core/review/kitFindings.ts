import { drawsOf } from '../draws/drawsOf';
import { kitsTaken } from '../draws/kitsTaken';
import { problem } from '../problem/problem';
import type { Finding, ReviewedProtocol } from './finding';

/**
 * Kits of which a visit opens more than one box, or more than its share of a box for several visits: too much of
 * one part is asked for.
 * @see D6
 */
export function kitFindings({ worked, shelf, settings }: ReviewedProtocol): Finding[] {
  const usesKits = worked.steps.some(({ doses }) =>
    doses.some(({ source }) => source.kind === 'material' && source.part !== undefined),
  );
  const draws = usesKits ? drawsOf(worked, 'returning', shelf, settings) : undefined;
  if (!draws?.ok) return [];
  return [...kitsTaken(draws.value)].flatMap(([id, { parts, boxes }]): Finding[] => {
    const kit = shelf.materials.get(id);
    if (kit?.kind !== 'kit') return [];
    const visits = kit.forVisits ?? 1;
    const share = 1 / visits;
    const over = kit.parts.find(
      ({ id: part, amount }) => (parts.get(part)?.usual ?? 0) > amount * share * (1 + 1e-9),
    );
    const step = draws.value.findLast((draw) => draw.materialId === id);
    if (!over || !step || boxes.usual <= share * (1 + 1e-9)) return [];
    const held = Math.round(over.amount * share * 100) / 100;
    const perVisit = visits === 1 ? 'A box' : `For each of ${visits} visits, a box`;
    return [
      {
        weight: 'prompt',
        ...problem(
          'kit-not-enough',
          `${perVisit} of ${kit.name} holds ${held} ${over.unit} of ${over.name}, and a visit takes more: another is opened for it.`,
          { protocolId: worked.id, stepId: step.stepId, field: 'doses' },
        ),
      },
    ];
  });
}
