import { useMemo, useState, type ReactNode } from 'react';
import type { House } from '@bienestar/core/house/house';
import { applyScenario } from '@bienestar/core/whatIf/compareScenarios';
import { Choice } from '../../parts/Choice';
import { useHouse } from '../../store/house';

const NONE = 'none';

/** The house whose week is looked at: as it is, or as a scenario has it; and the choice between them. */
export function useWeekHouse(): { readonly house: House; readonly choice: ReactNode } {
  const now = useHouse();
  const [id, setId] = useState<string>(NONE);
  const scenario = now.scenarios.find((each) => each.id === id);
  const house = useMemo(
    () => (scenario ? applyScenario(now, scenario).house : now),
    [now, scenario],
  );
  const choice = now.scenarios.length > 0 && (
    <Choice
      labelHidden
      className="w-44"
      label="As in a scenario"
      value={scenario ? id : NONE}
      options={[
        { value: NONE, label: 'the house as it is' },
        ...now.scenarios.map((each) => ({ value: each.id as string, label: each.name })),
      ]}
      onChoose={setId}
    />
  );
  return { house, choice };
}
