import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useWaysOfWorking } from './useOutlook';

/** What to do with a dog that has had too much, said when it is needed and not before. */
export function StopPanel({
  over,
  busy,
  onEnd,
  onBack,
}: {
  /** A sign over threshold was tapped: there is no way back to the set. */
  over: boolean;
  busy: boolean;
  onEnd: () => void;
  onBack: () => void;
}) {
  const ways = useWaysOfWorking(true);
  return (
    <Box role="alert" bg="brick.solid" color="brick.contrast" borderRadius="md" p="4" mt="2">
      <Heading as="h2" size="xl">
        {over ? t`Over threshold: end now` : t`Stop`}
      </Heading>
      <Box as="ol" mt="2" ps="5" listStyleType="decimal">
        {ways.data?.whenOver.map((says) => (
          <li key={says}>{says}</li>
        ))}
      </Box>
      <Flex gap="3" mt="3" wrap="wrap">
        <Button size="lg" h="14" colorPalette="marigold" loading={busy} onClick={onEnd}>{t`End it here`}</Button>
        {!over && (
          <Button size="lg" h="14" variant="plain" color="brick.contrast" onClick={onBack}>{t`Back to the set`}</Button>
        )}
      </Flex>
      {!over && (
        <Text mt="2">{t`Tap what it showed among the signs first, so that the next session begins where it is easy.`}</Text>
      )}
    </Box>
  );
}
