import type { ComponentType } from 'react';
import { answers, lost, reached } from '../shared/saving/server';

/** A room that loads when it is first opened. While the server is away it waits for it and comes up then. */
export const room =
  <M extends Record<string, unknown>>(load: () => Promise<M>, name: keyof M & string) =>
  async () => {
    for (let tries = 0; ; tries++) {
      try {
        return { Component: (await load())[name] as ComponentType };
      } catch (error) {
        const there = await answers();
        // The server is there and the room is not: the product was updated under this page.
        if (there && tries > 0) throw error;
        if (!there) {
          void lost();
          await reached();
        }
      }
    }
  };
