import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { CardView } from '../handover/CardView';
import { Head } from '../shared/Head';
import { useCard } from '../handover/useHandover';
import { dateText } from '../shared/dates';
import { useMe } from '../shared/me';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';

/** A clinic's only page: the card of the dog it was given, until a day. */
export function ClinicPage() {
  const { me } = useMe();
  const [dog] = me?.dogs ?? [];
  usePageTitle(dog?.name ?? '');
  return dog ? <Card dogId={dog.id} until={dog.until} /> : <Text fontSize="lg">{t`This link has run out.`}</Text>;
}

function Card({ dogId, until }: { dogId: string; until: string | null }) {
  const card = useCard(dogId, 'clinic');
  if (!card.data) return <Waiting query={card} />;
  return (
    <Box maxW="52rem">
      <Flex align="center" columnGap="3" wrap="wrap" mb="1">
        <Head portrait={card.data.portrait} size={56} />
        <Heading as="h1" size="2xl">
          {card.data.dog}
        </Heading>
        <Text color="fg.muted">{card.data.breeds}</Text>
      </Flex>
      <CardView card={card.data} level="h2" />
      {until && <Text mt="3" color="fg.muted">{t`This page can be read until ${dateText(until, 'near')}.`}</Text>}
    </Box>
  );
}
