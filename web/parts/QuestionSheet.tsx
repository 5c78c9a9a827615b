import type { OpenQuestion } from './ask';
import { Button } from './Button';
import { Sheet } from './Sheet';

/** A question, and what can be done about it. Escape leaves it. */
export function QuestionSheet({ question }: { readonly question: OpenQuestion }) {
  const { title, words, yes, answer } = question;
  return (
    <Sheet
      open
      onClose={() => answer(false)}
      title={title}
      actions={
        <>
          <Button onClick={() => answer(false)}>Leave it</Button>
          <Button weight="danger" onClick={() => answer(true)}>
            {yes}
          </Button>
        </>
      }
    >
      <p>{words}</p>
    </Sheet>
  );
}
