import type { Schemas } from './api';
import { Portrait } from './Enamel';

/** A dog's head by itself, without its badge. */
export function Head({ portrait, size }: { portrait: Schemas['HeadPortrait']; size: number }) {
  const { width, height } = portrait;
  const edge = 0.02 * Math.max(width, height);
  return (
    <svg
      viewBox={`${-edge} ${-edge} ${1.1 * width} ${height + 2 * edge}`}
      width={size}
      height={(size * (height + 2 * edge)) / (1.1 * width)}
      style={{ flexShrink: 0 }}
      aria-hidden="true"
    >
      <Portrait portrait={portrait} fades />
    </svg>
  );
}
