import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { memo, Suspense, useDeferredValue, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link as RouterLink, useNavigate } from 'react-router';
import { useRestore } from '../dogs/useArchive';
import { BackupOld } from '../handover/BackupOld';
import type { Schemas } from '../shared/api';
import { Group } from '../shared/Group';
import { Badge, phases, RimQuarter } from '../shared/Badge';
import { Key } from '../shared/Mark';
import { fromDevice, keepOnDevice } from '../shared/saving/device';
import { useDecides } from '../shared/me';
import { Parts } from '../shared/Parts';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { late } from '../shared/late';
import { phaseWords, purposeWords, roundGroupWords } from '../shared/words';
import { NextButton } from '../dogs/NextButton';
import styles from './round.module.css';
import { OnNow } from './OnNow';
import { useRound, type RoundOrder } from './useRound';

type Card = Schemas['RoundCardDto'];

const ORDER = 'jaunty-badge.round-order';

const Beginning = late(() => import('../handover/Beginning').then((m) => m.Beginning));
const Stops = late(() => import('./Stops').then((m) => m.Stops));

/** Today at a glance: every dog with its badge and the one thing that is next. */
export function RoundPage() {
  usePageTitle('');
  const [archived, setArchived] = useState(false);
  const [search, setSearch] = useState('');
  const [by, setBy] = useRoundOrder();
  const decides = useDecides();
  const round = useRound(archived, search.trim(), by);
  // A long list comes up bit by bit, so that a tap or a key never waits for it.
  const list = useDeferredValue(useMemo(() => ({ data: round.data, by, archived }), [round.data, by, archived]));
  const go = useNavigate();
  useHotkeys('n', () => void go('/dogs/new'));
  const cards = list.data?.pages.flatMap((page) => page.cards) ?? [];
  const first = list.data?.pages[0];

  return (
    <Box maxW="76rem" mx="auto">
      <Flex align="end" wrap="wrap" gap="4" mt={{ lg: -2 }} mb={{ base: 3, lg: 1 }}>
        <Box flex="1" minW="16rem" display={{ lg: 'flex' }} alignItems="baseline" gap="3">
          <Heading as="h1" size="4xl" lineHeight="1.1">
            {archived ? t`Archived dogs` : t`The round`}
          </Heading>
          <Text color="fg.muted">{first?.day ?? ' '}</Text>
        </Box>
        {first?.all !== 0 && <Search text={search} onChange={setSearch} />}
        <Button asChild _print={{ display: 'none' }}>
          <RouterLink to="/dogs/new">
            <Trans>
              New dog <Key>n</Key>
            </Trans>
          </RouterLink>
        </Button>
      </Flex>
      <Flex gap={{ base: 3, md: 5 }} wrap="wrap" mb={{ base: 6, lg: 1 }} fontSize="sm" _print={{ display: 'none' }}>
        {!archived && (
          <Quiet onClick={() => setBy(by === 'stops' ? 'pressing' : 'stops')}>
            {by === 'stops' ? t`What cannot wait first` : t`In the order of my stops`}
          </Quiet>
        )}
        <RouterLink to="/training">{t`How training stands`}</RouterLink>
        {!archived && <Quiet onClick={() => window.print()}>{t`Print the day`}</Quiet>}
        <Quiet onClick={() => setArchived(!archived)}>{archived ? t`Back to the round` : t`Archived dogs`}</Quiet>
        {cards.length > 0 && <Rim />}
      </Flex>
      {!archived && <Parts at="round" />}
      {!archived && decides && <BackupOld />}
      {!first ? (
        <Waiting query={round} />
      ) : first.all === 0 ? (
        list.archived ? (
          <Text fontSize="lg">{t`No dog is archived.`}</Text>
        ) : (
          <Suspense>
            <Beginning />
          </Suspense>
        )
      ) : (
        <>
          <Text role="status" srOnly={search === ''} mb="4" color="fg.muted">
            {search === '' ? '' : first.total === 0 ? t`No dog found.` : t`${first.total} of ${first.all} dogs`}
          </Text>
          {list.archived ? (
            <Archived cards={cards} />
          ) : list.by === 'stops' ? (
            <Suspense>
              <Stops cards={cards} row={(card) => <Row key={card.id} card={card} />} />
            </Suspense>
          ) : (
            first.groups.map(({ group, count }) => {
              const rows = cards
                .filter((card) => card.group === group)
                .map((card) => <Row key={card.id} card={card} />);
              return (
                rows.length > 0 && (
                  <Group key={group} name={roundGroupWords[group]} count={count}>
                    {rows}
                  </Group>
                )
              );
            })
          )}
          {round.hasNextPage && (
            <More
              left={first.total - cards.length}
              loading={round.isFetchingNextPage}
              onMore={() => void round.fetchNextPage()}
            />
          )}
        </>
      )}
    </Box>
  );
}

/** Something to press that stands back behind the dogs. */
const Quiet = ({ onClick, children }: { onClick: () => void; children: ReactNode }) => (
  <button type="button" className={styles.quiet} onClick={onClick}>
    {children}
  </button>
);

/** Finds dogs as one types. */
function Search({ text, onChange }: { text: string; onChange: (text: string) => void }) {
  const field = useRef<HTMLInputElement>(null);
  useHotkeys('slash', (event) => {
    event.preventDefault();
    field.current?.focus();
  });
  return (
    <Flex as="label" align="center" gap="2" w={{ base: 'full', md: '19rem' }} _print={{ display: 'none' }}>
      <Input
        ref={field}
        type="search"
        size="sm"
        aria-label={t`Find a dog`}
        placeholder={t`Name, keeper, place or breed`}
        borderColor="border.strong"
        value={text}
        onChange={(event) => onChange(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && onChange('')}
      />
      <Key>/</Key>
    </Flex>
  );
}

/** What comes next as one scrolls; a button for whoever does not. */
function More({ left, loading, onMore }: { left: number; loading: boolean; onMore: () => void }) {
  const here = useRef<HTMLDivElement>(null);
  const more = useRef(onMore);
  useEffect(() => {
    more.current = onMore;
  });
  useEffect(() => {
    const watch = new IntersectionObserver(([seen]) => seen?.isIntersecting && more.current(), { rootMargin: '600px' });
    if (here.current) watch.observe(here.current);
    return () => watch.disconnect();
  }, [left]);
  return (
    <Box ref={here} textAlign="center" py="4">
      <Button
        variant="outline"
        borderColor="border.strong"
        size="sm"
        loading={loading}
        onClick={onMore}
      >{t`${left} more`}</Button>
    </Box>
  );
}

/** How the round is sorted, remembered on this device. */
function useRoundOrder() {
  const [by, setState] = useState<RoundOrder>(() => fromDevice<RoundOrder>(ORDER) ?? 'pressing');
  const setBy = (next: RoundOrder) => {
    keepOnDevice(ORDER, next);
    setState(next);
  };
  return [by, setBy] as const;
}

/** What the four quarters of a badge's rim say, once, above the first of them. */
const Rim = () => (
  <Flex gap="3" wrap="wrap" ms={{ xl: 'auto' }} color="fg.muted">
    {t`The rim fills as a dog is`}
    {phases.map((phase) => (
      <Flex as="span" key={phase} gap="1" align="center">
        <RimQuarter phase={phase} size={18} /> {phaseWords[phase]}
      </Flex>
    ))}
  </Flex>
);

const Row = memo(({ card }: { card: Card }) => (
  <li className={styles.row}>
    <Badge card={card} size={76} />
    <div className={styles.who}>
      <RouterLink className={styles.name} to={`/dogs/${card.id}`}>
        {card.name}
      </RouterLink>
      <p className={styles.muted}>
        {[card.breeds, card.keeper, card.place, card.purposes.map((p) => purposeWords[p].toLowerCase()).join(', ')]
          .filter(Boolean)
          .join(' · ')}
      </p>
    </div>
    <div className={styles.next}>
      {card.wearOn && <OnNow card={card} on={card.wearOn} />}
      {card.things.map((thing) => (
        <NextButton key={thing.matter + thing.title} dog={card} next={thing} openSessionId={card.openSessionId} />
      ))}
      {card.done.map((done) => (
        <p key={done} className={styles.done}>
          ✓ {done}
        </p>
      ))}
    </div>
  </li>
));
Row.displayName = t`Row`;

function Archived({ cards }: { cards: Card[] }) {
  const restore = useRestore();
  return (
    <ul>
      {cards.map((card) => (
        <Flex as="li" key={card.id} align="center" gap="4" py="3" borderBottomWidth="1px" borderColor="border">
          <Badge card={card} size={52} />
          <Text flex="1" fontFamily="heading" fontSize="xl">
            {card.name}
          </Text>
          <Button variant="outline" size="sm" onClick={() => void restore(card)}>{t`Put back on the round`}</Button>
        </Flex>
      ))}
    </ul>
  );
}
