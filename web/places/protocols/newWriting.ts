import { nanoid } from '@reduxjs/toolkit';
import type { Block, Protocol } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';

/** A protocol to be written. */
export function newProtocol(): Protocol {
  return {
    id: asId(nanoid(12)),
    name: 'New protocol',
    summary: '',
    steps: [],
    layerGroups: [],
    choices: [],
  };
}

/** A block to be written. */
export function newBlock(): Block {
  return { ...newProtocol(), id: asId(nanoid(12)), name: 'New block' };
}
