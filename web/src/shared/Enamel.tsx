import { useId } from 'react';
import type { Schemas } from './api';

type View = Schemas['DrawnViewDto'];
type Fade = { x1: number; y1: number; x2: number; y2: number };

/** Wide enough for whatever is drawn. */
const EVERYWHERE = { x: -500, y: -500, width: 3000, height: 3000 };

/** The clip of a head's outline, and the fade of its neck. */
function Bounds({ id, contour, fade }: { id: string; contour: string; fade: Fade | null }) {
  return (
    <defs>
      <clipPath id={`${id}in`}>
        <path d={contour} />
      </clipPath>
      {fade && (
        <>
          <linearGradient id={`${id}gone`} gradientUnits="userSpaceOnUse" {...fade}>
            <stop offset="0" stopColor="#fff" />
            <stop offset="1" stopColor="#000" />
          </linearGradient>
          <mask id={`${id}fade`} maskUnits="userSpaceOnUse" {...EVERYWHERE}>
            <rect {...EVERYWHERE} fill={`url(#${id}gone)`} />
          </mask>
        </>
      )}
    </defs>
  );
}

/** A head as the core drew it, in mm: fields of colour with their lines. The jaw may be turned about its hinge. */
export function EnamelHead({
  view,
  hinge,
  opened = 0,
}: {
  view: View;
  hinge?: { x: number; y: number };
  opened?: number;
}) {
  const id = useId();
  const [from, to] = view.fade;
  const fade = from && to ? { x1: from.x, y1: from.y, x2: to.x, y2: to.y } : null;
  const turned = hinge && opened > 0 ? `rotate(${-opened} ${hinge.x} ${hinge.y})` : undefined;
  return (
    <g strokeLinejoin="round" strokeLinecap="round">
      <Bounds id={id} contour={view.contour} fade={fade} />
      {view.fields.map((field, i) => (
        <g
          key={i}
          mask={field.fades && fade ? `url(#${id}fade)` : undefined}
          transform={field.turns ? turned : undefined}
        >
          <path
            d={field.d}
            fill={field.fill ?? 'none'}
            stroke={field.line ?? 'none'}
            strokeWidth={field.width}
            opacity={field.opacity}
            clipPath={field.inside ? `url(#${id}in)` : undefined}
          />
        </g>
      ))}
    </g>
  );
}

/** A dog's small head, in its own steps. */
export function Portrait({ portrait, fades = false }: { portrait: Schemas['HeadPortrait']; fades?: boolean }) {
  const id = useId();
  const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = portrait.fade;
  return (
    <g strokeLinejoin="round" strokeLinecap="round" strokeWidth={portrait.line}>
      <Bounds id={id} contour={portrait.contour} fade={fades ? { x1, y1, x2, y2 } : null} />
      {portrait.fields.map((field, i) => {
        const whole = field.d === '';
        return (
          <g key={i} mask={fades && (whole || field.inside) ? `url(#${id}fade)` : undefined}>
            <path
              d={whole ? portrait.contour : field.d}
              fill={field.fill ?? 'none'}
              stroke={field.line ?? 'none'}
              clipPath={field.inside ? `url(#${id}in)` : undefined}
            />
          </g>
        );
      })}
    </g>
  );
}
