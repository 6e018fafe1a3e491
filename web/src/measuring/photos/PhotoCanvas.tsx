import { Box, chakra } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Schemas } from '../../shared/api';
import { landmarkWords } from '../../shared/words';
import { placed, placeOf, type Marks, type Photo, type Pixel, type Target } from './usePhoto';

const MAGNIFIED = 4;
const GLASS = 150;

const steps: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The picture with its marks. A pointer places the point in hand and may drag it; arrow keys move it pixel by pixel. */
export function PhotoCanvas({
  photo,
  src,
  marks,
  target,
  onPlace,
  onNext,
  onUndo,
}: {
  photo: Photo;
  src: string;
  marks: Marks;
  target: Target;
  onPlace: (at: Pixel) => void;
  onNext: () => void;
  onUndo: () => void;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const [held, setHeld] = useState<Pixel | null>(null);
  const [looked, setLooked] = useState<Pixel | null>(null);
  const [shownWidth, setShownWidth] = useState(800);
  const shown = held ? placed(marks, target, held) : marks;
  const perPixel = photo.width / shownWidth;

  const where = (event: PointerEvent): Pixel => {
    const box = event.currentTarget.getBoundingClientRect();
    setShownWidth(box.width);
    const inside = (value: number, most: number) => Math.min(Math.max(value, 0), most);
    return {
      x: inside(((event.clientX - box.left) / box.width) * photo.width, photo.width),
      y: inside(((event.clientY - box.top) / box.height) * photo.height, photo.height),
    };
  };
  const onKey = (event: KeyboardEvent) => {
    const step = steps[event.key];
    if (step) {
      event.preventDefault();
      const by = event.shiftKey ? 20 : event.altKey ? 0.25 : 2;
      const from = placeOf(marks, target) ?? { x: photo.width / 2, y: photo.height / 2 };
      const to = {
        x: Math.min(Math.max(from.x + by * step[0], 0), photo.width),
        y: Math.min(Math.max(from.y + by * step[1], 0), photo.height),
      };
      onPlace(to);
      setLooked(to);
    } else if (event.key === 'Enter') {
      event.preventDefault();
      setLooked(null);
      onNext();
    } else if (event.key === 'z' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      onUndo();
    }
  };
  const glass = held ?? looked;
  return (
    <Box
      ref={frame}
      position="relative"
      tabIndex={0}
      role="application"
      aria-label={t`Picture ${photo.view === 'top' ? t`from above` : t`from the side`}. Arrow keys move ${nameOf(target, marks.kind)}, Enter takes the next point.`}
      aria-describedby="photo-keys"
      cursor="crosshair"
      lineHeight="0"
      touchAction="none"
      onKeyDown={onKey}
      onBlur={() => setLooked(null)}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setHeld(where(event));
      }}
      onPointerMove={(event) => {
        const at = where(event);
        setLooked(at);
        if (held) setHeld(at);
      }}
      onPointerUp={() => {
        if (!held) return;
        onPlace(held);
        setHeld(null);
        onNext();
      }}
      onPointerCancel={() => setHeld(null)}
      onPointerLeave={() => setLooked(null)}
    >
      <chakra.svg viewBox={`0 0 ${photo.width} ${photo.height}`} width="full" maxH="72vh" aria-hidden="true">
        <image href={src} width={photo.width} height={photo.height} />
        <MarksLayer marks={shown} target={target} unit={perPixel} />
      </chakra.svg>
      {glass && <Glass photo={photo} src={src} at={glass} perPixel={perPixel} />}
    </Box>
  );
}

export const nameOf = (target: Target, kind: Marks['kind']) =>
  'landmark' in target
    ? landmarkWords[target.landmark].toLowerCase()
    : kind === 'ruler'
      ? t`mark ${target.corner + 1} of the ruler`
      : t`corner ${target.corner + 1} of the reference`;

function MarksLayer({ marks, target, unit }: { marks: Marks; target: Target; unit: number }) {
  const corners = marks.corners.map((p) => `${p.x},${p.y}`).join(' ');
  const entries = Object.entries(marks.landmarks) as [Schemas['Landmark'], Pixel][];
  return (
    <g fill="none" strokeWidth={2 * unit}>
      <polyline points={corners} stroke="#e3a11b" strokeDasharray={`${6 * unit} ${4 * unit}`} />
      {marks.corners.map((p, i) => (
        <Cross
          key={i}
          at={p}
          unit={unit}
          chosen={'corner' in target && target.corner === i}
          label={`${i + 1}`}
          square
        />
      ))}
      {entries.map(([name, p]) => (
        <Cross
          key={name}
          at={p}
          unit={unit}
          chosen={'landmark' in target && target.landmark === name}
          // Only the point in hand bears its name: they lie close together.
          label={'landmark' in target && target.landmark === name ? landmarkWords[name] : ''}
        />
      ))}
    </g>
  );
}

function Cross({
  at,
  unit,
  chosen,
  label,
  square = false,
}: {
  at: Pixel;
  unit: number;
  chosen: boolean;
  label: string;
  square?: boolean;
}) {
  const r = (chosen ? 11 : 7) * unit;
  const d = square
    ? `M${at.x - r} ${at.y - r}h${2 * r}v${2 * r}h${-2 * r}z`
    : `M${at.x - r} ${at.y}h${2 * r}M${at.x} ${at.y - r}v${2 * r}`;
  return (
    <g>
      <path d={d} stroke="#10231e" strokeWidth={4 * unit} />
      <path d={d} stroke={chosen ? '#f0b340' : '#fff8e8'} strokeWidth={1.8 * unit} />
      <text
        x={at.x + 10 * unit}
        y={at.y - 8 * unit}
        fill="#fff8e8"
        stroke="#10231e"
        strokeWidth={3 * unit}
        paintOrder="stroke"
        style={{ fontSize: 13 * unit, fontWeight: chosen ? 700 : 400 }}
      >
        {label}
      </text>
    </g>
  );
}

/** A magnifying glass over the point, moved aside so that the finger does not cover it. */
function Glass({ photo, src, at, perPixel }: { photo: Photo; src: string; at: Pixel; perPixel: number }) {
  const side = GLASS * (perPixel / MAGNIFIED);
  const right = at.x < photo.width / 2;
  return (
    <Box
      position="absolute"
      top="2"
      {...(right ? { right: '2' } : { left: '2' })}
      w={`${GLASS}px`}
      h={`${GLASS}px`}
      borderWidth="2px"
      borderColor="accent"
      borderRadius="full"
      overflow="hidden"
      pointerEvents="none"
      aria-hidden="true"
    >
      <svg viewBox={`${at.x - side / 2} ${at.y - side / 2} ${side} ${side}`} width={GLASS} height={GLASS}>
        <image href={src} width={photo.width} height={photo.height} />
        <path
          d={`M${at.x - side / 6} ${at.y}h${side / 3}M${at.x} ${at.y - side / 6}v${side / 3}`}
          stroke="#f0b340"
          strokeWidth={side / 110}
        />
      </svg>
    </Box>
  );
}
