import { useState } from 'react';
import { beep } from '../shared/aids';
import { fromDevice, keepOnDevice } from '../shared/saving/device';

const KEY = 'jaunty-badge.pad';

/** How this device helps at the pad. */
export interface PadAids {
  /** A click for a go that went well. */
  click: boolean;
  /** Three quiet ticks before a hold is reached. */
  ticks: boolean;
  vibrate: boolean;
  /** The target for a good go lies under this thumb. */
  thumb: 'left' | 'right';
}

const usual: PadAids = { click: false, ticks: false, vibrate: true, thumb: 'right' };

/** The aids chosen on this device. */
export function usePadAids() {
  const [aids, setState] = useState<PadAids>(() => ({ ...usual, ...fromDevice<PadAids>(KEY) }));
  const setAids = (change: Partial<PadAids>) => {
    const next = { ...aids, ...change };
    keepOnDevice(KEY, next);
    setState(next);
  };
  return [aids, setAids] as const;
}

/** The marker: always the same. */
export const click = () => beep(2100, 35, 0.5);

/** A quiet tick. */
export const tick = () => beep(620, 60, 0.06);

/** Seconds left before a hold is reached at which a tick is heard. */
export const ticksAt = [3, 2, 1];

/** Whether a whole second on the way to a hold was passed between two looks at the clock, and which. */
export const tickPassed = (beforeMs: number, nowMs: number, targetSeconds: number): number | null =>
  ticksAt.find((left) => {
    const at = (targetSeconds - left) * 1000;
    return at > 0 && beforeMs < at && nowMs >= at;
  }) ?? null;
