import { lazy, type ComponentType } from 'react';
import { fetched } from './saving/server';

/** A part of a page that loads when it is first shown. */
export const late = <Props extends object>(load: () => Promise<ComponentType<Props>>) =>
  lazy(async () => ({ default: await fetched(load) }));
