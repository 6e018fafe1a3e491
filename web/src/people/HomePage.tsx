import { Box, Button, Flex, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { Link as RouterLink } from 'react-router';
import { usePadReady, useStartSession } from '../conditioning/useStartSession';
import { Head } from '../shared/Head';
import { OnNow } from '../round/OnNow';
import type { Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { useReachable } from '../shared/saving/server';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { useUnheard } from '../wearing/unheard';
import { homeQuery } from './homeQuery';
import { NoteButton } from './NoteButton';
import { useAtHand } from './useAtHand';

type Dog = Schemas['HomeDogDto'];

const AGAIN_MS = 60_000;

/** The keeper's first page: each dog as one large card with its one thing of today. */
export function HomePage() {
  usePageTitle('');
  const reachable = useReachable();
  const home = useQuery({ ...homeQuery, refetchInterval: AGAIN_MS });
  // Drawn bit by bit: a phone answers meanwhile.
  const [data, answeredAt] = [useDeferredValue(home.data), useDeferredValue(home.dataUpdatedAt)];
  if (!data) return <Waiting query={home} />;
  const { dogs, fitter, at } = data;
  return (
    <Box maxW="34rem" mx="auto">
      <Heading as="h1" srOnly>{t`My dogs`}</Heading>
      {!reachable && <Text mb="3" color="fg.muted">{t`As it was ${dateText(at, 'moment')}.`}</Text>}
      {dogs.length === 0 && (
        <Text fontSize="lg">{t`No dog is given to this phone just now. Ask your fitter for a code.`}</Text>
      )}
      {dogs.map((dog) => (
        <DogCard key={dog.id} dog={dog} answeredAt={answeredAt} />
      ))}
      <Calls
        calls={[[t`Your fitter`, fitter], ...dogs.map((d): [string, Call] => [t`Clinic of ${d.name}`, d.clinic])]}
      />
    </Box>
  );
}

type Call = Schemas['CallDto'];

/** A dog's day as this phone knows it: what it told itself, and the server had not heard of when it answered, comes before the answer. */
function asTold(dog: Dog, { isOn, over, bad, weather }: ReturnType<typeof useUnheard>): Dog {
  if (bad)
    return {
      ...dog,
      ...unknown,
      thing: 'waitForFitter',
      title: t`⬣ It went badly: end here`,
      detail: '',
      wearOn: null,
      wearHeadline: t`Not now`,
    };
  if (isOn) return { ...dog, thing: 'watchTheWear', title: t`The muzzle is on`, detail: '' };
  const off = dog.thing === 'watchTheWear' ? { thing: 'rest' as const, title: t`Off, and noted.`, detail: '' } : {};
  return { ...dog, ...(over.length > 0 && { ...off, wearOn: null }), ...(weather && unknown) };
}

/** No number is better than one of before. */
const unknown = {
  wearSeconds: 0,
  wearHeadline: t`Not known just now`,
  wearWhy: t`How long it may be worn is known again once the server has heard of it`,
};

function DogCard({ dog: answered, answeredAt }: { dog: Dog; answeredAt: number }) {
  const unheard = useUnheard(answered.id, answeredAt);
  const dog = asTold(answered, unheard);
  const settled = useAtHand(dog.id);
  usePadReady(dog.id, settled && (dog.thing === 'train' || dog.thing === 'goOn'));
  const stop = dog.wearSeconds === 0;
  return (
    <Box as="section" aria-label={dog.name} mb="8" pb="6" borderBottomWidth="2px" borderColor="border">
      <Flex align="center" gap="4">
        <Head portrait={dog.portrait} size={84} />
        <Heading as="h2" size="4xl" lineHeight="1" overflowWrap="anywhere">
          {dog.name}
        </Heading>
      </Flex>
      {dog.wearOn && <OnNow card={dog} on={dog.wearOn} />}
      <Text mt="3" fontFamily="heading" fontWeight="750" fontSize="3xl" lineHeight="1.1">
        {dog.title}
      </Text>
      <Text fontSize="lg" mt="1">
        {dog.detail}
      </Text>
      <Do dog={dog} bad={unheard.bad} />
      <Flex
        mt="5"
        gap="3"
        borderInlineStartWidth="4px"
        borderColor={stop ? 'stop' : 'accent'}
        ps="3"
        direction="column"
        role="group"
        aria-label={t`How long it may be worn`}
      >
        <Box>
          <Text fontSize="xl" fontWeight="700" color={stop ? 'stop' : 'fg'}>
            {stop && <span aria-hidden="true">⬣ </span>}
            {dog.wearHeadline}
          </Text>
          {unheard.over.length > 0 && !unheard.bad && (
            <Text>{t`As it was before its last wear, which the server has not heard of.`}</Text>
          )}
          {dog.wearWhy && <Text>{dog.wearWhy}.</Text>}
          {dog.muzzle && <Text color="fg.muted">{[dog.muzzle, dog.strap].filter(Boolean).join(', ')}</Text>}
        </Box>
      </Flex>
      {dog.visit && (
        <Text mt="4">
          {t`Next visit:`} <b>{dog.visit}</b>
        </Text>
      )}
      <Flex mt="4" gap="2" wrap="wrap" as="nav" aria-label={t`More of ${dog.name}`}>
        <To dog={dog} path="wear">{t`Wear`}</To>
        <To dog={dog} path="wear/treats">{t`Treats`}</To>
        <To dog={dog} path="card">{t`Card`}</To>
        <To dog={dog} path="plan">{t`Plan`}</To>
        <To dog={dog} path="notes">
          {dog.unread > 0 ? t`Notes: ${dog.unread} new` : t`Notes`}
        </To>
        <NoteButton dogId={dog.id} about="/" />
      </Flex>
    </Box>
  );
}

function To({ dog, path, children }: { dog: Dog; path: string; children: string }) {
  return (
    <Button asChild variant="outline" borderColor="border.strong" minH="11">
      <RouterLink to={`/dogs/${dog.id}/${path}`}>{children}</RouterLink>
    </Button>
  );
}

/** The one thing, under the thumb. */
function Do({ dog, bad }: { dog: Dog; bad: boolean }) {
  const start = useStartSession(dog.id);
  if (!bad && (dog.thing === 'rest' || dog.thing === 'waitForFitter')) return null;
  const button = { size: 'xl', h: '16', w: 'full', mt: '4', fontSize: 'xl', colorPalette: 'marigold' } as const;
  return dog.thing === 'train' || dog.thing === 'goOn' ? (
    <Button {...button} loading={start.isPending} onClick={() => start.mutate()}>
      {dog.thing === 'goOn' ? t`Go on` : t`Train`}
    </Button>
  ) : (
    <Button {...button} asChild>
      <RouterLink to={`/dogs/${dog.id}/wear`}>
        {bad ? t`What to do now` : dog.thing === 'watchTheWear' ? t`See the clock` : t`Put the muzzle on`}
      </RouterLink>
    </Button>
  );
}

/** Whom to ring, one tap away. */
function Calls({ calls }: { calls: [string, Call][] }) {
  const known = calls.filter(([, call]) => call.phone);
  if (known.length === 0) return null;
  return (
    <Box as="section" aria-label={t`Whom to call`}>
      <Heading as="h2" size="lg">{t`Whom to call`}</Heading>
      {known.map(([label, { who, phone }]) => (
        <Flex key={label} py="2" gap="3" wrap="wrap" align="baseline">
          <Text flex="1" minW="10rem">
            {[label, who].filter(Boolean).join(': ')}
          </Text>
          <Link href={`tel:${(phone ?? '').replace(/[^+0-9]/g, '')}`} fontWeight="700" textDecoration="underline">
            {phone}
          </Link>
        </Flex>
      ))}
    </Box>
  );
}
