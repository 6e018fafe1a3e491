import { Box, Button, Flex, Heading } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { api, ask, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { Conflict } from '../shared/saving/Conflict';
import { useDocument } from '../shared/saving/useDocument';
import { stopsDocument } from './stopsDocument';

type Card = Schemas['RoundCardDto'];

const NOWHERE = t`No place given`;

interface Rows {
  cards: Card[];
  row: (card: Card) => ReactNode;
}

/** The round place by place, in the order of the fitter's stops: dragged, or moved by its buttons. */
export function Stops(rows: Rows) {
  const stops = useQuery({
    queryKey: keys.stops(),
    queryFn: ({ signal }) => ask(api.GET('/api/round/stops', { signal })),
  });
  return stops.data ? <InOrder {...rows} stored={stops.data} /> : null;
}

function InOrder({ cards, row, stored }: Rows & { stored: Schemas['StopsDto'] }) {
  const { value, change, theirs, keepMine, takeTheirs } = useDocument(
    stopsDocument,
    'practice',
    stored,
    t`the order of the stops`,
  );
  const [dragged, setDragged] = useState<string | null>(null);
  // A place that came or went since counts as the server has it.
  const places = [
    ...value.filter((p) => stored.places.includes(p)),
    ...stored.places.filter((p) => !value.includes(p)),
  ];
  const shown = [...places, NOWHERE]
    .map((place) => ({ place, cards: cards.filter((c) => (c.place ?? NOWHERE) === place) }))
    .filter((s) => s.cards.length > 0);
  // Where one that is on the screen stands: what lies between and is not there is moved past as well.
  const seen = shown.map((s) => places.indexOf(s.place)).filter((at) => at >= 0);
  const move = (place: string, to: number | undefined) => {
    if (to === undefined) return;
    const others = places.filter((p) => p !== place);
    change([...others.slice(0, to), place, ...others.slice(to)]);
  };
  return (
    <>
      {theirs && (
        <Conflict
          says={t`Somebody else has put the stops in another order.`}
          differences={[{ label: t`Order`, mine: places.join(', '), theirs: theirs.places.join(', ') }]}
          keepMine={keepMine}
          takeTheirs={takeTheirs}
        />
      )}
      {shown.map(({ place, cards: here }) => {
        const at = places.indexOf(place);
        const [earlier, later] = [seen.filter((s) => s < at).at(-1), seen.find((s) => s > at)];
        return (
          <Box
            as="section"
            key={place}
            mb="8"
            aria-label={place}
            opacity={dragged === place ? 0.5 : 1}
            onDragOver={(event) => event.preventDefault()}
            onDrop={() => {
              if (dragged && dragged !== place && at >= 0) move(dragged, at);
              setDragged(null);
            }}
          >
            <Flex
              align="baseline"
              gap="2"
              borderBottomWidth="2px"
              borderColor="fg"
              pb="1"
              draggable={at >= 0}
              cursor={at >= 0 ? 'grab' : 'auto'}
              onDragStart={() => setDragged(place)}
              onDragEnd={() => setDragged(null)}
            >
              <Heading as="h2" size="lg">
                {at >= 0 && `${at + 1}. `}
                {place}
              </Heading>
              {at >= 0 && (
                <Flex ms="auto" gap="1">
                  <Button
                    size="xs"
                    variant="ghost"
                    aria-label={t`${place}: earlier`}
                    disabled={earlier === undefined}
                    onClick={() => move(place, earlier)}
                  >
                    ↑
                  </Button>
                  <Button
                    size="xs"
                    variant="ghost"
                    aria-label={t`${place}: later`}
                    disabled={later === undefined}
                    onClick={() => move(place, later)}
                  >
                    ↓
                  </Button>
                </Flex>
              )}
            </Flex>
            <ul>{here.map(row)}</ul>
          </Box>
        );
      })}
    </>
  );
}
