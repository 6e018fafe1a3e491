/** A moment as this page counts it, and as the device's clock showed it. */
export interface Mark {
  wall: number;
  own: number;
  page: number;
}

export const mark = (): Mark => ({ wall: Date.now(), own: performance.now(), page: performance.timeOrigin });

/**
 * Seconds gone since. By the page's own count, which no changed clock touches; never less than by the clock where that ran on, for a device that slept counts
 * nothing itself. After a reload only the clock is left.
 */
export const secondsSince = (m: Mark): number => {
  const byClock = Math.max(0, (Date.now() - m.wall) / 1000);
  return m.page === performance.timeOrigin ? Math.max((performance.now() - m.own) / 1000, byClock) : byClock;
};

/** Whether the clock ran otherwise than the page counted between two moments: it was set, or the device slept. */
export const jumped = (from: Mark, to: Mark): boolean =>
  from.page === to.page && Math.abs(to.wall - from.wall - (to.own - from.own)) > 2000;
