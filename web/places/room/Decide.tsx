import type { Choice } from '@bienestar/core/house/house';
import type { OptionId } from '@bienestar/core/house/ids';
import { KnuckleButton } from './KnuckleButton';

interface DecideProps {
  readonly choice: Choice;
  readonly onDecide: (option: OptionId) => void;
}

/** What is decided at the couch, when it comes up: one tap, and the visit goes on as it says. */
export function Decide({ choice, onDecide }: DecideProps) {
  return (
    <section
      role="alertdialog"
      aria-label="To decide"
      className="flex flex-1 flex-col justify-center gap-4 border-l-8 border-palm bg-palm-wash px-4 py-5 sm:px-6"
    >
      <h2 className="text-4xl">{choice.name}</h2>
      <div className="flex flex-wrap gap-3">
        {choice.options.map(({ id, name }, at) => (
          <KnuckleButton key={id} look="answer" onClick={() => onDecide(id)}>
            {name}
            {at === 0 && <span className="block text-base font-normal">as usual</span>}
          </KnuckleButton>
        ))}
      </div>
    </section>
  );
}
