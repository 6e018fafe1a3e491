import { Box, Flex, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { CardView } from '../handover/CardView';
import { useCard } from '../handover/useHandover';
import { useThisDog } from '../shared/dog';
import { Waiting } from '../shared/Waiting';

/** The family's card, to be shown or printed. */
export function HomeCard() {
  const { dog } = useThisDog();
  const card = useCard(dog.id, 'family');
  if (!card.data) return <Waiting query={card} />;
  return (
    <Box maxW="52rem">
      <CardView card={card.data} level="h2" />
      <Flex mt="5" gap="4" wrap="wrap">
        <Link href={`/api/dogs/${dog.id}/card.pdf?for=family`} target="_blank" textDecoration="underline">
          {t`Print it`}
        </Link>
        <Link href={`/api/dogs/${dog.id}/calendar.ics`} textDecoration="underline">{t`Its days for a calendar`}</Link>
      </Flex>
      <Text mt="3" color="fg.muted">{t`It is made of what is on record now; an old print is worse than none.`}</Text>
    </Box>
  );
}
