/** Something said in passing. */
export interface Notice {
  title: string;
  type: 'info' | 'error';
  /** A way to take back what it tells of. */
  undo?: (() => void) | undefined;
}

let shown: ((notice: Notice) => void) | null = null;
const waiting: Notice[] = [];

const say = (notice: Notice) => (shown ? shown(notice) : waiting.push(notice));

/** Says something in passing; with a way to undo it, it stays long enough for a hand that is on a dog. */
export const notify = (title: string, undo?: () => void) => void say({ title, type: 'info', undo });

export const complain = (title: string) => void say({ title, type: 'error' });

/** What shows notices from now on, those said before first. */
export function showNotices(show: (notice: Notice) => void) {
  shown = show;
  waiting.splice(0).forEach(show);
}
