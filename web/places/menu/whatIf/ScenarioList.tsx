import { Checkbox } from 'radix-ui';
import { Check } from 'lucide-react';
import { Link } from 'react-router';
import type { Scenario } from '@bienestar/core/house/house';

interface ScenarioListProps {
  readonly scenarios: readonly Scenario[];
  readonly chosenId: string;
  /** those that stand in the table */
  readonly beside: readonly string[];
  /** no further one fits beside */
  readonly full: boolean;
  readonly onBeside: (id: string, on: boolean) => void;
}

/** The scenarios that are kept: one in hand, others beside it when they are ticked. */
export function ScenarioList({ scenarios, chosenId, beside, full, onBeside }: ScenarioListProps) {
  return (
    <ul aria-label="Kept scenarios" className="flex flex-col">
      {scenarios.map(({ id, name }) => {
        const chosen = id === chosenId;
        const on = beside.includes(id);
        return (
          <li key={id} className="flex items-center gap-3 border-b border-line py-1.5">
            <Checkbox.Root
              checked={on}
              disabled={chosen || (full && !on)}
              aria-label={`${name} beside`}
              onCheckedChange={(checked) => onBeside(id, checked === true)}
              className="flex size-4 shrink-0 items-center justify-center border border-line-strong bg-sheet disabled:opacity-45 data-[state=checked]:bg-palm"
            >
              <Checkbox.Indicator>
                <Check aria-hidden size={12} className="text-on-fill" />
              </Checkbox.Indicator>
            </Checkbox.Root>
            <Link
              to={`/menu/what-if/${id}`}
              aria-current={chosen ? 'true' : undefined}
              className="min-w-0 flex-1 font-serif text-lg leading-tight break-words hover:text-clay hover:underline aria-[current=true]:font-bold"
            >
              {name}
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
