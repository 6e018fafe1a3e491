import type { Schemas } from './api';

/** A dog's head by itself, without its badge. */
export function Head({ portrait, coatHex, size }: Pick<Schemas['CardDto'], 'portrait' | 'coatHex'> & { size: number }) {
  const { width, height, paths } = portrait;
  const edge = Math.max(width, height);
  return (
    <svg
      viewBox={`${-0.03 * edge} ${-0.03 * edge} ${width + 0.06 * edge} ${height + 0.06 * edge}`}
      width={size}
      height={(size * height) / width}
      aria-hidden="true"
    >
      {paths.map((path) => (
        <path
          key={path.name}
          d={path.d}
          fill={path.name === 'eye' || path.name === 'nose' ? '#1c1a18' : coatHex}
          stroke="currentColor"
          strokeWidth={edge / 50}
          strokeLinejoin="round"
        />
      ))}
    </svg>
  );
}
