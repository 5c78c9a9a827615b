import { useState } from 'react';
import { toast } from '../../parts/toast';
import type { Protocol } from '@bienestar/core/house/house';
import { mergeProtocols, type Side } from '@bienestar/core/protocol/mergeProtocols';
import type { Vocabulary } from '@bienestar/core/stepLine/vocabulary';
import { Button } from '../../parts/Button';
import { LaterNote } from '../../parts/LaterNote';
import { Segments } from '../../parts/Segments';
import { Sheet } from '../../parts/Sheet';
import { useAddMutation } from '../../store/api';
import { refusalWords } from '../../store/refusals';
import { closed, settled, withoutVersion, type Draft } from '../../store/drafts';
import { useHouse } from '../../store/house';
import { outbox, useAppDispatch } from '../../store/store';
import { changedWords, saidOf } from './conflictWords';

interface ConflictSheetProps {
  readonly draft: Draft;
  readonly words: Vocabulary;
}

/**
 * The choice after somebody else saved the same protocol: both, mine or theirs. Whatever is chosen can be
 * undone, and Escape puts it off.
 */
export function ConflictSheet({ draft, words }: ConflictSheetProps) {
  const dispatch = useAppDispatch();
  const house = useHouse();
  const [isLater, setIsLater] = useState(false);
  const [sides, setSides] = useState<Readonly<Record<string, Side>>>({});
  if (draft.saving.state !== 'conflict') return null;
  const { theirs } = draft.saving;
  if (!theirs) return <GoneSheet draft={draft} />;

  const { protocol: both, clashes } = mergeProtocols(
    withoutVersion(draft.base),
    draft.present,
    theirs,
    (key) => sides[key] ?? 'mine',
  );
  const settle = (present: Protocol): void => {
    dispatch(settled({ base: theirs, present }));
  };
  const keepTheirs = (): void => settle(withoutVersion(theirs));
  if (isLater) {
    return (
      <LaterNote
        words="Somebody else changed this protocol meanwhile. What you write is kept in this browser until you choose."
        onChoose={() => setIsLater(false)}
      />
    );
  }
  return (
    <Sheet
      open
      onClose={() => setIsLater(true)}
      wide
      title="Somebody else changed this protocol meanwhile"
      description="Choose how to go on. You can undo the choice; Escape leaves it for later."
      actions={
        <>
          <Button onClick={keepTheirs}>Take theirs</Button>
          <Button onClick={() => settle(draft.present)}>Keep only mine</Button>
          <Button weight="main" onClick={() => settle(both)}>
            Keep both
          </Button>
        </>
      }
    >
      <div className="grid grid-cols-2 gap-6 text-sm">
        <Changes title="You changed" from={draft.base} to={draft.present} />
        <Changes title="They changed" from={draft.base} to={theirs} />
      </div>
      {clashes.length === 0 ? (
        <p className="mt-4 text-sm text-ink-soft">
          The changes touch different things, so both can be kept.
        </p>
      ) : (
        <div className="mt-4 flex flex-col gap-2">
          <p className="text-sm text-ink-soft">
            Both of you changed these. To keep both, say whose stands for each.
          </p>
          {clashes.map(({ key, name }) => (
            <div key={key} className="border-t border-line pt-2">
              <Segments
                label={name}
                value={sides[key] ?? 'mine'}
                options={[
                  { value: 'mine', label: 'mine' },
                  { value: 'theirs', label: 'theirs' },
                ]}
                onChoose={(side) => setSides({ ...sides, [key]: side })}
              />
              <dl className="mt-1 grid grid-cols-2 gap-x-6 text-sm">
                <Said by="Mine" words={saidOf(key, draft.present, words, house)} />
                <Said by="Theirs" words={saidOf(key, theirs, words, house)} />
              </dl>
            </div>
          ))}
        </div>
      )}
    </Sheet>
  );
}

function Said({ by, words }: { readonly by: string; readonly words: string }) {
  return (
    <div>
      <dt className="text-xs text-ink-soft">{by}</dt>
      <dd>{words}</dd>
    </div>
  );
}

function Changes({
  title,
  from,
  to,
}: {
  readonly title: string;
  readonly from: Protocol;
  readonly to: Protocol;
}) {
  const lines = changedWords(from, to);
  return (
    <div>
      <h3 className="mb-1 font-sans text-sm font-semibold">{title}</h3>
      <ul className="list-disc pl-4">
        {lines.map((line, at) => (
          <li key={at}>{line}</li>
        ))}
        {lines.length === 0 && <li>nothing that can be seen</li>}
      </ul>
    </div>
  );
}

/** Somebody took the protocol away while it was being edited: it can be put back as it stands here, or later. */
function GoneSheet({ draft }: { readonly draft: Draft }) {
  const dispatch = useAppDispatch();
  const [isLater, setIsLater] = useState(false);
  const [add] = useAddMutation();
  const { id, name } = draft.present;
  const giveUp = (): void => {
    outbox.dropDraft(`${draft.part}/${id}`, draft.madeIn ?? outbox.window);
    dispatch(closed(id));
  };
  const putBack = async (): Promise<void> => {
    const made = await add({ part: draft.part, value: draft.present });
    if (!made.error) {
      giveUp();
      return;
    }
    toast.error(refusalWords(made.error));
  };
  if (isLater) {
    return (
      <LaterNote
        words={`${name} was removed from the house. What you write is kept in this browser until you choose.`}
        onChoose={() => setIsLater(false)}
      />
    );
  }
  return (
    <Sheet
      open
      onClose={() => setIsLater(true)}
      title={`${name} was removed from the house`}
      actions={
        <>
          <Button onClick={giveUp}>Let it go</Button>
          <Button weight="main" onClick={() => void putBack()}>
            Put it back as it is here
          </Button>
        </>
      }
    >
      <p>
        Somebody else removed this protocol while you were writing. What you have here is complete.
      </p>
    </Sheet>
  );
}
