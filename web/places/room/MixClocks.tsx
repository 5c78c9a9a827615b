import { mixClock } from '@bienestar/core/run/mixClocks';
import type { RunWork } from './useRunWork';
import { clockWords } from './roomWords';

const LOOKS = {
  stands: 'bg-sunk',
  ready: 'bg-palm-wash font-semibold',
  over: 'bg-clay text-on-fill font-bold',
} as const;
const WORDS = { stands: 'stands', ready: '✓ ready', over: '▲ OVER: make it anew' } as const;

/** Mixes that were made: how long they stand yet, that they are ready, or that they are over. */
export function MixClocks({ at, now }: { readonly at: RunWork; readonly now: number }) {
  const clocks = at.tray.flatMap(({ key, name, made }) => {
    const clock = made && mixClock(key, made, at.plan, at.state, now);
    return clock ? [{ key, name: name.replace(/^Mix: /, ''), clock }] : [];
  });
  if (clocks.length === 0) return null;
  return (
    <ul aria-label="Mixes" className="flex flex-wrap">
      {clocks.map(({ key, name, clock: { stage, minutes, of } }) => (
        <li
          key={key}
          className={`flex flex-1 items-center gap-3 px-4 py-2 text-lg sm:px-6 ${LOOKS[stage]}`}
        >
          <span className="min-w-0 flex-1">
            {name}: {WORDS[stage]}
          </span>
          <span className="tabular-nums" role="timer" aria-label={`${name} since it was made`}>
            {clockWords(minutes)}
            {of === undefined ? '' : ` of ${clockWords(of)}`}
          </span>
        </li>
      ))}
    </ul>
  );
}
