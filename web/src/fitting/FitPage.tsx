import { Box, Button, Flex, Grid, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Fragment, useRef, useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { fieldOf, useThisDog } from '../shared/dog';
import { useUnit } from '../shared/units';
import { Waiting } from '../shared/Waiting';
import { Brief } from './Brief';
import { FitList } from './FitList';
import { MuzzleDetail } from './MuzzleDetail';
import { noQuestion, useFetchAhead, useFits, type Filters } from './useFits';

/** From measurements to the right muzzle: the brief, the ranked catalogue, and the one in hand drawn over the snout. */
export function FitPage() {
  const card = useThisDog();
  const { unit } = useUnit();
  const [question, setQuestion] = useState(noQuestion);
  const [filters, setFilters] = useState<Filters>({ inVan: false, mostPrice: null, by: null });
  const [picked, setPicked] = useState<string | null>(null);
  const list = useRef<HTMLDivElement>(null);
  const hand = useRef<HTMLDivElement>(null);
  const fits = useFits(card.dog.id, question, filters, unit);
  const fetchAhead = useFetchAhead(card.dog.id, question, unit);
  if (!fits.data) return <Waiting query={fits} />;
  const to = (room: string, label: string) => <Way to={`/dogs/${card.dog.id}/${room}`}>{label}</Way>;
  const pick = (sizeId: string) => {
    setPicked(sizeId);
    // Where list and drawing stand one below the other, what was picked is brought into view.
    if (hand.current && hand.current.getBoundingClientRect().top > 0.75 * window.innerHeight)
      hand.current.scrollIntoView({ block: 'start' });
  };
  const measured = fits.data.snout.length > 0;
  const inHand = picked ?? card.choice?.sizeId ?? fits.data.fits[0]?.sizeId;
  return (
    <Flex direction="column" gap="6">
      <Flex gap="5" wrap="wrap" fontSize="sm">
        {to('fit/try', t`Try it on`)}
        {to('fit/order', t`Order sheet for one made to measure`)}
        {to('fit/earlier', t`Chosen earlier`)}
      </Flex>
      <Brief fits={fits.data} card={card} question={question} onChange={setQuestion} />
      {measured ? (
        <Grid
          templateColumns={{ base: '1fr', lg: '21rem minmax(0, 1fr)' }}
          gap={{ base: 6, lg: 10 }}
          alignItems="start"
        >
          <Box
            ref={list}
            position={{ lg: 'sticky' }}
            top="4"
            maxH={{ lg: 'calc(100vh - 2rem)' }}
            overflowY={{ lg: 'auto' }}
          >
            <FitList
              fits={fits.data}
              inHand={inHand ?? ''}
              chosen={card.choice?.sizeId ?? null}
              filters={filters}
              onFilter={setFilters}
              onPick={pick}
              onNear={fetchAhead}
            />
          </Box>
          {inHand && (
            <Box ref={hand} minW="0">
              <Button
                display={{ lg: 'none' }}
                size="sm"
                variant="outline"
                borderColor="border.strong"
                mb="2"
                onClick={() => list.current?.scrollIntoView({ block: 'start' })}
              >{t`↑ Back to the list`}</Button>
              <MuzzleDetail card={card} sizeId={inHand} question={question} fits={fits.data} onPick={pick} />
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
    </Flex>
  );
}

function Way({ to, children }: { to: string; children: string }) {
  return (
    <Link asChild textDecoration="underline" color="fg">
      <RouterLink to={to}>{children}</RouterLink>
    </Link>
  );
}
