import { Checkbox } from 'radix-ui';
import { Check } from 'lucide-react';
import { useMemo, useState } from 'react';
import { withoutVersions } from '@bienestar/contract/api';
import type { Scenario } from '@bienestar/core/house/house';
import {
  adoptionOf,
  adoptsNothing,
  closedFor,
  type Adoption,
} from '@bienestar/core/whatIf/adoption';
import { number } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { Sheet } from '../../../parts/Sheet';
import { useSnapshot } from '../../../store/house';
import { useToday } from '../../../store/clock';
import { useAdopt } from '../../../store/useAdopt';
import { changeWords } from './changeWords';

interface AdoptSheetProps {
  readonly scenario: Scenario;
  readonly onClose: () => void;
}

/** Which changes of a scenario become the house, and what is written for them. */
export function AdoptSheet({ scenario, onClose }: AdoptSheetProps) {
  const snapshot = useSnapshot();
  const adopt = useAdopt();
  const today = useToday();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [busy, setBusy] = useState(false);
  const house = useMemo(() => withoutVersions(snapshot), [snapshot]);
  const changes = scenario.changes.filter(({ id }) => !left.has(id));
  const adoption = adoptionOf(house, changes);
  const put = async (): Promise<void> => {
    setBusy(true);
    const then = closedFor(scenario, changes, today);
    const done = await adopt(adoption, then, `${scenario.name} is how the house is now.`);
    setBusy(false);
    if (done) onClose();
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Adopt “${scenario.name}”`}
      description="What is ticked becomes the house, and is closed here; the rest stays a scenario."
      actions={
        <>
          <Button weight="quiet" onClick={onClose}>
            Not now
          </Button>
          <Button
            weight="main"
            disabled={busy || adoptsNothing(adoption)}
            onClick={() => void put()}
          >
            Adopt {number(changes.length)} of {number(scenario.changes.length)}
          </Button>
        </>
      }
    >
      <ul className="flex flex-col">
        {scenario.changes.map((change) => (
          <li key={change.id} className="border-b border-line py-1.5">
            <label className="flex items-center gap-3">
              <Checkbox.Root
                checked={!left.has(change.id)}
                onCheckedChange={(checked) => {
                  const next = new Set(left);
                  if (checked === true) next.delete(change.id);
                  else next.add(change.id);
                  setLeft(next);
                }}
                className="flex size-4 shrink-0 items-center justify-center border border-line-strong bg-sheet data-[state=checked]:bg-palm"
              >
                <Checkbox.Indicator>
                  <Check aria-hidden size={12} className="text-on-fill" />
                </Checkbox.Indicator>
              </Checkbox.Root>
              {changeWords(change, house)}
            </label>
          </li>
        ))}
      </ul>
      <p className="mt-4 text-sm text-ink-soft">{writtenWords(adoption)}</p>
      {adoption.toPublish.length > 0 && (
        <p className="mt-2 border-l-2 border-clay pl-3 text-sm">
          The drafts of {adoption.toPublish.map(({ name }) => name).join(', ')} change; what is sold
          is worked by the published editions until you publish them anew.
        </p>
      )}
      {adoption.gone.length > 0 && (
        <p className="mt-2 border-l-2 border-clay pl-3 text-sm">
          ▲{' '}
          {adoption.gone
            .flatMap(({ problems }) => problems.map(({ message }) => message))
            .join(' ')}
        </p>
      )}
    </Sheet>
  );
}

function writtenWords(adoption: Adoption): string {
  const counted = (
    [
      ['person', 'people', adoption.people.length],
      ['material', 'materials', adoption.materials.length],
      ['mix', 'mixes', adoption.mixes.length],
      ['block', 'blocks', adoption.blocks.length],
      ['protocol', 'protocols', adoption.protocols.length],
      ['service', 'services', adoption.services.length],
      ['line of the plan', 'lines of the plan', adoption.demand.length],
    ] as const
  ).flatMap(([one, many, count]) =>
    count === 0 ? [] : [`${number(count)} ${count === 1 ? one : many}`],
  );
  const all = [...(adoption.settings ? ['the settings of the house'] : []), ...counted];
  return all.length === 0 ? 'Nothing would be written.' : `Written are: ${all.join(', ')}.`;
}
