import type { Room } from '../shared/rooms';

/** Every room that has a `room.ts` in its folder. */
export const found: Room[] = Object.values(import.meta.glob<{ room: Room }>('../*/room.ts', { eager: true })).map(
  (module) => module.room,
);
