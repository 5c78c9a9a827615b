import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { compareScenarios, type ComparedScenario } from '@bienestar/core/whatIf/compareScenarios';
import { EmptyPlace } from '../../../parts/EmptyPlace';
import { useHouse, useSnapshot } from '../../../store/house';
import { MenuHeader } from '../MenuHeader';
import { ComparedTable } from './ComparedTable';
import { ScenarioEditor } from './ScenarioEditor';
import { ScenarioList } from './ScenarioList';
import { NewScenario } from './NewScenario';

const MOST_BESIDE = 3;
/* Today and the scenarios beside it: going from one to the other computes nothing anew. */
const calculate = createCalculator(MOST_BESIDE + 1, 'services');

/** What if: scenarios beside the house as it is, without touching it. */
export function WhatIfPlace() {
  const house = useHouse();
  const { scenarios } = useSnapshot();
  const { scenarioId } = useParams();
  const navigate = useNavigate();
  const [beside, setBeside] = useState<readonly string[]>([]);
  const chosen = scenarios.find(({ id }) => id === scenarioId) ?? scenarios[0];
  const shown = useMemo(
    () =>
      scenarios.filter(({ id }) => id === chosen?.id || beside.includes(id)).slice(0, MOST_BESIDE),
    [scenarios, chosen?.id, beside],
  );
  const compared = useMemo(() => compareScenarios(house, shown, calculate), [house, shown]);
  const ofChosen = compared.find(({ scenario }) => scenario.id === chosen?.id);
  return (
    <div className="flex h-full flex-col">
      <MenuHeader title="What if">
        <NewScenario onMade={(id) => void navigate(`/menu/what-if/${id}`)} />
      </MenuHeader>
      {chosen && ofChosen ? (
        <div className="columns-of-place lg:grid-cols-[20rem_minmax(0,1fr)]">
          <aside
            aria-label="Scenarios"
            className="flex min-h-0 flex-col gap-5 overflow-y-auto border-r border-line bg-sheet px-6 py-4"
          >
            <ScenarioList
              scenarios={scenarios}
              chosenId={chosen.id}
              beside={shown.map(({ id }) => id)}
              full={shown.length >= MOST_BESIDE}
              onBeside={(id, on) =>
                setBeside((before) => (on ? [...before, id] : before.filter((each) => each !== id)))
              }
            />
            <ScenarioEditor key={chosen.id} scenario={chosen} compared={ofChosen} />
          </aside>
          <ComparedTable compared={chosenFirst(compared, chosen.id)} />
        </div>
      ) : (
        <div className="px-6 py-8">
          <EmptyPlace title="Nothing is tried yet">
            Begin a scenario: dearer prices, higher pay, another tax, a longer talk. The house stays
            as it is until you adopt it.
          </EmptyPlace>
        </div>
      )}
    </div>
  );
}

function chosenFirst(
  compared: readonly ComparedScenario[],
  id: string,
): readonly ComparedScenario[] {
  return compared.toSorted((a, b) => Number(b.scenario.id === id) - Number(a.scenario.id === id));
}
