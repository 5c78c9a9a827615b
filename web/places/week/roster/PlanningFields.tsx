import { LIMITS, within } from '@bienestar/contract/limits';
import type { WeekSettings } from '@bienestar/core/house/house';
import { weekSettingsOf } from '@bienestar/core/week/capacity';
import { NumberField } from '../../../parts/NumberField';
import { PercentField } from '../../../parts/PercentField';
import { useHouse } from '../../../store/house';
import { useChangeSettings } from '../../../store/useEditPart';

/** How the house plans its weeks. */
export function PlanningFields() {
  const house = useHouse();
  const change = useChangeSettings();
  const week = weekSettingsOf(house);
  const set = (changes: Partial<WeekSettings>) =>
    change(({ week: latest }) => ({ week: { ...week, ...latest, ...changes } }));
  return (
    <section className="flex flex-col gap-2 border-t border-line pt-4">
      <h2 className="text-lg">How it plans</h2>
      <PercentField
        label="Of the open time of rooms, visits fill at most"
        value={week.roomShare}
        onCommit={(roomShare) => set({ roomShare })}
      />
      <NumberField
        label="From room to room it takes"
        unit="min"
        commitOn="leaving"
        value={week.walkMinutes}
        check={within(LIMITS.walkMinutes)}
        onCommit={(walkMinutes) => set({ walkMinutes })}
      />
      <NumberField
        label="A guest may wait for hands"
        unit="min"
        commitOn="leaving"
        value={week.waitMinutes}
        check={within(LIMITS.waitMinutes)}
        onCommit={(waitMinutes) => set({ waitMinutes })}
      />
    </section>
  );
}
