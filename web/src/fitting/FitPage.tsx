import { Box, Button, Flex, Grid, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Fragment, Suspense, useDeferredValue, useEffect, useState, type ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';
import { fieldOf, useThisDog } from '../shared/dog';
import { late } from '../shared/late';
import { useUnit } from '../shared/units';
import { loadCalmly, useCalm } from '../shared/useCalm';
import { Behind, Waiting } from '../shared/Waiting';
import { Brief } from './Brief';
import { MuzzleDetail } from './MuzzleDetail';
import { inHandAtFirst, noFilters, noQuestion, useFetchAhead, useFits } from './useFits';
import { useIsWide } from './useIsWide';

export { askForFits } from './useFits';

const FitList = late(() => import('./FitList').then((m) => m.FitList));

/** From measurements to the right muzzle: the brief, the ranked catalogue, and the one in hand drawn over the snout. */
export function FitPage() {
  const card = useThisDog();
  const { unit } = useUnit();
  const [question, setQuestion] = useState(noQuestion);
  const [filters, setFilters] = useState(noFilters);
  const [picked, setPicked] = useState<string | null>(null);
  // On a phone the one in hand and the list change places; side by side elsewhere.
  const [shows, setShows] = useState<'hand' | 'list'>('hand');
  const isWide = useIsWide();
  const [allOut, setAllOut] = useState(false);
  const fits = useFits(card.dog.id, question, filters, unit, allOut);
  // First drawn in small pieces, so that a tap meanwhile is answered.
  const there = useDeferredValue(fits.data !== undefined);
  const fetchAhead = useFetchAhead(card.dog.id, question, unit);
  // What is folded, and the list on a phone, are at hand by the time somebody asks for them, the server there or not.
  const calm = useCalm(there);
  useEffect(() => {
    if (calm)
      void loadCalmly(
        () => import('./FitList'),
        () => import('./Needs'),
        () => import('./JudgedFor'),
      );
  }, [calm]);
  if (!there || !fits.data) return <Waiting query={fits} />;
  const to = (room: string, label: string) => <Way to={`/dogs/${card.dog.id}/${room}`}>{label}</Way>;
  const pick = (sizeId: string) => {
    setPicked(sizeId);
    setShows('hand');
  };
  const measured = fits.data.snout.length > 0;
  const brief = <Brief fits={fits.data} card={card} question={question} onChange={setQuestion} />;
  const inHand = picked ?? inHandAtFirst(card, fits.data);
  return (
    <Flex direction="column" gap="4" mt="-2">
      {(isWide || !inHand) && brief}
      <Behind query={fits} />
      {measured ? (
        <Grid
          templateColumns={{ base: '1fr', lg: '21rem minmax(0, 1fr)' }}
          gap={{ base: 3, lg: 10 }}
          alignItems="start"
        >
          <Flex display={{ base: 'flex', lg: 'none' }} role="group" aria-label={t`Show`}>
            <Shows on={shows === 'hand'} onClick={() => setShows('hand')}>{t`In hand`}</Shows>
            <Shows
              on={shows === 'list'}
              onClick={() => setShows('list')}
            >{t`The list: ${fits.data.fits.filter((f) => f.group === 'fits').length} fit`}</Shows>
          </Flex>
          {(isWide || shows === 'list') && (
            <Box
              minW="0"
              position={{ lg: 'sticky' }}
              top="4"
              maxH={{ lg: 'calc(100vh - 2rem)' }}
              overflowY={{ lg: 'auto' }}
            >
              {!isWide && inHand && <Box mb="4">{brief}</Box>}
              <Suspense fallback={<Text color="fg.muted">{t`One moment…`}</Text>}>
                <FitList
                  fits={fits.data}
                  inHand={inHand ?? ''}
                  chosen={card.choice?.sizeId ?? null}
                  filters={filters}
                  onFilter={setFilters}
                  onOut={() => setAllOut(true)}
                  onPick={pick}
                  onNear={fetchAhead}
                />
              </Suspense>
            </Box>
          )}
          {inHand && (
            <Box display={{ base: shows === 'hand' ? 'block' : 'none', lg: 'block' }} minW="0">
              <MuzzleDetail
                card={card}
                sizeId={inHand}
                question={question}
                fits={fits.data}
                brief={!isWide && shows === 'hand' && brief}
                onPick={pick}
              />
            </Box>
          )}
        </Grid>
      ) : (
        <Text fontSize="lg">
          {t`A muzzle is chosen from measurements, not by trying it on. First comes:`}{' '}
          {fits.data.missing
            .filter((m) => m.blocking)
            .map((m, i) => (
              <Fragment key={m.measure + (m.side ?? '')}>
                {i > 0 && t` and `}
                <Way to={fieldOf(card.dog.id, m)}>{m.name}</Way>
              </Fragment>
            ))}
          .
        </Text>
      )}
      <Flex gap="5" wrap="wrap" fontSize="sm">
        {to('fit/try', t`Try it on`)}
        {to('fit/order', t`Order sheet for one made to measure`)}
        {to('fit/earlier', t`Chosen earlier`)}
      </Flex>
    </Flex>
  );
}

function Shows({ on, onClick, children }: { on: boolean; onClick: () => void; children: ReactNode }) {
  return (
    <Button
      flex="1"
      minH="11"
      borderRadius="0"
      variant={on ? 'solid' : 'outline'}
      borderColor="border.strong"
      aria-pressed={on}
      onClick={onClick}
    >
      {children}
    </Button>
  );
}

function Way({ to, children }: { to: string; children: string }) {
  return (
    <Link asChild textDecoration="underline" color="fg">
      <RouterLink to={to}>{children}</RouterLink>
    </Link>
  );
}
