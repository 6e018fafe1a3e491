import type { ComponentType } from 'react';
import { fetched } from '../shared/saving/server';

/** A room that loads when it is first opened. */
export const room =
  <M extends Record<string, unknown>>(load: () => Promise<M>, name: keyof M & string) =>
  async () => ({ Component: (await fetched(load))[name] as ComponentType });
