import type { Problem } from '@bienestar/core/problem/problem';
import type { Finding } from '@bienestar/core/review/finding';
import { percent } from '../../../format/figures';
import { Problems } from '../../../parts/Problems';

interface FindingsProps {
  readonly problems: readonly Problem[];
  readonly findings: readonly Finding[];
  /** does what would put a finding right */
  readonly onFix?: (fix: NonNullable<Finding['fix']>) => void;
}

/** What keeps figures from being counted, what does not fit, and what should be thought of. */
export function Findings({ problems, findings, onFix }: FindingsProps) {
  const heavy = findings.filter((finding) => finding.weight !== 'prompt');
  const prompts = findings.filter((finding) => finding.weight === 'prompt');
  return (
    <>
      <Problems
        isTold
        problems={[
          ...problems.filter((problem) => problem.where.doseId === undefined),
          ...heavy.map(withChance),
        ]}
      />
      {prompts.length > 0 && (
        <ul className="flex flex-col gap-1 border-l-2 border-line-strong px-3 py-1 text-sm text-ink-soft">
          {prompts.map(withChance).map(({ message, fix }) => (
            <li key={message}>
              <span aria-hidden>● </span>
              {message}
              {fix && onFix && (
                <button
                  type="button"
                  onClick={() => onFix(fix)}
                  className="ml-1 font-semibold text-ink underline decoration-dotted underline-offset-4 hover:text-clay"
                >
                  Add it: {fix.add}
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

function withChance(finding: Finding): Finding {
  return finding.chance === undefined
    ? finding
    : {
        ...finding,
        message: `${finding.message} ${percent(finding.chance)} of visits pass it.`,
      };
}
