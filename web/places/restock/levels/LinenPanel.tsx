import { LIMITS, within } from '@bienestar/contract/limits';
import type { LinenLoop, LinenMaterial } from '@bienestar/core/house/house';
import type { LinenLevel } from '@bienestar/core/restock/restocker';
import { explainPar } from '@bienestar/core/explain/explainReorder';
import { counted, number } from '../../../format/figures';
import { NumberField } from '../../../parts/NumberField';
import { WorkedFigure } from '../../../parts/working/WorkedFigure';
import { useSnapshot } from '../../../store/house';
import { useChange } from '../../../store/useEditPart';

interface LinenPanelProps {
  readonly material: LinenMaterial;
  readonly level: LinenLevel;
}

/** Linen goes round: how many pieces the house must own, and how many it has. */
export function LinenPanel({ material, level }: LinenPanelProps) {
  const kept = useSnapshot().materials.find(({ id }) => id === material.id);
  const change = useChange('materials', kept);
  const loop: LinenLoop = {
    pieces: level.pieces,
    washDays: level.washDays,
    safetyDays: level.safetyDays,
  };
  const put = (changes: Partial<LinenLoop>): Promise<string | undefined> =>
    change((latest) =>
      latest.kind === 'linen' ? { loop: { ...loop, ...latest.loop, ...changes } } : {},
    );
  return (
    <div className="flex flex-col gap-4">
      <h2 className="text-2xl">{material.name}</h2>
      <p>
        <WorkedFigure
          label={`Par level of ${material.name}`}
          text={counted(level.par, 'piece')}
          className="font-serif text-2xl"
          working={() => explainPar(material, level)}
        />{' '}
        must go round at {number(level.perDay, 1)} a day.
      </p>
      {level.short > 0 ? (
        <p className="font-semibold text-clay">
          ▲ {counted(level.short, 'piece')} too few: buy them, or wash more often.
        </p>
      ) : (
        <p className="text-ink-soft">There are enough.</p>
      )}
      <div className="grid grid-cols-3 gap-3">
        <NumberField
          label="Pieces in the house"
          unit="pcs"
          commitOn="leaving"
          value={loop.pieces}
          check={within(LIMITS.linenPieces)}
          onCommit={(pieces) => put({ pieces })}
        />
        <NumberField
          label="At the wash"
          unit="days"
          commitOn="leaving"
          value={loop.washDays}
          check={within(LIMITS.linenDays)}
          onCommit={(washDays) => put({ washDays })}
        />
        <NumberField
          label="For safety"
          unit="days"
          commitOn="leaving"
          value={loop.safetyDays}
          check={within(LIMITS.linenDays)}
          onCommit={(safetyDays) => put({ safetyDays })}
        />
      </div>
    </div>
  );
}
