import { Blocks, Copy, Scissors, Trash2, X } from 'lucide-react';
import { nanoid } from '@reduxjs/toolkit';
import { useState } from 'react';
import { toast } from '../../parts/toast';
import type { Protocol } from '@bienestar/core/house/house';
import { asId, type StepId } from '@bienestar/core/house/ids';
import { madeIntoBlock } from '@bienestar/core/protocol/severalSteps';
import { Button, IconButton } from '../../parts/Button';
import { Sheet } from '../../parts/Sheet';
import { TextField } from '../../parts/TextField';
import { useAddMutation } from '../../store/api';
import { refusalWords } from '../../store/refusals';

interface TickedStepsProps {
  readonly protocol: Protocol;
  readonly ticked: ReadonlySet<StepId>;
  readonly onCopy: (how: 'copy' | 'cut') => void;
  readonly onRemove: () => void;
  readonly onDone: () => void;
  readonly edit: (make: (protocol: Protocol) => Protocol) => void;
}

/** What can be done with several steps at once. */
export function TickedSteps({
  protocol,
  ticked,
  onCopy,
  onRemove,
  onDone,
  edit,
}: TickedStepsProps) {
  const [naming, setNaming] = useState<string>();
  const [add, { isLoading }] = useAddMutation();
  const keep = async (name: string): Promise<void> => {
    const made = madeIntoBlock(protocol, ticked, {
      id: asId(nanoid(12)),
      name,
      lineId: asId(nanoid(12)),
    });
    if (!made) return;
    const added = await add({ part: 'blocks', value: made.block });
    if (added.error) {
      toast.error(refusalWords(added.error));
      return;
    }
    edit(() => made.writing);
    setNaming(undefined);
    onDone();
    toast(`“${name}” is a block now, and stands in this protocol as one line.`);
  };
  return (
    <div
      role="toolbar"
      aria-label="Several steps"
      className="flex items-center gap-1 border-t border-palm bg-palm-wash px-4 py-1.5 text-sm"
    >
      <strong className="mr-2">{ticked.size} steps</strong>
      <Button weight="quiet" onClick={() => onCopy('copy')}>
        <Copy aria-hidden size={14} /> Copy
      </Button>
      <Button weight="quiet" onClick={() => onCopy('cut')}>
        <Scissors aria-hidden size={14} /> Cut
      </Button>
      <Button weight="quiet" onClick={() => setNaming('')}>
        <Blocks aria-hidden size={14} /> Make a block
      </Button>
      <Button weight="remove" onClick={onRemove}>
        <Trash2 aria-hidden size={14} /> Remove
      </Button>
      <IconButton label="Only one step" className="ml-auto" onClick={onDone}>
        <X aria-hidden size={16} />
      </IconButton>
      <Sheet
        open={naming !== undefined}
        onClose={() => setNaming(undefined)}
        title="Keep these steps as a block"
        description="A block is used by name in several protocols. Changing it changes every draft that uses it."
        actions={
          <Button
            weight="main"
            disabled={isLoading || (naming ?? '').trim() === ''}
            onClick={() => void keep((naming ?? '').trim())}
          >
            Keep it
          </Button>
        }
      >
        <TextField label="Name of the block" value={naming ?? ''} onCommit={setNaming} />
      </Sheet>
    </div>
  );
}
