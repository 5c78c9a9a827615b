import { percent } from '../format/figures';

interface ShareSeenProps {
  readonly label: string;
  /** shares, parts of 1: what was seen, and between what it lies */
  readonly share: number;
  readonly low: number;
  readonly high: number;
  /** what is written */
  readonly written: number;
  readonly writtenWords: string;
}

const at = (share: number): string => `${share * 100}%`;

/** A share that was seen, between what it lies, and the one that is written. */
export function ShareSeen({ label, share, low, high, written, writtenWords }: ShareSeenProps) {
  return (
    <div role="img" aria-label={label} className="relative mt-2 h-16 max-w-xl text-xs">
      <span className="absolute inset-x-0 top-7 border-t border-line-strong" />
      <span
        className="absolute top-5 h-4 border border-palm bg-palm-wash"
        style={{ left: at(low), width: at(high - low) }}
      />
      <span className="absolute top-4 h-6 w-0.5 bg-ink" style={{ left: at(share) }} />
      <span
        className="absolute top-3 h-8 border-l-2 border-dashed border-clay"
        style={{ left: at(written) }}
      />
      <span
        className="absolute top-0 -translate-x-1/2 whitespace-nowrap"
        style={{ left: at(share) }}
      >
        seen {percent(share, 0)}
      </span>
      <span
        className={`absolute top-11 whitespace-nowrap text-clay ${written > 0.5 ? '-translate-x-full' : ''}`}
        style={{ left: at(written) }}
      >
        {writtenWords}
      </span>
    </div>
  );
}
