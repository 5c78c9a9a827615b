import { ArrowLeft, Keyboard, MoreHorizontal, Redo2, Undo2, UserRound } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Block } from '@bienestar/core/house/house';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import { asId } from '@bienestar/core/house/ids';
import { usersOfBlock } from '@bienestar/core/protocol/expandBlocks';
import { LONGEST_NAME } from '@bienestar/core/house/limits';
import { clientWords } from '../../format/protocolWords';
import { Button, IconButton } from '../../parts/Button';
import { redone, retried, undone, type Draft, type Saving } from '../../store/drafts';
import { useAppDispatch } from '../../store/store';
import { AboutSheet } from './AboutSheet';
import { AroundSheet } from './AroundSheet';
import { EditionsSheet } from './editions/EditionsSheet';
import { MatrixSheet } from './MatrixSheet';
import { Shortcuts } from './Shortcuts';
import type { EditProtocol } from './useDraft';
import { Menu, MenuLine } from '../../parts/Menu';
import type { ShownService } from './useShownService';

interface WorkbenchHeaderProps {
  readonly draft: Draft;
  readonly edit: EditProtocol;
  readonly shown: ShownService;
  readonly choosingClient: boolean;
  readonly onChooseClient: () => void;
}

type Laid = 'keys' | 'about' | 'around' | 'editions' | 'matrix';

/** The protocol's name, for whom it is shown, whether it is saved, its editions, and the ways to its card and tray. */
export function WorkbenchHeader({
  draft,
  edit,
  shown,
  choosingClient,
  onChooseClient,
}: WorkbenchHeaderProps) {
  const dispatch = useAppDispatch();
  const [params] = useSearchParams();
  const [laid, setLaid] = useState<Laid | undefined>(
    params.has('editions') ? 'editions' : undefined,
  );
  const { present, past, future, saving, part } = draft;
  const isProtocol = part === 'protocols';
  const put = (): void => setLaid(undefined);
  return (
    <header className="flex min-h-14 shrink-0 flex-wrap items-center gap-2 border-b border-line px-3 sm:px-6">
      <Link
        to="/protocols"
        aria-label="All protocols"
        title="All protocols"
        className="inline-flex size-8 shrink-0 items-center justify-center rounded-sm text-ink-soft hover:bg-sunk"
      >
        <ArrowLeft aria-hidden size={18} />
      </Link>
      <h1 className="min-w-52 flex-1 text-2xl">
        <NameInput
          name={present.name}
          what={isProtocol ? 'protocol' : 'block'}
          isNew={draft.base.version === 0 && present.steps.length === 0}
          onCommit={(name) => edit((protocol) => ({ ...protocol, name }), 'name')}
        />
      </h1>
      {!isProtocol && <UsedByDrafts block={present as unknown as Block} shown={shown} />}
      <SavedState
        saving={saving}
        isThere={draft.base.version > 0}
        onRetry={() => dispatch(retried(present.id))}
      />
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
      <Button
        weight={choosingClient ? 'plain' : 'quiet'}
        aria-expanded={choosingClient}
        title={`Shown for ${clientWords(shown.client)}`}
        onClick={onChooseClient}
      >
        <UserRound aria-hidden size={16} />
        <span className="max-w-44 truncate">{clientWords(shown.client)}</span>
      </Button>
      {isProtocol && <Button onClick={() => setLaid('editions')}>Editions</Button>}
      <More isProtocol={isProtocol} id={present.id} onLay={setLaid} />
      <Shortcuts open={laid === 'keys'} onClose={put} />
      {laid === 'about' && <AboutSheet draft={draft} edit={edit} onClose={put} />}
      {laid === 'around' && <AroundSheet protocol={present} edit={edit} onClose={put} />}
      {laid === 'editions' && (
        <EditionsSheet draft={draft} edit={edit} shown={shown} onClose={put} />
      )}
      {laid === 'matrix' && <MatrixSheet protocol={present} shown={shown} onClose={put} />}
    </header>
  );
}

interface MoreProps {
  readonly isProtocol: boolean;
  readonly id: string;
  readonly onLay: (laid: Laid) => void;
}

function More({ isProtocol, id, onLay }: MoreProps) {
  const navigate = useNavigate();
  return (
    <Menu
      trigger={
        <IconButton label="More of this protocol" className="shrink-0">
          <MoreHorizontal aria-hidden size={18} />
        </IconButton>
      }
    >
      {isProtocol && (
        <>
          <MenuLine onSelect={() => void navigate(`/protocols/${id}/card`)}>
            The card for the room
          </MenuLine>
          <MenuLine onSelect={() => void navigate(`/protocols/${id}/tray`)}>The tray</MenuLine>
          <MenuLine onSelect={() => onLay('around')}>Before and after the visit</MenuLine>
        </>
      )}
      <MenuLine onSelect={() => onLay('about')}>Goal and summary, copy, archive, remove</MenuLine>
      <MenuLine onSelect={() => onLay('matrix')}>Over all clients</MenuLine>
      <MenuLine onSelect={() => onLay('keys')}>
        <Keyboard aria-hidden size={16} className="mr-2" /> Keys of the workbench
      </MenuLine>
    </Menu>
  );
}

/** Which drafts change with a block, so that nobody is surprised. */
function UsedByDrafts({ block, shown }: { readonly block: Block; readonly shown: ShownService }) {
  const { blocks } = indexHouse(shown.house);
  const users = usersOfBlock(asId(block.id), shown.house.protocols, blocks);
  return (
    <p
      className="max-w-80 truncate text-sm text-palm"
      title={users.map(({ name }) => name).join(', ')}
    >
      {users.length === 0
        ? 'no draft uses this block yet'
        : `changes the drafts of ${users.map(({ name }) => name).join(', ')}`}
    </p>
  );
}

function NameInput({
  name,
  what,
  isNew,
  onCommit,
}: {
  readonly name: string;
  readonly what: string;
  /** it has neither a name of its own nor a step yet: the name is what is typed first */
  readonly isNew: boolean;
  readonly onCommit: (name: string) => void;
}) {
  const [emptied, setEmptied] = useState(false);
  const input = useRef<HTMLInputElement>(null);
  const [beginsHere] = useState(isNew);
  useEffect(() => {
    if (!beginsHere) return;
    input.current?.focus();
    input.current?.select();
  }, [beginsHere]);
  return (
    <input
      ref={input}
      type="text"
      aria-label={`Name of the ${what}`}
      aria-invalid={emptied}
      title={emptied ? `A ${what} needs a name.` : undefined}
      autoComplete="off"
      maxLength={LONGEST_NAME}
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
  isThere,
  onRetry,
}: {
  readonly saving: Saving;
  /** the house has it: what is begun is there once it has a name or a step */
  readonly isThere: boolean;
  readonly onRetry: () => void;
}) {
  const bad = saving.state === 'away' || saving.state === 'refused' || saving.state === 'conflict';
  return (
    <div
      role="status"
      className={`flex items-center gap-2 text-sm ${bad ? 'font-semibold text-clay' : 'text-ink-soft'}`}
    >
      {saving.state === 'saved' && !isThere ? '' : savedWords(saving)}
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
      return 'kept in this browser, not saved yet';
    case 'refused':
      return `not saved: ${saving.message}`;
    case 'conflict':
      return 'changed by somebody else';
  }
}
