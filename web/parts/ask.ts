/* Questions before something is done that changes more than what is pressed. What shows them is loaded when the
   first is asked. */

/** A question that is answered by doing it, or leaving it. */
export interface Question {
  readonly title: string;
  readonly words: string;
  /** what the button says that does it */
  readonly yes: string;
}

/** A question that is open. */
export interface OpenQuestion extends Question {
  readonly answer: (yes: boolean) => void;
}

type Show = (question: OpenQuestion | undefined) => void;

let show: Show | undefined;

/** From now on questions are shown by this. */
export function showQuestionsBy(by: Show): () => void {
  show = by;
  return () => (show = undefined);
}

/** Asks, and answers whether it is to be done. Another question takes the place of one that is open. */
export function ask(question: Question): Promise<boolean> {
  return new Promise((resolve) => {
    const answer = (yes: boolean): void => {
      show?.(undefined);
      resolve(yes);
    };
    if (show) show({ ...question, answer });
    else resolve(true);
  });
}
