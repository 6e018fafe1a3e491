import { t } from '@lingui/core/macro';
import { useId } from 'react';
import type { Schemas } from './api';
import { Portrait } from './Enamel';
import { phaseWords } from './words';

export const phases = ['measured', 'fitted', 'conditioned', 'wearing'] as const;
const [outer, inner] = [47, 36];
const gap = 5;

/** A colour of the theme. A badge is plain SVG: a list has many, and they come up at once. */
const colour = (token: string) => `var(--chakra-colors-${token})`;

/** A sector of the rim, degrees clockwise from the top. */
function sector(from: number, to: number): string {
  const at = (r: number, deg: number) =>
    `${50 + r * Math.sin((deg * Math.PI) / 180)} ${50 - r * Math.cos((deg * Math.PI) / 180)}`;
  return `M${at(outer, from)}A${outer} ${outer} 0 0 1 ${at(outer, to)}L${at(inner, to)}A${inner} ${inner} 0 0 0 ${at(inner, from)}Z`;
}

/** A quarter of the whole badge, from an angle on. */
const wedge = (from: number) => `${sector(from, from + 90).split('L')[0]}L50 50Z`;

/** The pattern a quarter of the rim is filled with: it is told by more than its place. */
function Patterns({ id }: { id: string }) {
  return (
    <>
      <pattern id={`${id}fitted`} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="5" height="3" fill="currentColor" />
      </pattern>
      <pattern id={`${id}conditioned`} width="4.6" height="4.6" patternUnits="userSpaceOnUse">
        <circle cx="2.3" cy="2.3" r="1.75" fill="currentColor" />
      </pattern>
      <pattern id={`${id}wearing`} width="5" height="5" patternUnits="userSpaceOnUse">
        <path d="M0 1h5M1 0v5" stroke="currentColor" strokeWidth="2" />
      </pattern>
    </>
  );
}

/** A quarter of the rim by itself, full, in its place on an empty one. */
export function RimQuarter({ phase, size }: { phase: (typeof phases)[number]; size: number }) {
  const id = useId();
  const at = phases.indexOf(phase) * 90;
  return (
    <svg
      viewBox="0 0 100 100"
      width={`${size}px`}
      height={`${size}px`}
      style={{ flexShrink: 0, color: colour('fg') }}
      aria-hidden="true"
    >
      <defs>
        <Patterns id={id} />
      </defs>
      <circle cx="50" cy="50" r="47" fill="none" stroke="currentColor" strokeWidth="3" />
      <path d={wedge(at)} fill={colour('accent')} />
      <path
        d={wedge(at)}
        fill={phase === 'measured' ? 'none' : `url(#${id}${phase})`}
        stroke="currentColor"
        strokeWidth="3"
      />
    </svg>
  );
}

/** A dog's enamel badge: its own head inside, one rim segment a phase, each filled with a pattern of its own. */
export function Badge({ card, size }: { card: Pick<Schemas['DogCardDto'], 'badge' | 'portrait'>; size: number }) {
  const id = useId();
  const { width, height } = card.portrait;
  const scale = 60 / Math.max(width, height);
  const label = phases.map((p) => `${phaseWords[p]} ${Math.round(card.badge[p] * 100)} %`).join(', ');
  return (
    <svg
      viewBox="0 0 100 100"
      width={`${size}px`}
      height={`${size}px`}
      style={{ flexShrink: 0, color: colour('fg') }}
      role="img"
      aria-label={t`Badge: ${label}`}
    >
      <defs>
        <Patterns id={id} />
        <clipPath id={`${id}inside`}>
          <circle cx="50" cy="50" r={inner - 3} />
        </clipPath>
      </defs>
      <circle cx="50" cy="50" r="49" fill={colour('bg-panel')} stroke="currentColor" strokeWidth="1" />
      {phases.map((phase, i) => {
        const [from, to] = [i * 90 + gap / 2, (i + 1) * 90 - gap / 2];
        const filled = from + (to - from) * card.badge[phase];
        return (
          <g key={phase}>
            <path d={sector(from, to)} fill="none" stroke="currentColor" strokeWidth="0.8" />
            {card.badge[phase] > 0 && (
              <>
                <path d={sector(from, filled)} fill={colour('accent')} />
                <path d={sector(from, filled)} fill={phase === 'measured' ? 'none' : `url(#${id}${phase})`} />
              </>
            )}
          </g>
        );
      })}
      <circle cx="50" cy="50" r={inner - 3} fill={colour('bg-muted')} stroke="currentColor" strokeWidth="1" />
      <g clipPath={`url(#${id}inside)`}>
        <g transform={`translate(51 51) scale(${scale}) translate(${-width / 2} ${-height / 2})`}>
          <Portrait portrait={card.portrait} />
        </g>
      </g>
    </svg>
  );
}
