import { toast } from '../../parts/toast';
import { minorPerMajor } from '@bienestar/contract/currency';
import type { Material } from '@bienestar/core/house/house';
import type { MaterialId } from '@bienestar/core/house/ids';
import { parseDecimal } from '../../format/decimal';
import { number } from '../../format/figures';
import { useHouse, useSnapshot } from '../../store/house';
import { useSaveWithUndo } from '../../store/useSaveMaterials';

/**
 * Takes a column of prices out of a spreadsheet, one for each of the materials from the first on; all
 * of it or, when a line is no price, nothing.
 */
export function usePastePrices(): (materials: readonly Material[], text: string) => void {
  const { currency } = useHouse().settings;
  const snapshot = useSnapshot();
  const save = useSaveWithUndo();
  return (materials, text) => {
    const lines = text.trim().split(/\r?\n/);
    const prices = new Map<MaterialId, number>();
    const bought = materials.filter(({ kind }) => kind !== 'linen');
    for (const [at, line] of lines.entries()) {
      const price = parseDecimal(line.replace(/[€$£]/g, ''));
      const material = bought[at];
      if (price === undefined || price < 0) {
        toast.error(`Line ${at + 1}, “${line}”, is not a price. Nothing was changed.`);
        return;
      }
      if (!material) break;
      prices.set(material.id, Math.round(price * minorPerMajor(currency)));
    }
    const before = snapshot.materials.filter(({ id }) => prices.has(id));
    const after = before.map((material): Material =>
      material.kind === 'linen'
        ? material
        : {
            ...material,
            packs: material.packs.map((pack) =>
              pack.id === material.preferredPackId
                ? { ...pack, priceMinor: prices.get(material.id) ?? pack.priceMinor }
                : pack,
            ),
          },
    );
    void save(before, after, 'hand', `${number(prices.size)} prices taken over.`);
  };
}
