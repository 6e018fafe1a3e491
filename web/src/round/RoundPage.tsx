import { Box, Button, Flex, Heading, Link, Text } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link as RouterLink, useNavigate } from 'react-router';
import { useRestore } from '../dogs/useDog';
import { api, ask, type Schemas } from '../shared/api';
import { Badge } from '../shared/Badge';
import { Key } from '../shared/Mark';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { purposeWords } from '../shared/words';
import { NextButton } from './NextButton';

type Card = Schemas['DogCardDto'];

const groups: { title: string; holds: (card: Card) => boolean }[] = [
  { title: 'Sessions due', holds: (c) => c.next.kind === 'session' },
  { title: 'On the bench', holds: (c) => c.next.kind !== 'session' && c.next.kind !== 'rest' },
  { title: 'Resting', holds: (c) => c.next.kind === 'rest' },
];

/** Today at a glance: every dog with its badge and the one thing that is next. */
export function RoundPage() {
  usePageTitle('');
  const [archived, setArchived] = useState(false);
  const round = useQuery({
    queryKey: ['round', archived],
    queryFn: () => ask(api.GET('/api/round', { params: { query: { archived } } })),
  });
  const go = useNavigate();
  useHotkeys('n', () => void go('/dogs/new'));

  return (
    <Box maxW="70rem" mx="auto">
      <Flex align="end" wrap="wrap" gap="4" mb="6">
        <Box flex="1" minW="16rem">
          <Text color="fg.muted">
            {new Date().toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })}
          </Text>
          <Heading as="h1" size="4xl" lineHeight="1.1">
            {archived ? 'Archived dogs' : 'The round'}
          </Heading>
        </Box>
        <Button variant="ghost" size="sm" onClick={() => setArchived(!archived)}>
          {archived ? 'Back to the round' : 'Archived dogs'}
        </Button>
        <Button asChild>
          <RouterLink to="/dogs/new">
            New dog <Key>n</Key>
          </RouterLink>
        </Button>
      </Flex>
      {!round.data ? (
        <Waiting query={round} />
      ) : archived ? (
        <Archived cards={round.data} />
      ) : round.data.length === 0 ? (
        <Text fontSize="lg">No dog on the round yet. Add the first one: a name is enough to begin measuring.</Text>
      ) : (
        groups.map((g) => <Group key={g.title} title={g.title} cards={round.data.filter(g.holds)} />)
      )}
    </Box>
  );
}

function Group({ title, cards }: { title: string; cards: Card[] }) {
  if (cards.length === 0) return null;
  return (
    <Box as="section" mb="8" aria-label={title}>
      <Flex align="baseline" gap="2" borderBottomWidth="2px" borderColor="fg" pb="1">
        <Heading as="h2" size="lg">
          {title}
        </Heading>
        <Text fontWeight="700">{cards.length}</Text>
      </Flex>
      <ul>
        {cards.map((card) => (
          <Flex
            as="li"
            key={card.dog.id}
            align="center"
            gap={{ base: 3, md: 5 }}
            py="3"
            borderBottomWidth="1px"
            borderColor="border"
            wrap={{ base: 'wrap', md: 'nowrap' }}
          >
            <Badge card={card} size={76} />
            <Box flex="1" minW="0">
              <Link asChild fontFamily="heading" fontSize="2xl" fontWeight="700" lineHeight="1.15" color="fg">
                <RouterLink to={`/dogs/${card.dog.id}`}>{card.dog.name}</RouterLink>
              </Link>
              <Text color="fg.muted" fontSize="sm">
                {[card.breeds, card.dog.place, card.dog.purposes.map((p) => purposeWords[p].toLowerCase()).join(', ')]
                  .filter(Boolean)
                  .join(' · ')}
              </Text>
            </Box>
            <Box flex={{ base: '1 0 100%', md: '0 0 24rem' }}>
              <NextButton card={card} />
            </Box>
          </Flex>
        ))}
      </ul>
    </Box>
  );
}

function Archived({ cards }: { cards: Card[] }) {
  const restore = useRestore();
  if (cards.length === 0) return <Text>No dog is archived.</Text>;
  return (
    <ul>
      {cards.map((card) => (
        <Flex as="li" key={card.dog.id} align="center" gap="4" py="3" borderBottomWidth="1px" borderColor="border">
          <Badge card={card} size={52} />
          <Text flex="1" fontFamily="heading" fontSize="xl">
            {card.dog.name}
          </Text>
          <Button variant="outline" size="sm" onClick={() => restore(card.dog)}>
            Put back on the round
          </Button>
        </Flex>
      ))}
    </ul>
  );
}
