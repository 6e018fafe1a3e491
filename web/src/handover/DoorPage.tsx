import { Box, Flex, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Link as RouterLink, useParams } from 'react-router';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { CardView } from './CardView';
import { Head } from '../shared/Head';
import { audienceWords, isAudience, useCard, type Audience } from './useHandover';

/** A card by itself, to be read in ten seconds at a door. */
export function DoorPage() {
  const { dogId = '', audience } = useParams();
  return isAudience(audience) ? <Door dogId={dogId} audience={audience} /> : <Text>{t`There is no such card.`}</Text>;
}

function Door({ dogId, audience }: { dogId: string; audience: Audience }) {
  const card = useCard(dogId, audience);
  usePageTitle(card.data ? `${card.data.dog}, ${audienceWords[audience]}` : '');
  if (!card.data) return <Waiting query={card} />;
  return (
    <Box maxW="52rem">
      <Flex align="center" columnGap="3" wrap="wrap" mb="1">
        <Head portrait={card.data.portrait} size={56} />
        <Text fontFamily="heading" fontWeight="750" fontSize="2xl" lineHeight="1">
          {card.data.dog}
        </Text>
        <Text color="fg.muted">{[card.data.breeds, card.data.title].join(' · ')}</Text>
        <Link asChild ms="auto" textDecoration="underline" className="no-print">
          <RouterLink to={`/dogs/${dogId}/card?for=${audience}`}>{t`Back`}</RouterLink>
        </Link>
      </Flex>
      <CardView card={card.data} level="h1" />
    </Box>
  );
}
