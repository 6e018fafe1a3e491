import { useSyncExternalStore } from 'react';
import { dropFromDevice, keepOnDevice } from '../shared/saving/device';
import { draftAt } from '../shared/saving/drafts';
import { adopt, mine } from '../shared/saving/tab';
import type { Line } from './lines';

export interface Draft {
  text: string;
  /** The text came from the digital tape. */
  fromTape: boolean;
}

const nothing: Draft = { text: '', fromTape: false };

/**
 * What is typed into the bench's fields, and which line is in hand. Kept outside the page, so that a keystroke
 * draws its own field and the head anew, not every line; and on this device, so that a reload or another room loses nothing.
 */
export class Drafts {
  private readonly texts: Map<string, Draft>;
  private readonly key: string;
  private readonly listeners = new Set<() => void>();
  active: Line | null = null;

  constructor(dogId: string) {
    const key = draftAt(`bench/${dogId}`);
    this.key = mine(key);
    this.texts = new Map(Object.entries(adopt<Record<string, Draft>>(key) ?? {}));
  }

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  of(key: string | undefined): Draft {
    return this.texts.get(key ?? '') ?? nothing;
  }

  type(line: Line, text: string, fromTape = false) {
    if (text === '') this.texts.delete(line.key);
    else this.texts.set(line.key, { text, fromTape });
    if (this.texts.size === 0) dropFromDevice(this.key);
    else keepOnDevice(this.key, Object.fromEntries(this.texts));
    this.tell();
  }

  take(line: Line | null) {
    this.active = line;
    this.tell();
  }

  private tell() {
    for (const listener of this.listeners) listener();
  }
}

export const useDraft = (drafts: Drafts, key: string | undefined) =>
  useSyncExternalStore(drafts.subscribe, () => drafts.of(key));

export const useActive = (drafts: Drafts) => useSyncExternalStore(drafts.subscribe, () => drafts.active);
