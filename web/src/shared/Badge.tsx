import { chakra } from '@chakra-ui/react';
import { useId } from 'react';
import type { Schemas } from './api';
import { outlinePath } from './drawing';

const phases = ['measured', 'fitted', 'conditioned', 'wearing'] as const;
const phaseNames = { measured: 'measured', fitted: 'fitted', conditioned: 'conditioned', wearing: 'wearing' };
const [outer, inner] = [47, 36];
const gap = 5;

/** A sector of the rim, degrees clockwise from the top. */
function sector(from: number, to: number): string {
  const at = (r: number, deg: number) =>
    `${50 + r * Math.sin((deg * Math.PI) / 180)} ${50 - r * Math.cos((deg * Math.PI) / 180)}`;
  return `M${at(outer, from)}A${outer} ${outer} 0 0 1 ${at(outer, to)}L${at(inner, to)}A${inner} ${inner} 0 0 0 ${at(inner, from)}Z`;
}

/** A dog's enamel badge: its own head inside, one rim segment a phase, each filled with a pattern of its own. */
export function Badge({
  card,
  size,
}: {
  card: Pick<Schemas['DogCardDto'], 'badge' | 'silhouette' | 'coatHex'>;
  size: number;
}) {
  const id = useId();
  const xs = card.silhouette.points.map((p) => p.x);
  const ys = card.silhouette.points.map((p) => p.y);
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = 54 / Math.max(right - left, (bottom - top) * 1.1);
  const label = phases.map((p) => `${phaseNames[p]} ${Math.round(card.badge[p] * 100)} %`).join(', ');
  return (
    <chakra.svg
      viewBox="0 0 100 100"
      width={`${size}px`}
      height={`${size}px`}
      flexShrink="0"
      role="img"
      aria-label={`Badge: ${label}`}
      color="fg"
    >
      <defs>
        <pattern id={`${id}fitted`} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="5" height="3" fill="currentColor" />
        </pattern>
        <pattern id={`${id}conditioned`} width="4.6" height="4.6" patternUnits="userSpaceOnUse">
          <circle cx="2.3" cy="2.3" r="1.75" fill="currentColor" />
        </pattern>
        <pattern id={`${id}wearing`} width="5" height="5" patternUnits="userSpaceOnUse">
          <path d="M0 1h5M1 0v5" stroke="currentColor" strokeWidth="2" />
        </pattern>
        <clipPath id={`${id}inside`}>
          <circle cx="50" cy="50" r={inner - 3} />
        </clipPath>
      </defs>
      <chakra.circle cx="50" cy="50" r="49" fill="bg.panel" stroke="currentColor" strokeWidth="1" />
      {phases.map((phase, i) => {
        const [from, to] = [i * 90 + gap / 2, (i + 1) * 90 - gap / 2];
        const filled = from + (to - from) * card.badge[phase];
        return (
          <g key={phase}>
            <path d={sector(from, to)} fill="none" stroke="currentColor" strokeWidth="0.8" />
            {card.badge[phase] > 0 && (
              <>
                <chakra.path d={sector(from, filled)} fill="accent" />
                <path d={sector(from, filled)} fill={phase === 'measured' ? 'none' : `url(#${id}${phase})`} />
              </>
            )}
          </g>
        );
      })}
      <chakra.circle cx="50" cy="50" r={inner - 3} fill="bg.muted" stroke="currentColor" strokeWidth="1" />
      <g clipPath={`url(#${id}inside)`}>
        <g transform={`translate(50 51) scale(${scale}) translate(${-(left + right) / 2} ${-(top + bottom) / 2})`}>
          <path
            d={outlinePath(card.silhouette)}
            fill={card.coatHex}
            stroke="currentColor"
            strokeWidth={1.4 / scale}
            strokeLinejoin="round"
          />
        </g>
      </g>
    </chakra.svg>
  );
}
