import type { Schemas } from './api';
import { Portrait } from './Enamel';

/** A dog's head by itself, without its badge; or the whole dog. It keeps its shape in whatever room it is given. */
export function Head({
  portrait,
  size,
  height: tall,
}: {
  portrait: Schemas['HeadPortrait'];
  size: number;
  height?: number;
}) {
  const [, , goneX = 0, goneY = 0] = portrait.fade;
  const whole = portrait.fade.length === 0;
  const [width, height] = [Math.max(portrait.width, goneX), Math.max(portrait.height, goneY)];
  const edge = 0.02 * Math.max(width, height);
  return (
    <svg
      viewBox={`${-edge} ${-edge} ${width + 2 * edge} ${height + 2 * edge}`}
      width={size}
      height={tall ?? (size * (height + 2 * edge)) / (width + 2 * edge)}
      style={{ flexShrink: 0 }}
      aria-hidden="true"
    >
      <Portrait portrait={portrait} fades={!whole} />
    </svg>
  );
}
