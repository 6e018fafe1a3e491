import { chakra } from '@chakra-ui/react';
import type { Schemas } from '../shared/api';
import { outlinePath, pathOf, viewBoxOf, type Point } from '../shared/drawing';

type Drawing = Schemas['HeadDrawing'];

const line = { vectorEffect: 'non-scaling-stroke', fill: 'none', stroke: 'currentColor' } as const;

/** The closed head: filled shapes with the jaw behind them. The jaw may be turned about its hinge. */
export function Head({ drawing, coat, opened = 0 }: { drawing: Drawing; coat: string; opened?: number }) {
  return (
    <g strokeLinejoin="round">
      <path
        d={outlinePath(drawing.jaw)}
        transform={`rotate(${-opened} ${drawing.hinge.x} ${drawing.hinge.y})`}
        fill={coat}
        stroke="currentColor"
        strokeWidth="1.5"
        vectorEffect="non-scaling-stroke"
      />
      {drawing.head.map((stroke) => (
        <path
          key={stroke.name}
          d={outlinePath(stroke)}
          fill={stroke.name === 'head' || stroke.name === 'ear' ? coat : '#1c1a18'}
          fillOpacity={stroke.name === 'ear' ? 0.9 : 1}
          stroke="currentColor"
          strokeWidth="1.5"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
}

/** Where a measure runs: a broad accent band with a fine line on it. */
function Mark({ paths }: { paths: Point[][] }) {
  return paths.map((points, i) => (
    <g key={i} strokeLinecap="round">
      <chakra.path d={pathOf(points)} fill="none" stroke="bg" strokeWidth="9px" vectorEffect="non-scaling-stroke" />
      <chakra.path d={pathOf(points)} fill="none" stroke="accent" strokeWidth="6px" vectorEffect="non-scaling-stroke" />
      <path d={pathOf(points)} {...line} strokeWidth="1.4" />
    </g>
  ));
}

/** The dog's head to scale, side view and section, with the measure in hand marked. */
export function HeadView({
  drawing,
  coat,
  active,
  label,
}: {
  drawing: Drawing;
  coat: string;
  active: Schemas['Measure'] | null;
  label: string;
}) {
  const marks = drawing.marks.filter((m) => m.measure === active);
  const side = [...drawing.head, drawing.jaw]
    .flatMap((s) => s.points)
    .concat(drawing.marks.filter((m) => !m.inSection).flatMap((m) => m.paths.flat()));
  const box = viewBoxOf(side, 8);
  const section = viewBoxOf(drawing.section.points, 0);
  const room = section.width * 0.45;
  const width = box.width + section.width + room;
  const height = Math.max(box.height, section.height + 20);
  const sectionX = box.x + box.width + room / 2 + section.width / 2;
  const sectionY = box.y + (height - section.height) / 2;
  return (
    <chakra.svg
      viewBox={`${box.x} ${box.y} ${width} ${height}`}
      role="img"
      aria-label={label}
      width="full"
      maxH={{ base: '38vh', lg: '56vh' }}
      color="fg"
    >
      <Head drawing={drawing} coat={coat} />
      <Mark paths={marks.filter((m) => !m.inSection).flatMap((m) => m.paths)} />
      <g transform={`translate(${sectionX} ${sectionY})`}>
        <path
          d={outlinePath(drawing.section)}
          fill={coat}
          stroke="currentColor"
          strokeWidth="1.5"
          vectorEffect="non-scaling-stroke"
        />
        <Mark paths={marks.filter((m) => m.inSection).flatMap((m) => m.paths)} />
        <text
          y={section.height + width * 0.035}
          textAnchor="middle"
          style={{ fontSize: width * 0.024 }}
          fill="currentColor"
        >
          at the fit line
        </text>
      </g>
    </chakra.svg>
  );
}
