import { Box, chakra, Flex, Slider, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Head } from '../measuring/HeadView';
import type { Schemas } from '../shared/api';
import { outlinePath, viewBoxOf } from '../shared/drawing';
import { lengthText, useUnit, type Unit } from '../shared/units';
import { gapeWords } from '../shared/words';

const WIDEST = 60;
/** Label height as a share of the drawing's width: readable on a phone. */
const LABEL_SHARE = 0.034;
const labels: Record<string, string> = { noseRoom: 'nose', eyeRoom: 'eye', chinRoom: 'chin' };

/** The basket over the snout, to scale, with the rooms dimensioned and a jaw that opens. */
export function FitView({
  fit,
  drawing,
  coat,
  neededDeg,
}: {
  fit: Schemas['FitDto'];
  drawing: Schemas['FitDrawingDto'];
  coat: string;
  neededDeg: number;
}) {
  const { unit } = useUnit();
  const [opened, setOpened] = useState(0);
  const touches = opened >= drawing.gapeDeg;
  const points = [...drawing.head.head.flatMap((s) => s.points), ...drawing.basket.flatMap((s) => s.points)];
  const box = viewBoxOf(points, 10);
  const height = box.height + 22;
  const font = box.width * LABEL_SHARE;
  return (
    <Box>
      <chakra.svg
        viewBox={`${box.x - 2 * font} ${box.y - 14} ${box.width + 2 * font} ${height}`}
        role="img"
        aria-label={`${fit.model} ${fit.sizeLabel} over the snout, to scale, jaw opened ${opened} degrees`}
        width="full"
        maxH="46vh"
        color="fg"
      >
        <Head drawing={drawing.head} coat={coat} opened={Math.min(opened, WIDEST)} />
        <Basket strokes={drawing.basket} />
        {drawing.dimensions
          .filter((d) => d.name !== 'chinRoom' || opened === 0)
          .map((d) => (
            <DimensionLine key={d.name} dimension={d} font={font} unit={unit} />
          ))}
      </chakra.svg>
      <Flex align="center" gap="5" wrap="wrap">
        <Slider.Root
          flex="1 1 16rem"
          min={0}
          max={WIDEST}
          step={1}
          value={[opened]}
          onValueChange={(e) => setOpened(e.value[0] ?? 0)}
          aria-label={['Open the jaw, degrees']}
        >
          <Flex justify="space-between">
            <Slider.Label>Open the jaw</Slider.Label>
            <Text fontWeight="700">{opened}°</Text>
          </Flex>
          <Slider.Control>
            <Slider.Track bg="border.strong">
              <Slider.Range bg="accent" />
            </Slider.Track>
            <Slider.Thumbs borderColor="fg" />
            <Slider.Marks
              marks={[
                { value: Math.min(neededDeg, WIDEST), label: `${neededDeg}° needed` },
                ...(Math.abs(drawing.gapeDeg - neededDeg) > 9
                  ? [{ value: Math.min(drawing.gapeDeg, WIDEST), label: `${Math.round(drawing.gapeDeg)}° touches` }]
                  : []),
              ]}
            />
          </Slider.Control>
        </Slider.Root>
        <Text role="status" fontSize="lg" minW="15rem">
          <b>{Math.round(drawing.gapeDeg)}°</b> {fit.gapeClass ? gapeWords[fit.gapeClass] : ''}
          {touches && opened > 0 ? (
            <chakra.span color="stop" fontWeight="700">
              {' '}
              · the jaw touches the floor
            </chakra.span>
          ) : null}
        </Text>
        <Sections drawing={drawing} coat={coat} />
      </Flex>
    </Box>
  );
}

function Basket({ strokes }: { strokes: Schemas['Stroke'][] }) {
  const width: Record<string, number> = { wall: 4, strap: 5, rail: 2.5, bar: 2.5 };
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
          <path
            d={outlinePath(s)}
            fill="none"
            stroke="currentColor"
            strokeWidth={width[s.name] ?? 2}
            vectorEffect="non-scaling-stroke"
          />
        </g>
      ))}
    </g>
  );
}

function DimensionLine({ dimension, font, unit }: { dimension: Schemas['DimensionDto']; font: number; unit: Unit }) {
  const { from, to, mm, name } = dimension;
  const upright = from.x === to.x;
  const tick = font * 0.45;
  const at = upright
    ? { x: from.x - font * 0.5, y: (from.y + to.y) / 2 + font * 0.3 }
    : { x: (from.x + to.x) / 2, y: from.y - font * 0.6 };
  const ends = upright
    ? [from, to].map((p) => `M${p.x - tick} ${p.y}h${2 * tick}`)
    : [from, to].map((p) => `M${p.x} ${p.y - tick}v${2 * tick}`);
  const text = `${labels[name] ?? name} ${lengthText(mm, unit)}`;
  return (
    <g>
      <chakra.path
        d={`M${from.x} ${from.y}L${to.x} ${to.y}${ends.join('')}`}
        stroke="bg"
        strokeWidth="6px"
        vectorEffect="non-scaling-stroke"
        fill="none"
      />
      <chakra.path
        d={`M${from.x} ${from.y}L${to.x} ${to.y}${ends.join('')}`}
        stroke={mm < 0 ? 'stop' : 'currentColor'}
        strokeWidth="2px"
        vectorEffect="non-scaling-stroke"
        fill="none"
      />
      <chakra.text
        x={at.x}
        y={at.y}
        fontSize={`${font}px`}
        fontWeight="700"
        textAnchor={upright ? 'end' : 'middle'}
        fill={mm < 0 ? 'stop' : 'currentColor'}
        stroke="bg"
        strokeWidth={`${font * 0.28}px`}
        paintOrder="stroke"
        strokeLinejoin="round"
      >
        {text}
      </chakra.text>
    </g>
  );
}

/** Snout inside basket, cut at the rear edge, same scale for both. */
function Sections({ drawing, coat }: { drawing: Schemas['FitDrawingDto']; coat: string }) {
  const box = viewBoxOf([...drawing.basketSection.points, ...drawing.head.section.points], 4);
  return (
    <chakra.svg
      viewBox={`${box.x} ${box.y} ${box.width} ${box.height}`}
      role="img"
      aria-label="Section at the rear edge: snout inside the basket"
      height="7rem"
      width="7rem"
      color="fg"
    >
      <path
        d={outlinePath(drawing.head.section)}
        fill={coat}
        stroke="currentColor"
        strokeWidth="1.2"
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={outlinePath(drawing.basketSection)}
        fill="none"
        stroke="currentColor"
        strokeWidth="3"
        vectorEffect="non-scaling-stroke"
      />
    </chakra.svg>
  );
}
