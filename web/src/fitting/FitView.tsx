import { Box, Button, chakra, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import type { Schemas } from '../shared/api';
import { outlinePath, viewBoxOf } from '../shared/drawing';
import { EnamelHead } from '../shared/Enamel';
import { Slide } from '../shared/Slide';
import { lengthText, useUnit, type Unit } from '../shared/units';
import { gapeWords } from '../shared/words';

type Drawing = Schemas['FitDrawingDto'];

const WIDEST = 60;
/** Label height as a share of the drawing's width: readable on a phone. */
const LABEL_SHARE = 0.034;
/** Room a label takes, in its heights. */
const LABEL_WIDTH = 7;
const labels: Record<string, string> = { noseRoom: t`nose`, eyeRoom: t`eye`, chinRoom: t`chin` };

/** A muzzle over the snout, to scale, with the rooms dimensioned and a jaw that opens; another may be laid over it. */
export function FitView({
  name,
  drawing,
  over,
  coat,
  neededDeg,
  gapeClass,
  compact = false,
}: {
  name: string;
  drawing: Drawing;
  /** A second muzzle drawn over the first. */
  over?: Drawing | undefined;
  coat: string;
  neededDeg: number;
  gapeClass: Schemas['GapeClass'] | null;
  compact?: boolean;
}) {
  const [opened, setOpened] = useState(0);
  const [pushed, setPushed] = useState(false);
  const touches = gapeClass !== null && opened >= drawing.gapeDeg;
  return (
    <Box>
      <Side
        label={t`${name} over the snout, to scale, ${pushed ? t`pushed back until the nose touches` : t`jaw opened ${opened} degrees`}`}
        drawing={drawing}
        over={over}
        opened={opened}
        pushed={pushed}
        maxH={compact ? '34vh' : '46vh'}
      />
      {gapeClass !== null && (
        <Flex align="center" gap="5" wrap="wrap">
          <Slide
            label={t`Open the jaw`}
            suffix="°"
            value={opened}
            max={WIDEST}
            marks={[
              { value: Math.min(neededDeg, WIDEST), label: t`${neededDeg}° needed` },
              ...(Math.abs(drawing.gapeDeg - neededDeg) > 9
                ? [{ value: Math.min(drawing.gapeDeg, WIDEST), label: t`${Math.round(drawing.gapeDeg)}° touches` }]
                : []),
            ]}
            onChange={(deg) => {
              setOpened(deg);
              setPushed(false);
            }}
          />
          <Box minW="min(13rem, 100%)">
            <Text role="status" fontSize="lg">
              <b>{Math.round(drawing.gapeDeg)}°</b> {gapeWords[gapeClass]}
              {touches && opened > 0 ? (
                <chakra.span color="stop" fontWeight="700">{t` · the jaw touches the floor`}</chakra.span>
              ) : null}
            </Text>
            <Button
              size="xs"
              variant="outline"
              borderColor="border.strong"
              aria-pressed={pushed}
              onClick={() => setPushed(!pushed)}
            >
              {pushed ? t`Let it sit` : t`Push it back`}
            </Button>
          </Box>
          {!compact && <Sections drawing={drawing} over={over} coat={coat} />}
        </Flex>
      )}
      {gapeClass === null && !compact && (
        <Flex justify="end">
          <Sections drawing={drawing} over={over} coat={coat} />
        </Flex>
      )}
    </Box>
  );
}

function Side({
  label,
  drawing,
  over,
  opened,
  pushed,
  maxH,
}: {
  label: string;
  drawing: Drawing;
  over?: Drawing | undefined;
  opened: number;
  pushed: boolean;
  maxH: string;
}) {
  const { unit } = useUnit();
  const points = [
    ...drawing.head.side.corners,
    ...[...drawing.basket, ...(over?.basket ?? [])].flatMap((s) => s.points),
  ];
  const box = viewBoxOf(points, 10);
  const font = box.width * LABEL_SHARE;
  const middle = (name: string) => {
    const found = drawing.dimensions.find((d) => d.name === name);
    return found && (found.from.x + found.to.x) / 2;
  };
  // On a short face the two labels would run into each other: the one before the nose goes a line up.
  const crowded = (middle('eyeRoom') ?? Infinity) - (middle('noseRoom') ?? -Infinity) < LABEL_WIDTH * font;
  const shown = (strokes: Schemas['Stroke'][]) =>
    strokes.filter((s) => (pushed ? s.name === 'shove' : s.name !== 'shove'));
  return (
    <chakra.svg
      viewBox={`${box.x - 2 * font} ${box.y - 14} ${box.width + 2 * font} ${box.height + 22}`}
      role="img"
      aria-label={label}
      width="full"
      maxH={maxH}
      color="fg"
    >
      <EnamelHead view={drawing.head.side} hinge={drawing.head.hinge} opened={Math.min(opened, WIDEST)} />
      {drawing.drawn.length > 0 && !pushed ? (
        <Muzzle drawn={drawing.drawn} />
      ) : (
        <Basket strokes={shown(drawing.basket)} />
      )}
      {over && <Basket strokes={shown(over.basket)} second />}
      {!pushed &&
        drawing.dimensions
          .filter((d) => d.name !== 'chinRoom' || opened === 0)
          .map((d) => (
            <DimensionLine
              key={d.name}
              dimension={d}
              says={labels[d.name] ?? d.name}
              font={font}
              unit={unit}
              up={crowded && d.name === 'noseRoom' ? 1.2 * font : 0}
            />
          ))}
    </chakra.svg>
  );
}

/** A plain drawing without controls, for what was chosen earlier and for the catalogue. */
export function StillView({ label, drawing, maxH = '30vh' }: { label: string; drawing: Drawing; maxH?: string }) {
  return <Side label={label} drawing={drawing} opened={0} pushed={false} maxH={maxH} />;
}

/** The muzzle as it is made. */
function Muzzle({ drawn }: { drawn: Drawing['drawn'] }) {
  return (
    <g strokeLinejoin="round" strokeLinecap="round">
      {drawn.map((field, i) => (
        <path
          key={i}
          d={field.d}
          fill={field.fill ?? 'none'}
          fillRule="evenodd"
          stroke={field.line ?? 'none'}
          strokeWidth={field.width}
          opacity={field.opacity}
          strokeDasharray={field.stitched ? `${3 * field.width} ${2.5 * field.width}` : undefined}
        />
      ))}
    </g>
  );
}

function Basket({ strokes, second = false }: { strokes: Schemas['Stroke'][]; second?: boolean }) {
  const width: Record<string, number> = { wall: 4, shove: 4, strap: 5, rail: 2.5, bar: 2.5 };
  return (
    <g strokeLinejoin="round" strokeLinecap="round">
      {strokes.map((s, i) => (
        <g key={i}>
          <chakra.path
            d={outlinePath(s)}
            fill="none"
            stroke="bg"
            strokeWidth={`${(width[s.name] ?? 2) + 2.5}px`}
            vectorEffect="non-scaling-stroke"
          />
          <chakra.path
            d={outlinePath(s)}
            fill="none"
            stroke={second ? 'accentInk' : 'currentColor'}
            strokeDasharray={second ? '9 6' : undefined}
            strokeWidth={`${width[s.name] ?? 2}px`}
            vectorEffect="non-scaling-stroke"
          />
        </g>
      ))}
    </g>
  );
}

function DimensionLine({
  dimension,
  says,
  font,
  unit,
  up,
}: {
  dimension: Schemas['DimensionDto'];
  says: string;
  font: number;
  unit: Unit;
  /** How far above its usual place the label goes. */
  up: number;
}) {
  const { from, to, mm } = dimension;
  const upright = from.x === to.x;
  const tick = font * 0.45;
  const at = upright
    ? { x: from.x - font * 0.5, y: (from.y + to.y) / 2 + font * 0.3 }
    : { x: (from.x + to.x) / 2, y: from.y - font * 0.6 - up };
  const ends = upright
    ? [from, to].map((p) => `M${p.x - tick} ${p.y}h${2 * tick}`)
    : [from, to].map((p) => `M${p.x} ${p.y - tick}v${2 * tick}`);
  const line = `M${from.x} ${from.y}L${to.x} ${to.y}${ends.join('')}`;
  return (
    <g>
      <chakra.path d={line} stroke="bg" strokeWidth="6px" vectorEffect="non-scaling-stroke" fill="none" />
      <chakra.path
        d={line}
        stroke={mm < 0 ? 'stop' : 'currentColor'}
        strokeWidth="2px"
        vectorEffect="non-scaling-stroke"
        fill="none"
      />
      <chakra.text
        x={at.x}
        y={at.y}
        style={{ fontSize: font }}
        fontWeight="700"
        textAnchor={upright ? 'end' : 'middle'}
        fill={mm < 0 ? 'stop' : 'currentColor'}
        stroke="bg"
        strokeWidth={`${font * 0.28}px`}
        paintOrder="stroke"
        strokeLinejoin="round"
      >
        {`${says} ${lengthText(mm, unit)}`}
      </chakra.text>
    </g>
  );
}

/** Snout inside basket, cut at the rear edge, same scale for both, with width and depth. */
function Sections({ drawing, over, coat }: { drawing: Drawing; over?: Drawing | undefined; coat: string }) {
  const { unit } = useUnit();
  const points = [
    ...drawing.basketSection.points,
    ...drawing.head.section.points,
    ...(over?.basketSection.points ?? []),
    ...drawing.sectionDimensions.flatMap((d) => [d.from, d.to]),
  ];
  const tight = viewBoxOf(points, 0);
  const font = tight.width * 0.1;
  const box = viewBoxOf(points, font * 1.4);
  const room = font * 4;
  const basket = drawing.sectionDimensions.filter((d) => d.name.startsWith('basket'));
  const snout = drawing.sectionDimensions.filter((d) => d.name.startsWith('snout'));
  return (
    <Box>
      <chakra.svg
        viewBox={`${box.x} ${box.y} ${box.width + room} ${box.height}`}
        role="img"
        aria-label={t`Section at the rear edge: the snout inside the muzzle`}
        height="11rem"
        width="13rem"
        maxW="full"
        color="fg"
      >
        <path
          d={outlinePath(drawing.head.section)}
          fill={coat}
          stroke="currentColor"
          strokeWidth="1.2"
          vectorEffect="non-scaling-stroke"
        />
        {over && (
          <chakra.path
            d={outlinePath(over.basketSection)}
            fill="none"
            stroke="accentInk"
            strokeDasharray="7 5"
            strokeWidth="3px"
            vectorEffect="non-scaling-stroke"
          />
        )}
        <path
          d={outlinePath(drawing.basketSection)}
          fill="none"
          stroke="currentColor"
          strokeWidth="3"
          vectorEffect="non-scaling-stroke"
        />
        {basket.map((d) => {
          const upright = d.from.x === d.to.x;
          return (
            <chakra.text
              key={d.name}
              x={upright ? d.from.x + font * 0.3 : 0}
              y={upright ? (d.from.y + d.to.y) / 2 : d.from.y}
              style={{ fontSize: font }}
              fontWeight="700"
              fill="currentColor"
              textAnchor={upright ? 'start' : 'middle'}
            >
              {lengthText(d.mm, unit)}
            </chakra.text>
          );
        })}
      </chakra.svg>
      <Text fontSize="sm" color="fg.muted" textAlign="center">
        <Trans>
          snout {snout.map((d) => lengthText(d.mm, unit, false)).join(' × ')} {unit}
          {basket.length === 0 && t`, in it at its widest`}
        </Trans>
      </Text>
    </Box>
  );
}
