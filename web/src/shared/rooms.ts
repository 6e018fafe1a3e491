import type { ComponentType } from 'react';
import type { RouteObject } from 'react-router';
import type { Schemas } from './api';
import { late } from './late';
import type { Kind as Document, Log } from './saving/outbox';

/** What a room brings along; app finds it in the room's own `room.ts`. */
export interface Room {
  /** Its pages at addresses of their own. */
  pages?: RouteObject[];
  /** Its pages of a dog, under /dogs/:dogId. */
  dogPages?: RouteObject[];
  /** Its tabs on a dog, their places among the others, and whose they are: the practice's own where nobody is named. */
  tabs?: Tab[];
  /** What stands in the place of pages of these addresses for somebody. */
  pagesOf?: Partial<Record<Kind, RouteObject[]>>;
  dogPagesOf?: Partial<Record<Kind, RouteObject[]>>;
  /** What it puts on pages of other rooms. */
  parts?: Part[];
  /** Its links along the top, their places, and whose they are. */
  links?: ({ to: string } & Place)[];
  /** What is saved as it is changed: an earlier page may have left any of it unsent. */
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- each is handed back only what it sent
  documents?: (Document<any, any> | Log<any>)[];
}

/** A part of a page of another room. */
export interface Part {
  /** Before the round; on a dog's own page, and below its record there; below every page of a dog. */
  at: 'round' | 'dog' | 'dogRecord' | 'dogFoot';
  place: number;
  for: Kind[];
  Component: ComponentType<PartOf>;
}

/** What a part is told: the dog of the page, where it is one's. */
export interface PartOf {
  dog?: Pick<Schemas['DogDto'], 'id' | 'name'> & Partial<Schemas['DogDto']>;
}

/** A key, or keys, that do something on the pages of an address. A room tells its own in its `shortcuts.ts`. */
export interface Shortcut {
  at: string;
  keys: string;
  does: string;
}

interface Place {
  label: string;
  place: number;
  for?: Kind[];
}

type Tab = { path: string } & Place;

type Kind = Schemas['PersonKind'];

const practice: Kind[] = ['fitter', 'helper'];

let all: Room[] = [];

/** Opens the rooms of the product; before anything is drawn. */
export const openRooms = (rooms: Room[]) => {
  all = rooms;
};

export const rooms = () => all;

const inOrder = <T extends { place: number }>(some: T[]) => some.sort((a, b) => a.place - b.place);

const whose =
  (kind: Kind) =>
  ({ for: of = practice }: Place) =>
    of.includes(kind);

/** The tabs of a dog in their order. */
export const tabs = (kind: Kind) => inOrder(all.flatMap((room) => room.tabs ?? []).filter(whose(kind)));

/** The parts that other rooms put on a page, in their order. */
export const parts = (at: Part['at'], kind: Kind) =>
  inOrder(all.flatMap((room) => room.parts ?? []).filter((part) => part.at === at && part.for.includes(kind)));

/** The pages in the place of others, for somebody. */
export const pagesOf = (of: 'pagesOf' | 'dogPagesOf') =>
  all.flatMap((room) =>
    (Object.entries(room[of] ?? {}) as [Kind, RouteObject[]][]).flatMap(([kind, pages]) =>
      pages.map((page) => ({ kind, page })),
    ),
  );

/** The links along the top in their order. */
export const links = (kind: Kind) => inOrder(all.flatMap((room) => room.links ?? []).filter(whose(kind)));

/** Asks for what the page at an address will show, before it is drawn. */
export type Ahead = (params: Record<string, string | undefined>) => unknown;

/** How the code of a page comes, and who asks for what it shows. */
const openings = new WeakMap<object, { load: () => Promise<unknown>; ask?: Ahead }>();

/** A page that loads when it is first opened, and who asks for what it shows before it is drawn. */
export const page = <M extends Record<string, unknown>>(
  load: () => Promise<M>,
  name: keyof M & string,
  ask?: Ahead,
) => {
  const Page = late(async () => (await load())[name] as ComponentType);
  openings.set(Page, { load, ask });
  return Page;
};

type Matches = { route: RouteObject; params: Parameters<Ahead>[0] }[] | null;

/** Loads the pages of an address, each without waiting for the one around it; whatever fails is loaded again by the page. */
export const loadAhead = (matches: Matches) =>
  matches?.forEach(({ route: { Component } }) => {
    if (Component)
      openings
        .get(Component)
        ?.load()
        .catch(() => undefined);
  });

/** Asks for what the pages of an address show; whatever fails is asked for again by the page. */
export const askAhead = (matches: Matches) =>
  matches?.forEach(({ route: { Component }, params }) => {
    if (Component) void Promise.resolve(openings.get(Component)?.ask?.(params)).catch(() => undefined);
  });
