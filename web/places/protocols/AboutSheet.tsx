import { nanoid } from '@reduxjs/toolkit';
import { useNavigate } from 'react-router';
import type { Block, Protocol } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { KeepOrRemove } from '../../parts/KeepOrRemove';
import { Sheet } from '../../parts/Sheet';
import { TextField } from '../../parts/TextField';
import { closed, type Draft } from '../../store/drafts';
import { outbox, useAppDispatch } from '../../store/store';
import { useAddAndRemove } from '../../store/useEditPart';
import type { EditProtocol } from './useDraft';

const LONGEST = 2_000;

/** What only a protocol says of itself. */
const SAID = [
  { key: 'meantFor', label: 'For whom', hint: 'Whom it suits, in words. Stands on the card.' },
  {
    key: 'licence',
    label: 'Who may do it',
    hint: 'By licence and local code, such as only under a physician. Stands on the card.',
  },
] as const;

interface AboutSheetProps {
  readonly draft: Draft;
  readonly edit: EditProtocol;
  readonly onClose: () => void;
}

/** What a protocol or block is for, and what can be done with it as a whole. */
export function AboutSheet({ draft, edit, onClose }: AboutSheetProps) {
  const { part, base, present } = draft;
  const what = part === 'blocks' ? 'block' : 'protocol';
  const address = part === 'blocks' ? '/protocols/blocks' : '/protocols';
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const { add, remove, busy } = useAddAndRemove<'protocols' | 'blocks'>(part);
  const copy = async (): Promise<void> => {
    const { archivedOn: _archived, ...like } = present;
    const id = nanoid(12);
    const made = { ...like, id: asId(id), name: `${present.name}, copy` } as Protocol & Block;
    if (await add(made)) void navigate(`${address}/${id}`);
  };
  const takeAway = async (): Promise<void> => {
    const asItIs = { ...present, version: base.version } as typeof base & Block;
    if (base.version > 0 && !(await remove(asItIs))) return;
    await navigate('/protocols');
    outbox.dropDraft(`${part}/${present.id}`, draft.madeIn ?? outbox.window);
    dispatch(closed(present.id));
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={present.name}
      description={`What this ${what} is for, and what can be done with all of it.`}
    >
      <div className="flex flex-col gap-4">
        <TextField
          label="Name"
          needed
          value={present.name}
          onCommit={(name) => edit((protocol) => ({ ...protocol, name }), 'name')}
        />
        <TextField
          label="Summary"
          hint="Stands in the list of protocols."
          lines={2}
          longest={LONGEST}
          value={present.summary}
          onCommit={(summary) => edit((protocol) => ({ ...protocol, summary }), 'summary')}
        />
        <TextField
          label="Goal"
          hint="What the guest should see or feel afterwards. Stands on the card."
          lines={2}
          longest={LONGEST}
          value={present.goal ?? ''}
          onCommit={(text) =>
            edit(
              ({ goal: _goal, ...protocol }) =>
                text === '' ? protocol : { ...protocol, goal: text },
              'goal',
            )
          }
        />
        {SAID.filter(() => what === 'protocol').map(({ key, label, hint }) => (
          <TextField
            key={key}
            label={label}
            hint={hint}
            lines={2}
            longest={LONGEST}
            value={present[key] ?? ''}
            onCommit={(text) =>
              edit((protocol) => ({ ...protocol, [key]: text === '' ? undefined : text }), key)
            }
          />
        ))}
        <KeepOrRemove
          what={what}
          archivedOn={present.archivedOn}
          busy={busy}
          onCopy={() => void copy()}
          onArchive={(on) =>
            edit(({ archivedOn: _on, ...protocol }) =>
              on === undefined ? protocol : { ...protocol, archivedOn: on },
            )
          }
          onRemove={() => void takeAway()}
        />
      </div>
    </Sheet>
  );
}
