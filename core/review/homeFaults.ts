import { drawableMaterial, resolveAmount } from '../dose/resolveAmount';
import type { HomeUse, Lasting, WorkedProtocol } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import { chosenPack } from '../house/packs';
import type { HouseSettings } from '../house/settings';
import type { Finding } from './finding';

const DAYS: Readonly<Record<Lasting['unit'], number>> = { hours: 1 / 24, days: 1, weeks: 7 };
const SLACK = 1e-6;

/** How many times something is used at home in all. */
export function timesAtHome({ at, for: lasting }: Pick<HomeUse, 'at' | 'for'>): number {
  const days = Math.ceil((lasting.upTo ?? lasting.amount) * DAYS[lasting.unit] - SLACK);
  return days * at.length;
}

/** Where what is used at home lasts longer than one pack of it does, or is no longer on the shelf. */
export function homeFaults(
  { around, id }: Pick<WorkedProtocol, 'around' | 'id'>,
  shelf: ShelfIndex,
  settings: HouseSettings,
): Finding[] {
  const say = (message: string): Finding => ({
    weight: 'prompt',
    code: 'home-runs-out',
    message,
    where: { protocolId: id, field: 'around' },
  });
  return (around?.home ?? []).flatMap((use): Finding[] => {
    const material = shelf.materials.get(use.materialId);
    if (!material || material.kind === 'linen')
      return [say('Something that is used at home is no longer on the shelf.')];
    const each = resolveAmount(use.amount, [], drawableMaterial(material), settings, {});
    if (!each.ok) return each.problems.map(({ message }) => say(`At home: ${message}`));
    const pack = chosenPack(material);
    const holds = pack.containers * pack.content;
    const needed = each.value.drawn.high * timesAtHome(use);
    return needed > holds + SLACK
      ? [
          say(
            `At home ${rounded(needed)} ${material.unit} of ${material.name} are used, and a pack holds ${rounded(holds)}.`,
          ),
        ]
      : [];
  });
}

function rounded(value: number): number {
  return Math.round(value * 10) / 10;
}
