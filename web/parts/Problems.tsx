import type { Problem } from '@bienestar/core/problem/problem';

/** What cannot be computed, and why, once each. */
export function Problems({ problems }: { readonly problems: readonly Problem[] }) {
  const messages = [...new Set(problems.map((problem) => problem.message))];
  if (messages.length === 0) return null;
  return (
    <ul className="flex flex-col gap-1 border-l-2 border-clay bg-clay-wash px-3 py-2 text-sm">
      {messages.map((message) => (
        <li key={message}>
          <span aria-hidden className="text-clay">
            ▲{' '}
          </span>
          {message}
        </li>
      ))}
    </ul>
  );
}
