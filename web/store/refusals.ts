import type { FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import { PROBLEM_TYPES, type ProblemDocument } from '@bienestar/contract/problems';

/** What a refused request means to the person. */
export type Refused =
  | { readonly kind: 'away'; readonly message: string }
  | { readonly kind: 'refused'; readonly document: ProblemDocument };

/** Reads an error of a request: a refusal in the server's words, or nobody there. */
export function refusedBy(error: unknown): Refused {
  const failed = error as Partial<FetchBaseQueryError> | undefined;
  const document = failed && 'data' in failed ? failed.data : undefined;
  if (isProblem(document) && isAnswer(document)) return { kind: 'refused', document };
  return {
    kind: 'away',
    message: isProblem(document)
      ? document.detail
      : 'The house does not answer just now. What you typed is kept: press again when it does.',
  };
}

/** The same in a sentence. */
export function refusalWords(error: unknown): string {
  const refused = refusedBy(error);
  return refused.kind === 'away' ? refused.message : faultWords(refused.document);
}

/** What is wrong, in a sentence: the first fault, where there are several. */
export function faultWords({ errors, detail }: ProblemDocument): string {
  return errors?.[0]?.message ?? detail;
}

/** Whether a problem is an answer, and not that nobody could give one just now. */
function isAnswer({ status, type }: ProblemDocument): boolean {
  return status < 500 || type === PROBLEM_TYPES.internal;
}

function isProblem(value: unknown): value is ProblemDocument {
  return typeof value === 'object' && value !== null && 'status' in value && 'detail' in value;
}
