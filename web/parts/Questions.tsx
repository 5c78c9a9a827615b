import { lazy, Suspense, useEffect, useState } from 'react';
import { showQuestionsBy, type OpenQuestion } from './ask';

const QuestionSheet = lazy(async () => ({
  default: (await import('./QuestionSheet')).QuestionSheet,
}));

/** Where questions are shown. */
export function Questions() {
  const [question, setQuestion] = useState<OpenQuestion>();
  useEffect(
    () =>
      showQuestionsBy((next) =>
        setQuestion((before) => {
          if (next) before?.answer(false);
          return next;
        }),
      ),
    [],
  );
  if (!question) return null;
  return (
    <Suspense>
      <QuestionSheet question={question} />
    </Suspense>
  );
}
