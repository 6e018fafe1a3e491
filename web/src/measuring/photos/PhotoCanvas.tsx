import { Box, chakra } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Schemas } from '../../shared/api';
import { landmarkWords } from '../../shared/words';
import { placed, placeOf, type Marks, type Photo, type Pixel, type Target } from './usePhoto';

const MAGNIFIED = 4;
const GLASS = 150;
/** How near a mark has to be pressed to be picked up, screen pixels. */
const REACH = 24;

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
  onTake,
  onPlace,
  onNext,
  onUndo,
}: {
  photo: Photo;
  src: string;
  marks: Marks;
  /** The point in hand; null after the last one. */
  target: Target | null;
  onTake: (target: Target) => void;
  onPlace: (at: Pixel, target: Target) => void;
  onNext: (after: Target) => void;
  onUndo: () => void;
}) {
  const frame = useRef<HTMLDivElement>(null);
  const [held, setHeld] = useState<{ at: Pixel; target: Target } | null>(null);
  const [looked, setLooked] = useState<Pixel | null>(null);
  const [shownWidth, setShownWidth] = useState(800);
  const shown = held ? placed(marks, held.target, held.at) : marks;
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
    if (step && target) {
      event.preventDefault();
      const by = event.shiftKey ? 20 : event.altKey ? 0.25 : 2;
      const from = placeOf(marks, target) ?? { x: photo.width / 2, y: photo.height / 2 };
      const to = {
        x: Math.min(Math.max(from.x + by * step[0], 0), photo.width),
        y: Math.min(Math.max(from.y + by * step[1], 0), photo.height),
      };
      onPlace(to, target);
      setLooked(to);
    } else if (event.key === 'Enter' && target) {
      event.preventDefault();
      setLooked(null);
      onNext(target);
    } else if (event.key === 'z' && (event.ctrlKey || event.metaKey)) {
      event.preventDefault();
      onUndo();
    }
  };
  const glass = held?.at ?? looked;
  return (
    <Box
      ref={frame}
      position="relative"
      tabIndex={0}
      role="application"
      aria-label={
        target
          ? t`Picture ${photo.view === 'top' ? t`from above` : t`from the side`}. Arrow keys move ${nameOf(target, marks.kind)}, Enter takes the next point.`
          : t`Picture ${photo.view === 'top' ? t`from above` : t`from the side`}. Nothing in hand.`
      }
      aria-describedby="photo-keys"
      cursor={target ? 'crosshair' : 'default'}
      lineHeight="0"
      touchAction="none"
      onKeyDown={onKey}
      onBlur={() => setLooked(null)}
      onPointerDown={(event) => {
        const at = where(event);
        const taken = target ?? nearest(marks, at, REACH * perPixel);
        if (!taken) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        if (!target) onTake(taken);
        setHeld({ at, target: taken });
      }}
      onPointerMove={(event) => {
        const at = where(event);
        setLooked(at);
        if (held) setHeld({ ...held, at });
      }}
      onPointerUp={() => {
        if (!held) return;
        onPlace(held.at, held.target);
        setHeld(null);
        onNext(held.target);
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

/** The mark nearest to a point, within reach of it. */
function nearest(marks: Marks, at: Pixel, reach: number): Target | null {
  const all: [Target, Pixel][] = [
    ...marks.corners.map((p, corner): [Target, Pixel] => [{ corner }, p]),
    ...landmarksOf(marks).map(([landmark, p]): [Target, Pixel] => [{ landmark }, p]),
  ];
  const far = (p: Pixel) => Math.hypot(p.x - at.x, p.y - at.y);
  const [best] = all.filter(([, p]) => far(p) <= reach).sort(([, a], [, b]) => far(a) - far(b));
  return best?.[0] ?? null;
}

const landmarksOf = (marks: Marks) => Object.entries(marks.landmarks) as [Schemas['Landmark'], Pixel][];

export const nameOf = (target: Target, kind: Marks['kind']) =>
  'landmark' in target
    ? landmarkWords[target.landmark].toLowerCase()
    : kind === 'ruler'
      ? t`mark ${target.corner + 1} of the ruler`
      : t`corner ${target.corner + 1} of the reference`;

const LETTER = 6.6;
const LINE = 15;

/** Where each name stands beside its mark, screen pixels from it: the first of eight places that covers no mark and no other name. */
function placesOf(marks: Pixel[], names: string[], unit: number) {
  const taken: { x: number; y: number; w: number; h: number }[] = [];
  const meets = (x: number, y: number, w: number, own: number) =>
    taken.some((t) => x < t.x + t.w && t.x < x + w && y < t.y + t.h && t.y < y + LINE) ||
    marks.some(
      (m, i) =>
        i !== own && m.x / unit > x - 6 && m.x / unit < x + w + 6 && m.y / unit > y - 4 && m.y / unit < y + LINE + 4,
    );
  return marks.map((m, i) => {
    const w = (names[i]?.length ?? 0) * LETTER;
    const places = [-20, 6, -36, 22].flatMap((dy) => [
      { dx: 10, dy },
      { dx: -10 - w, dy },
    ]);
    const at = (p: { dx: number; dy: number }) => ({ x: m.x / unit + p.dx, y: m.y / unit + p.dy });
    const free = places.find((p) => !meets(at(p).x, at(p).y, w, i)) ?? { dx: 10, dy: -20 };
    taken.push({ ...at(free), w, h: LINE });
    return free;
  });
}

function MarksLayer({ marks, target, unit }: { marks: Marks; target: Target | null; unit: number }) {
  const corners = marks.corners.map((p) => `${p.x},${p.y}`).join(' ');
  const entries = landmarksOf(marks);
  const names = [...marks.corners.map((_, i) => `${i + 1}`), ...entries.map(([name]) => landmarkWords[name])];
  const places = placesOf([...marks.corners, ...entries.map(([, p]) => p)], names, unit);
  return (
    <g fill="none" strokeWidth={2 * unit}>
      <polyline points={corners} stroke="#e3a11b" strokeDasharray={`${6 * unit} ${4 * unit}`} />
      {marks.corners.map((p, i) => (
        <Cross
          key={i}
          at={p}
          unit={unit}
          chosen={target !== null && 'corner' in target && target.corner === i}
          label={`${i + 1}`}
          place={places[i]}
          square
        />
      ))}
      {entries.map(([name, p], i) => (
        <Cross
          key={name}
          at={p}
          unit={unit}
          chosen={target !== null && 'landmark' in target && target.landmark === name}
          label={landmarkWords[name]}
          place={places[marks.corners.length + i]}
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
  place = { dx: 10, dy: -20 },
  square = false,
}: {
  at: Pixel;
  unit: number;
  chosen: boolean;
  label: string;
  /** Where the label's upper left corner stands, screen pixels from the mark. */
  place?: { dx: number; dy: number } | undefined;
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
        x={at.x + place.dx * unit}
        y={at.y + (place.dy + 12) * unit}
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
