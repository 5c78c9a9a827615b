import type { RoomId } from './ids';

export const ROOM_KINDS = ['dry', 'wet'] as const;
export type RoomKind = (typeof ROOM_KINDS)[number];

export interface Room {
  readonly id: RoomId;
  readonly name: string;
  readonly kind: RoomKind;
}
