import { Trash2, Ungroup } from 'lucide-react';
import { nanoid } from '@reduxjs/toolkit';
import { Link } from 'react-router';
import type { BlockUse, Protocol } from '@bienestar/core/house/house';
import type { Blocks } from '@bienestar/core/protocol/expandBlocks';
import { usersOfBlock } from '@bienestar/core/protocol/expandBlocks';
import { detachBlock } from '@bienestar/core/protocol/severalSteps';
import { Button } from '../../../parts/Button';
import { useHouse } from '../../../store/house';
import type { EditProtocol } from '../useDraft';
import { ForWhom } from './ForWhom';

interface BlockInspectorProps {
  readonly use: BlockUse;
  readonly protocol: Protocol;
  readonly blocks: Blocks;
  readonly edit: EditProtocol;
  readonly onRemove: () => void;
}

/** A line that stands for a block: what is in it, where else it is used, and the way out of it. */
export function BlockInspector({ use, protocol, blocks, edit, onRemove }: BlockInspectorProps) {
  const house = useHouse();
  const block = blocks.get(use.blockId);
  const users = usersOfBlock(use.blockId, house.protocols, blocks).filter(
    (user) => user.id !== protocol.id,
  );
  return (
    <section
      id="step-inspector"
      aria-label="Block in hand"
      className="flex min-h-0 flex-col gap-4 overflow-y-auto border-r border-line bg-sheet px-5 py-4"
    >
      <div>
        <p className="text-sm text-palm italic">block</p>
        <h2 className="text-xl">{block?.name ?? use.name}</h2>
        {block && block.summary !== '' && <p className="text-sm text-ink-soft">{block.summary}</p>}
      </div>
      {block ? (
        <ol className="list-decimal pl-5 text-sm">
          {block.steps.map((step) => (
            <li key={step.id}>{step.name}</li>
          ))}
        </ol>
      ) : (
        <p className="text-sm text-clay">This block is no longer in the house.</p>
      )}
      <p className="text-sm text-ink-soft">
        {users.length === 0
          ? 'Only this protocol uses it.'
          : `Also used by ${users.map((user) => user.name).join(', ')}.`}
      </p>
      <ForWhom line={use} protocol={protocol} edit={edit} />
      <div className="flex flex-wrap gap-3">
        {block && (
          <>
            <Link
              to={`/protocols/blocks/${block.id}`}
              className="inline-flex h-9 items-center rounded-sm border border-line-strong px-3.5 text-sm font-semibold hover:bg-sunk"
            >
              Open the block
            </Link>
            <Button
              onClick={() =>
                edit((before) => detachBlock(before, use.id, blocks, () => nanoid(12)))
              }
            >
              <Ungroup aria-hidden size={16} /> Detach its steps
            </Button>
          </>
        )}
        <Button weight="remove" onClick={onRemove}>
          <Trash2 aria-hidden size={16} /> Remove it
        </Button>
      </div>
    </section>
  );
}
