import type { ComponentType } from 'react';
import type { RouteObject } from 'react-router';
import type { Kind, Log } from './saving/outbox';
import { fetched } from './saving/server';

/** What a room brings along; app finds it in the room's own `room.ts`. */
export interface Room {
  /** Its pages at addresses of their own. */
  pages?: RouteObject[];
  /** Its pages of a dog, under /dogs/:dogId. */
  dogPages?: RouteObject[];
  /** Its tab on a dog, and the place of that among the others. */
  tab?: { path: string; label: string; place: number };
  /** Its links along the top, and their places. */
  links?: { to: string; label: string; place: number }[];
  /** What is saved as it is changed: an earlier page may have left any of it unsent. */
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- each is handed back only what it sent
  documents?: (Kind<any, any> | Log<any>)[];
}

let all: Room[] = [];

/** Opens the rooms of the product; before anything is drawn. */
export const openRooms = (rooms: Room[]) => {
  all = rooms;
};

export const rooms = () => all;

const inOrder = <T extends { place: number }>(some: T[]) => some.sort((a, b) => a.place - b.place);

/** The tabs of a dog in their order. */
export const tabs = () => inOrder(all.flatMap((room) => room.tab ?? []));

/** The links along the top in their order. */
export const links = () => inOrder(all.flatMap((room) => room.links ?? []));

/** A page that loads when it is first opened. */
export const page =
  <M extends Record<string, unknown>>(load: () => Promise<M>, name: keyof M & string) =>
  async () => ({ Component: (await fetched(load))[name] as ComponentType });
