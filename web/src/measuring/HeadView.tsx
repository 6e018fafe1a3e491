import { Box, chakra, Flex } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { Schemas } from '../shared/api';
import { pathOf, viewBoxOf, type Point } from '../shared/drawing';
import { EnamelHead } from '../shared/Enamel';
import type { Line } from './lines';

type Drawing = Schemas['HeadDrawingDto'];
type View = Schemas['DrawingView'];
type Mark = Schemas['MeasureMark'];

const views: [View, string][] = [
  ['side', t`from the side`],
  ['top', t`from above`],
  ['front', t`from the front`],
];

/** Where a measure runs: a broad accent band with a fine line on it. */
function Band({ paths }: { paths: Point[][] }) {
  return paths.map((points, i) => (
    <g key={i} strokeLinecap="round">
      <chakra.path d={pathOf(points)} fill="none" stroke="bg" strokeWidth="9px" vectorEffect="non-scaling-stroke" />
      <chakra.path d={pathOf(points)} fill="none" stroke="accent" strokeWidth="6px" vectorEffect="non-scaling-stroke" />
      <path d={pathOf(points)} fill="none" stroke="currentColor" strokeWidth="1.4" vectorEffect="non-scaling-stroke" />
    </g>
  ));
}

/** Text that can be read over anything. */
const Words = chakra('text', {
  base: { fill: 'fg', stroke: 'bg', strokeWidth: '4px', paintOrder: 'stroke', vectorEffect: 'non-scaling-stroke' },
});

function Landmarks({ mark, font }: { mark: Mark; font: number }) {
  return mark.landmarks.map((landmark, i) => (
    <g key={i}>
      <circle cx={landmark.at.x} cy={landmark.at.y} r={font * 0.3} fill="currentColor" />
      <Words
        x={landmark.label.at.x}
        y={landmark.label.at.y}
        textAnchor={landmark.label.anchor}
        style={{ fontSize: font }}
      >
        {landmark.name}
      </Words>
    </g>
  ));
}

/** A dimension line with its end strokes and the value along it. */
function Dimension({ ends, value, font }: { ends: Point[]; value: string; font: number }) {
  const [from, to] = ends;
  if (!from || !to) return null;
  const upright = from.x === to.x;
  const [nx, ny] = upright ? [font * 0.45, 0] : [0, font * 0.45];
  const tick = (p: Point) =>
    pathOf([
      { x: p.x - nx, y: p.y - ny },
      { x: p.x + nx, y: p.y + ny },
    ]);
  return (
    <g fill="none" stroke="currentColor" strokeWidth="1.2" vectorEffect="non-scaling-stroke">
      <path d={pathOf([from, to]) + tick(from) + tick(to)} vectorEffect="non-scaling-stroke" />
      <Words
        x={(from.x + to.x) / 2 + (upright ? -0.5 * font : 0)}
        y={(from.y + to.y) / 2 + (upright ? 0.35 * font : -0.45 * font)}
        textAnchor={upright ? 'end' : 'middle'}
        style={{ fontSize: font * 1.35, fontWeight: 700 }}
      >
        {value}
      </Words>
    </g>
  );
}

/** The value of a girth, under the tape. */
function Around({ mark, value, font }: { mark: Mark; value: string; font: number }) {
  const tape = [...mark.paths, ...mark.behind].flat();
  const lowest = tape.reduce((a, b) => (b.y > a.y ? b : a));
  return (
    <Words
      x={lowest.x}
      y={lowest.y + font * 1.6}
      textAnchor="middle"
      style={{ fontSize: font * 1.35, fontWeight: 700 }}
    >
      {value}
    </Words>
  );
}

/** One view of the head. Its frame holds every mark there is, so that it stands still when another measure is in hand. */
function Picture({
  drawing,
  view,
  line,
  value,
  large,
  label,
}: {
  drawing: Drawing;
  view: View;
  line: Line | null;
  value: string | null;
  large: boolean;
  label: string;
}) {
  const head = drawing[view];
  const all = drawing.marks.filter((m) => m.view === view);
  const points = [...head.corners, ...all.flatMap((m) => [...m.paths.flat(), ...m.behind.flat(), ...m.dimension])];
  const font = head.labelMm;
  const frame = viewBoxOf(points, large ? font * 1.6 : font);
  // Room beside an upright dimension line for its value.
  const room = large ? font * 4.5 : 0;
  const box = { ...frame, x: frame.x - room, width: frame.width + room };
  const marks = all.filter(
    (m) => line !== null && m.measure === line.guide.measure && (m.side === null || m.side === line.side),
  );
  return (
    <chakra.svg
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
      role="img"
      aria-label={label}
      width="full"
      height="full"
      color="fg"
    >
      <Band paths={marks.flatMap((m) => m.behind)} />
      <EnamelHead view={head} />
      <Band paths={marks.flatMap((m) => m.paths)} />
      {large &&
        marks.map((m, i) => (
          <g key={i}>
            <Landmarks mark={m} font={font} />
            {value && <Dimension ends={m.dimension} value={value} font={font} />}
            {value && m.dimension.length === 0 && <Around mark={m} value={value} font={font} />}
          </g>
        ))}
    </chakra.svg>
  );
}

/** The head in the view that shows a measure best, small. */
export function InHand({ drawing, line, name }: { drawing: Drawing; line: Line; name: string }) {
  return (
    <Box w="7.5rem" h="5.5rem" flexShrink="0">
      <Picture
        drawing={drawing}
        view={line.guide.view ?? 'side'}
        line={line}
        value={null}
        large={false}
        label={t`Where ${line.guide.name} runs on ${name}`}
      />
    </Box>
  );
}

/** The dog's head to scale, the view that shows the measure in hand best large and the others beside it. */
export function HeadView({
  drawing,
  line,
  value,
  name,
  tall = false,
}: {
  drawing: Drawing;
  line: Line | null;
  /** The measure in hand, as it would be shown; null while it was not read. */
  value: string | null;
  name: string;
  tall?: boolean;
}) {
  const [chosen, setChosen] = useState<{ view: View; key: string | undefined }>();
  const best = line?.guide.view ?? 'side';
  const view = chosen && chosen.key === line?.key ? chosen.view : best;
  const what = line ? t`Marked: ${line.guide.name}${value ? `, ${value}` : ''}.` : '';
  return (
    <Flex direction={{ base: 'column', sm: 'row' }} gap="3" align="stretch">
      <Box flex="1" minW="0" h={tall ? { base: '34vh', lg: '52vh' } : { base: '30vh', lg: '42vh' }}>
        <Picture
          drawing={drawing}
          view={view}
          line={line}
          value={value}
          large
          label={t`Head of ${name} ${views.find(([v]) => v === view)?.[1] ?? ''}, to scale. ${what}`}
        />
      </Box>
      <Flex
        direction={{ base: 'row', sm: 'column' }}
        display={tall ? { base: 'none', sm: 'flex' } : 'flex'}
        gap="2"
        role="group"
        aria-label={t`Views`}
      >
        {views
          .filter(([v]) => v !== view)
          .map(([v, words]) => (
            <chakra.button
              key={v}
              type="button"
              onClick={() => setChosen({ view: v, key: line?.key })}
              w={{ base: '6rem', lg: '7.5rem' }}
              h={{ base: '4.5rem', lg: '7rem' }}
              borderWidth="1px"
              borderColor="border"
              borderRadius="md"
              p="1"
              cursor="pointer"
              fontSize="xs"
              aria-label={t`Show ${words}`}
              _hover={{ borderColor: 'border.strong' }}
            >
              <Box h="calc(100% - 1.2rem)">
                <Picture
                  drawing={drawing}
                  view={v}
                  line={line}
                  value={null}
                  large={false}
                  label={t`The head ${words}`}
                />
              </Box>
              {words}
            </chakra.button>
          ))}
      </Flex>
    </Flex>
  );
}
