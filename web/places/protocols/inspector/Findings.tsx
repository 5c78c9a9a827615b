import type { Problem } from '@bienestar/core/problem/problem';
import type { Finding } from '@bienestar/core/review/finding';
import { percent } from '../../../format/figures';
import { Problems } from '../../../parts/Problems';

interface FindingsProps {
  readonly problems: readonly Problem[];
  readonly findings: readonly Finding[];
}

/** What keeps figures from being counted, what does not fit, and what should be thought of. */
export function Findings({ problems, findings }: FindingsProps) {
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
          {prompts.map(withChance).map(({ message }) => (
            <li key={message}>
              <span aria-hidden>● </span>
              {message}
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
