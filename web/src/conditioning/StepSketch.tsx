import { Box } from '@chakra-ui/react';
import type { Schemas } from '../shared/api';

type Shows = Schemas['StepSketch'];

/** Where the opening of the thing lies, in the drawing's own units: the nose tip is at 80, 50, the floor at 96. */
const places: Record<Shows['place'], [x: number, y: number]> = {
  atTheSide: [142, 60],
  beforeTheNose: [92, 50],
  overTheRim: [75, 50],
  halfwayIn: [67, 50],
  allTheWayIn: [58, 50],
  onTheFloor: [112, 82],
  onAStand: [118, 56],
};

/** Where the treat lies beside the opening of the thing; those that are nowhere near it stand by themselves. */
function treatAt({ treat, thing }: Shows, [x, y]: [number, number]): [number, number] {
  const deep = thing === 'box' ? 16 : thing === 'loop' ? 14 : 30;
  switch (treat) {
    case 'awayFromIt':
      return [92, 88];
    case 'behindTheDog':
      return [-6, 91];
    case 'atTheMouth':
      return [86, 58];
    case 'atTheRim':
      return [x - 1, y + 15];
    case 'atItsFloor':
      return [x + deep - 5, y + (thing === 'box' ? 6 : 0)];
    case 'underIt':
      return [x + 14, y + 21];
    case 'throughTheSide':
      return [x + 14, y - 16];
    case 'throughTheFront':
      return [x + deep + 7, y];
  }
}

/** A small drawing of where things are, in the project's own hand: dog, thing, hand, treat. */
export function StepSketch({ sketch }: { sketch: Schemas['SketchDto'] }) {
  const { shows, says } = sketch;
  const at = places[shows.place];
  const treat = treatAt(shows, at);
  return (
    <Box as="figure" my="3" maxW="19rem">
      <svg
        viewBox="-14 14 200 90"
        aria-hidden="true"
        width="100%"
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
        strokeLinecap="round"
        strokeLinejoin="round"
      >
        <path d="M-12 97H184" strokeWidth="1" strokeDasharray="2 5" />
        <Dog />
        <Thing thing={shows.thing} at={at} stands={shows.place === 'onAStand'} />
        {shows.hand === 'below' && (
          <Hand at={shows.treat === 'underIt' ? [at[0] + 14, at[1] + 27] : [at[0] + 14, at[1] + 22]} />
        )}
        {shows.hand === 'behindTheHead' && <Hand at={[20, 32]} />}
        <circle cx={treat[0]} cy={treat[1]} r="4" fill="var(--chakra-colors-accent)" strokeWidth="1.5" />
      </svg>
      <Box as="figcaption" fontSize="sm" color="fg.muted">
        {says}
      </Box>
    </Box>
  );
}

const Dog = () => (
  <g>
    <path d="M8 96C10 82 14 72 21 63C18 44 28 32 44 32C49 33 52 38 55 42L78 46C82 47 83 52 80 54L77 57C68 62 58 64 50 66C42 74 38 84 37 96" />
    <path d="M30 35C22 40 20 54 27 61C33 56 37 46 36 36" />
    <path d="M77 55L60 56" strokeWidth="1.5" />
    <circle cx="79" cy="49" r="2.6" fill="currentColor" />
    <circle cx="52" cy="42" r="1.6" fill="currentColor" stroke="none" />
  </g>
);

function Thing({ thing, at: [x, y], stands }: { thing: Shows['thing']; at: [number, number]; stands: boolean }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      {thing === 'muzzle' && (
        <>
          <path d="M0 -14L28 -10Q31 0 28 10L0 14Z" strokeWidth="2.4" />
          <path d="M9 -12.7V12.7M18 -11.4V11.4M0 0H30" strokeWidth="1.3" />
        </>
      )}
      {thing === 'cup' && <path d="M0 -14L30 -9V9L0 14Z" strokeWidth="2.4" />}
      {thing === 'loop' && <ellipse cx="4" cy="0" rx="7" ry="21" strokeWidth="2.4" />}
      {thing === 'box' && (
        <>
          <path d="M-14 -8V14H32V-8" strokeWidth="2.4" />
          <path d="M6 -4L24 -2V9L6 11Z M12 -3.5V10 M18 -3V9.5" strokeWidth="1.3" />
        </>
      )}
      {stands && <path d="M15 13V40M4 40H26" />}
    </g>
  );
}

/** A mitten: the drawing says where a hand is, not whose. */
const Hand = ({ at: [x, y] }: { at: [number, number] }) => (
  <path
    transform={`translate(${x} ${y})`}
    d="M-13 0C-13 -4 -10 -5 -6 -5H9C13 -5 13 0 9 0H13C17 0 17 5 13 5H11C11 9 7 10 3 10H-5C-10 10 -13 6 -13 0Z"
    fill="var(--chakra-colors-bg)"
  />
);
