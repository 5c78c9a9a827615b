import { ArrowLeft, Keyboard, Redo2, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button, IconButton } from '../../parts/Button';
import {
  redone,
  retried,
  undone,
  type ProtocolDraft,
  type Saving,
} from '../../store/protocolDrafts';
import { useAppDispatch } from '../../store/store';
import { Shortcuts } from './Shortcuts';
import type { EditProtocol } from './useProtocolDraft';

interface WorkbenchHeaderProps {
  readonly draft: ProtocolDraft;
  readonly edit: EditProtocol;
}

/** The protocol's name, whether it is saved, and the way back and forth through its edits. */
export function WorkbenchHeader({ draft, edit }: WorkbenchHeaderProps) {
  const dispatch = useAppDispatch();
  const [helping, setHelping] = useState(false);
  const { present, past, future, saving } = draft;
  return (
    <header className="flex h-14 shrink-0 items-center gap-3 border-b border-line px-6">
      <Link
        to="/protocols"
        aria-label="All protocols"
        title="All protocols"
        className="inline-flex size-8 items-center justify-center rounded-sm text-ink-soft hover:bg-sunk"
      >
        <ArrowLeft aria-hidden size={18} />
      </Link>
      <h1 className="min-w-0 flex-1 text-2xl">
        <NameInput
          name={present.name}
          onCommit={(name) => edit((protocol) => ({ ...protocol, name }), 'name')}
        />
      </h1>
      <SavedState saving={saving} onRetry={() => dispatch(retried(present.id))} />
      <IconButton
        label="Undo"
        aria-keyshortcuts="Control+Z"
        disabled={past.length === 0}
        onClick={() => dispatch(undone(present.id))}
      >
        <Undo2 aria-hidden size={18} />
      </IconButton>
      <IconButton
        label="Redo"
        aria-keyshortcuts="Control+Y"
        disabled={future.length === 0}
        onClick={() => dispatch(redone(present.id))}
      >
        <Redo2 aria-hidden size={18} />
      </IconButton>
      <IconButton label="Keys of the workbench" onClick={() => setHelping(true)}>
        <Keyboard aria-hidden size={18} />
      </IconButton>
      <Shortcuts open={helping} onClose={() => setHelping(false)} />
    </header>
  );
}

function NameInput({
  name,
  onCommit,
}: {
  readonly name: string;
  readonly onCommit: (name: string) => void;
}) {
  const [emptied, setEmptied] = useState(false);
  return (
    <input
      type="text"
      aria-label="Name of the protocol"
      aria-invalid={emptied}
      title={emptied ? 'A protocol needs a name.' : undefined}
      autoComplete="off"
      maxLength={120}
      className="h-10 w-full min-w-0 truncate rounded-sm border border-transparent bg-transparent px-2 font-serif text-2xl hover:border-line-strong focus:border-line-strong focus:bg-sheet aria-invalid:border-clay"
      value={emptied ? '' : name}
      onChange={(event) => {
        const text = event.target.value;
        setEmptied(text.trim() === '');
        if (text.trim() !== '') onCommit(text);
      }}
      onBlur={() => setEmptied(false)}
    />
  );
}

function SavedState({
  saving,
  onRetry,
}: {
  readonly saving: Saving;
  readonly onRetry: () => void;
}) {
  const bad = saving.state === 'away' || saving.state === 'refused' || saving.state === 'conflict';
  return (
    <div
      role="status"
      className={`flex items-center gap-2 text-sm ${bad ? 'font-semibold text-clay' : 'text-ink-soft'}`}
    >
      {savedWords(saving)}
      {saving.state === 'refused' && (
        <Button weight="quiet" onClick={onRetry}>
          Try again
        </Button>
      )}
    </div>
  );
}

function savedWords(saving: Saving): string {
  switch (saving.state) {
    case 'saved':
      return 'saved';
    case 'waiting':
    case 'saving':
      return 'saving …';
    case 'away':
      return 'kept on this machine, not saved yet';
    case 'refused':
      return `not saved: ${saving.message}`;
    case 'conflict':
      return 'changed by somebody else';
  }
}
