import { offeredOf } from '@bienestar/core/house/offered';
import { Blocks } from 'lucide-react';
import { nanoid } from '@reduxjs/toolkit';
import { DropdownMenu } from 'radix-ui';
import type { BlockUse, Line, Protocol } from '@bienestar/core/house/house';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import { asId } from '@bienestar/core/house/ids';
import { stepCount } from '@bienestar/core/protocol/expandBlocks';
import { mayStandIn } from '@bienestar/core/protocol/severalSteps';
import { IconButton } from '../../parts/Button';
import { Menu } from '../../parts/Menu';
import { useHouse } from '../../store/house';

interface PutInBlockProps {
  readonly protocol: Protocol;
  /** the line in hand; the block goes below it, into its stretch */
  readonly after: Line | undefined;
  readonly onPut: (use: BlockUse) => void;
}

/** The blocks of the house that may stand in a protocol or block, to be put below the line in hand. */
export function PutInBlock({ protocol, after, onPut }: PutInBlockProps) {
  const house = useHouse();
  const { blocks } = indexHouse(house);
  const offered = offeredOf(house.blocks).filter((block) =>
    mayStandIn(block.id, protocol.id, blocks),
  );
  return (
    <Menu
      trigger={
        <IconButton label="Put in a block" className="shrink-0">
          <Blocks aria-hidden size={18} />
        </IconButton>
      }
      side="top"
    >
      {offered.length === 0 && (
        <p className="px-3 py-2 text-sm text-ink-soft">
          No block can stand here. Take several steps with Shift or Ctrl, and keep them as one.
        </p>
      )}
      {offered.map((block) => (
        <DropdownMenu.Item
          key={block.id}
          aria-label={`${block.name}, ${stepCount(block, blocks)} steps`}
          className="rounded-sm px-3 py-1.5 outline-none data-highlighted:bg-sunk"
          onSelect={() =>
            onPut({
              id: asId(nanoid(12)),
              stretch: after?.stretch ?? 'visit',
              name: block.name,
              blockId: block.id,
            })
          }
        >
          {block.name}
          <span className="block text-sm text-ink-soft">
            {stepCount(block, blocks)} steps{block.summary !== '' && `: ${block.summary}`}
          </span>
        </DropdownMenu.Item>
      ))}
    </Menu>
  );
}
