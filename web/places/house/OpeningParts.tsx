import type { Fault } from '@bienestar/contract/check';
import { Button } from '../../parts/Button';
import { Sheet } from '../../parts/Sheet';
import type { OpeningState } from '../../store/openHouse';

const MOST_FAULTS_SHOWN = 12;

/** How far a house is opened, and the way to break it off. */
export function OpeningSheet({
  state,
  onBreakOff,
}: {
  readonly state: OpeningState;
  readonly onBreakOff: () => void;
}) {
  const share = state.state === 'opening' ? state.share : 0;
  const percent = Math.round(share * 100);
  return (
    <Sheet
      open={state.state === 'opening'}
      onClose={onBreakOff}
      title="Opening the house"
      description="All of it is checked first. Until the end nothing is changed, and everybody goes on working."
      actions={<Button onClick={onBreakOff}>Break off</Button>}
    >
      <div
        role="progressbar"
        aria-label="Read and checked"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={percent}
        className="h-2 overflow-hidden rounded-sm bg-sunk"
      >
        <div className="h-full bg-palm" style={{ width: `${percent}%` }} />
      </div>
      <p className="text-sm text-ink-soft">
        {share === 0
          ? 'A safe copy of the house as it is is made first.'
          : `${percent} % read and checked`}
      </p>
    </Sheet>
  );
}

/** Why a house was not opened, each fault with its place in the file. */
export function OpeningFaults({ state }: { readonly state: OpeningState }) {
  if (state.state !== 'refused') return null;
  const { faults } = state;
  return (
    <div role="alert" className="border-l-2 border-clay bg-clay-wash px-3 py-2 text-sm">
      <p className="font-semibold">▲ It was not opened; nothing was changed.</p>
      <ul>
        {faults.slice(0, MOST_FAULTS_SHOWN).map((fault: Fault) => (
          <li key={`${fault.pointer} ${fault.message}`}>
            {fault.pointer && <code className="mr-2">{fault.pointer}</code>}
            {fault.message}
          </li>
        ))}
      </ul>
      {faults.length > MOST_FAULTS_SHOWN && <p>and {faults.length - MOST_FAULTS_SHOWN} more.</p>}
    </div>
  );
}
