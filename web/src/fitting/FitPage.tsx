import { Flex, Grid, Link, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { useThisDog } from '../dogs/useDog';
import { useUnit } from '../shared/units';
import { Waiting } from '../shared/Waiting';
import { Brief } from './Brief';
import { FitList } from './FitList';
import { InHand } from './InHand';
import { noQuestion, useFetchAhead, useFits, type Filters } from './useFits';

/** From measurements to the right muzzle: the brief, the ranked catalogue, and the one in hand drawn over the snout. */
export function FitPage() {
  const card = useThisDog();
  const { unit } = useUnit();
  const [question, setQuestion] = useState(noQuestion);
  const [filters, setFilters] = useState<Filters>({ inVan: false, mostPrice: null, by: null });
  const [picked, setPicked] = useState<string | null>(null);
  const fits = useFits(card.dog.id, question, filters, unit);
  const fetchAhead = useFetchAhead(card.dog.id, question, unit);
  if (!fits.data) return <Waiting query={fits} />;
  const to = (room: string, label: string) => (
    <Link asChild textDecoration="underline" color="fg">
      <RouterLink to={`/dogs/${card.dog.id}/${room}`}>{label}</RouterLink>
    </Link>
  );
  const measured = fits.data.snout.length > 0;
  const inHand = picked ?? card.choice?.sizeId ?? fits.data.fits[0]?.sizeId;
  return (
    <Flex direction="column" gap="6">
      <Flex gap="5" wrap="wrap" fontSize="sm">
        {to('fit/try', 'Try it on')}
        {to('fit/order', 'Order sheet for one made to measure')}
        {to('fit/earlier', 'Chosen earlier')}
      </Flex>
      <Brief fits={fits.data} card={card} question={question} onChange={setQuestion} />
      {measured ? (
        <Grid
          templateColumns={{ base: '1fr', lg: '21rem minmax(0, 1fr)' }}
          gap={{ base: 6, lg: 10 }}
          alignItems="start"
        >
          <FitList
            fits={fits.data}
            inHand={inHand ?? ''}
            chosen={card.choice?.sizeId ?? null}
            filters={filters}
            onFilter={setFilters}
            onPick={setPicked}
            onNear={fetchAhead}
          />
          {inHand && <InHand card={card} sizeId={inHand} question={question} fits={fits.data} onPick={setPicked} />}
        </Grid>
      ) : (
        <Text fontSize="lg">
          A muzzle is chosen from measurements, not by trying it on. Nose to inner eye comes first:{' '}
          {to('measure', 'to the bench')}.
        </Text>
      )}
    </Flex>
  );
}
