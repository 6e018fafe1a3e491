import { Box, Button, Flex, Heading } from '@chakra-ui/react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { api, ask, editing, Refused, words, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { complain } from '../shared/notices';

type Card = Schemas['RoundCardDto'];

const NOWHERE = 'No place given';

/** The round place by place, in the order of the fitter's stops: dragged, or moved by its buttons. */
export function Stops({ cards, row }: { cards: Card[]; row: (card: Card) => ReactNode }) {
  const queries = useQueryClient();
  const stops = useQuery({
    queryKey: keys.stops(),
    queryFn: ({ signal }) => ask(api.GET('/api/round/stops', { signal })),
  });
  const [dragged, setDragged] = useState<string | null>(null);
  const set = useMutation({
    mutationFn: ({ places, version }: Schemas['StopsDto']) =>
      ask(api.PUT('/api/round/stops', { params: { header: editing(version) }, body: { places } })),
    onSuccess: (now) => queries.setQueryData(keys.stops(), now),
    onError: (error) =>
      complain(
        error instanceof Refused && error.status === 412 ? 'Another hand moved the stops: look again.' : words(error),
      ),
    onSettled: () => queries.invalidateQueries({ queryKey: keys.rounds() }),
  });
  if (!stops.data) return null;
  const places = set.isPending ? set.variables.places : stops.data.places;
  const move = (place: string, to: number) => {
    if (to < 0 || to >= places.length || !stops.data) return;
    const others = places.filter((p) => p !== place);
    set.mutate({ places: [...others.slice(0, to), place, ...others.slice(to)], version: stops.data.version });
  };
  const shown = [...places, NOWHERE].map((place) => ({
    place,
    cards: cards.filter((c) => (c.place ?? NOWHERE) === place),
  }));
  return (
    <>
      {shown
        .filter((s) => s.cards.length > 0)
        .map(({ place, cards: here }) => {
          const at = places.indexOf(place);
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
                      aria-label={`${place}: earlier`}
                      disabled={at === 0}
                      onClick={() => move(place, at - 1)}
                    >
                      ↑
                    </Button>
                    <Button
                      size="xs"
                      variant="ghost"
                      aria-label={`${place}: later`}
                      disabled={at === places.length - 1}
                      onClick={() => move(place, at + 1)}
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
