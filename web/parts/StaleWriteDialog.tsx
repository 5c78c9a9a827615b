import { toast } from './toast';
import { rebase } from '../store/outbox/rebase';
import type { QueuedWrite } from '../store/outbox/queuedWrite';
import { outbox } from '../store/store';
import { Button } from './Button';
import { names, TableHead } from './TableHead';
import { Sheet } from './Sheet';

interface StaleWriteDialogProps {
  readonly write: QueuedWrite;
  readonly onLater: () => void;
}

/** The choice after two people changed the same thing: theirs is on the screen, mine can be put over it. */
export function StaleWriteDialog({ write, onLater }: StaleWriteDialogProps) {
  const { id, name, change, state } = write;
  if (change.kind !== 'edit' || state.is !== 'clash') return null;
  const theirs: object = state.theirs ?? {};
  const mine = rebase<object>(change.base, change.mine, theirs).value;
  const keepMine = async (): Promise<void> => {
    const outcome = await outbox.insist(id);
    if (outcome.is === 'done') toast(`${name}: yours is kept.`);
    if (outcome.is === 'refused') toast.error(outcome.document.detail);
  };
  return (
    <Sheet
      open
      onClose={onLater}
      title={`${name} was changed by somebody else`}
      description="Both versions are here. Choose which one to keep; Escape leaves it for later."
      actions={
        <>
          <Button onClick={() => outbox.drop(id)}>Keep theirs</Button>
          <Button weight="main" onClick={() => void keepMine()}>
            Keep mine
          </Button>
        </>
      }
    >
      <Differences mine={mine} theirs={theirs} />
    </Sheet>
  );
}

function Differences({ mine, theirs }: { readonly mine: object; readonly theirs: object }) {
  const [my, their] = [flat(mine), flat(theirs)];
  const keys = [...new Set([...my.keys(), ...their.keys()])].filter(
    (key) => key !== 'version' && my.get(key) !== their.get(key),
  );
  return (
    <table className="w-full text-sm">
      <TableHead columns={names('What', 'Theirs', 'Mine')} cell="py-1 pr-4" />
      <tbody>
        {keys.map((key) => (
          <tr key={key} className="border-b border-line align-top">
            <th className="py-1.5 pr-4 text-left font-normal">{key}</th>
            <td className="py-1.5 pr-4">{their.get(key) ?? '–'}</td>
            <td className="py-1.5 font-semibold">{my.get(key) ?? '–'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function flat(value: object, before = ''): Map<string, string> {
  const found = new Map<string, string>();
  for (const [key, held] of Object.entries(value)) {
    const words = `${before}${key.replaceAll(/([A-Z])/g, ' $1').toLowerCase()}`;
    if (typeof held === 'object' && held !== null) {
      for (const [inner, text] of flat(held as object, `${words}, `)) found.set(inner, text);
    } else if (held !== undefined) found.set(words, String(held));
  }
  return found;
}
