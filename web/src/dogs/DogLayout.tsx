import { Box, Flex, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Suspense, useDeferredValue } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { NavLink, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { Head } from '../shared/Head';
import { Badge } from '../shared/Badge';
import { Key } from '../shared/Mark';
import { Parts } from '../shared/Parts';
import { useMe } from '../shared/me';
import { tabs } from '../shared/rooms';
import { lyingFlat } from '../shared/padSizes';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { useDogCard } from '../shared/dog';

/** On a phone that lies flat the page itself begins above the fold. */
const flat = {
  flexWrap: 'nowrap',
  marginBottom: '2',
  '& > svg, & > * > svg': { w: '44px', h: '44px' },
  '& h1': { fontSize: 'xl' },
  '& h1 ~ p': { display: 'none' },
  '& > nav': { width: 'auto', marginInlineStart: 'auto' },
} as const;

/** The dog's name and badge above whichever of its rooms is open. */
export function DogLayout() {
  const { dogId = '' } = useParams();
  const { kind } = useMe();
  const rooms = tabs(kind ?? 'fitter');
  const card = useDogCard(dogId);
  // First drawn in small pieces, so that a tap meanwhile is answered.
  const there = useDeferredValue(card.data !== undefined);
  const go = useNavigate();
  const { pathname } = useLocation();
  const room = rooms.find((r) => r.path !== '' && `${pathname}/`.startsWith(`/dogs/${dogId}/${r.path}/`));
  const name = card.data?.dog.name ?? '';
  usePageTitle(room ? t`${room.label}, ${name}` : name);
  useHotkeys(
    rooms.map((_, i) => `alt+${i + 1}`),
    (event) => {
      event.preventDefault();
      const room = rooms[Number(event.code.slice(-1)) - 1];
      if (room) void go(`/dogs/${dogId}/${room.path}`);
    },
    { enableOnFormTags: true },
    [dogId],
  );

  if (!there || !card.data) return <Waiting query={card} />;
  return (
    <>
      <Flex align="center" gap={{ base: 3, md: 5 }} mb="5" wrap="wrap" css={{ [lyingFlat]: flat }}>
        {kind === 'keeper' ? <Head portrait={card.data.portrait} size={64} /> : <Badge card={card.data} size={84} />}
        <Box flex="1 1 11rem" minW="0">
          <Heading as="h1" size="4xl" lineHeight="1">
            {card.data.dog.name}
            {room && <Box as="span" srOnly>{`, ${room.label}`}</Box>}
          </Heading>
          <Text color="fg.muted" mt="1">
            {[
              card.data.breeds,
              card.data.age ?? '',
              card.data.dog.bodyMassKg ? `${card.data.dog.bodyMassKg} kg` : '',
              card.data.dog.handedOver ? t`handed over` : card.data.dog.archived ? t`archived` : '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
        </Box>
        <Flex
          as="nav"
          aria-label={t`Rooms of ${card.data.dog.name}`}
          wrap="wrap"
          gap={{ base: 0.5, md: 2 }}
          ms={{ md: 'auto' }}
          w={{ base: 'full', md: 'auto' }}
        >
          {rooms.map((room, i) => (
            <Link
              key={room.path}
              asChild
              px={{ base: 1, lg: 3 }}
              py="2"
              color="fg"
              borderBottomWidth="3px"
              borderColor="border"
              flex={{ base: '1 0 auto', md: 'none' }}
              justifyContent="center"
              css={{ '&[aria-current=page]': { borderColor: 'accent', fontWeight: 700 } }}
            >
              <NavLink to={room.path === '' ? `/dogs/${dogId}` : `/dogs/${dogId}/${room.path}`} end={room.path === ''}>
                {room.label} <Key>{t`alt ${i + 1}`}</Key>
              </NavLink>
            </Link>
          ))}
        </Flex>
      </Flex>
      <Suspense>
        <Outlet context={card.data} />
      </Suspense>
      <Parts at="dogFoot" dog={card.data.dog} />
    </>
  );
}
