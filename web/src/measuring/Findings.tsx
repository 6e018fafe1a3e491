import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';
import { Why } from '../shared/Why';

/** What does not add up, and which reading to take again. */
export function Findings({
  findings,
  onRetake,
  onHeld,
}: {
  findings: Schemas['FindingDto'][];
  onRetake: (measure: Schemas['Measure']) => void;
  onHeld: (how: Schemas['JawHeld']) => void;
}) {
  if (findings.length === 0) return null;
  return (
    <Box as="section" mt="4" aria-label={t`Cross-checks`}>
      <Heading as="h2" size="lg">{t`Worth a second look`}</Heading>
      <ul>
        {findings.map((f) => (
          <Flex as="li" key={f.code + f.message} gap="3" py="2" align="start" wrap={{ base: 'wrap', md: 'nowrap' }}>
            <Box
              as="span"
              fontWeight="700"
              flexShrink="0"
              borderWidth="1.5px"
              borderColor={f.severity === 'check' ? 'stop' : 'border.strong'}
              color={f.severity === 'check' ? 'stop' : 'fg'}
              px="1.5"
              borderRadius="sm"
              fontSize="sm"
            >
              {f.severity === 'check' ? t`△ Check` : t`○ Note`}
            </Box>
            <Box flex="1 1 12rem" minW="0">
              <Text>{f.message}</Text>
              <Flex align="center" gap="2">
                <Text fontWeight="700">{f.retake}</Text>
                <Why basis={f.basis} about={f.message} />
              </Flex>
              <HowHeld finding={f} onHeld={onHeld} />
            </Box>
            {f.measures[0] && (
              <Button
                size="sm"
                variant="outline"
                borderColor="border.strong"
                onClick={() => f.measures[0] && onRetake(f.measures[0])}
                aria-label={t`Take again: ${f.retake}`}
              >{t`Take again`}</Button>
            )}
          </Flex>
        ))}
      </ul>
    </Box>
  );
}

/** Two taps for what the numbers cannot tell: how the jaw to nose was held. */
export function HowHeld({
  finding,
  onHeld,
}: {
  finding: Schemas['FindingDto'];
  onHeld: (how: Schemas['JawHeld']) => void;
}) {
  if (finding.code !== 'jaw-held' && finding.code !== 'jaw-point-to-point') return null;
  return (
    <Flex gap="2" mt="1" wrap="wrap" role="group" aria-label={t`How was it held?`}>
      <Button
        size="sm"
        variant="outline"
        borderColor="border.strong"
        onClick={() => onHeld('level')}
      >{t`Level`}</Button>
      <Button
        size="sm"
        variant="outline"
        borderColor="border.strong"
        onClick={() => onHeld('pointToPoint')}
      >{t`Point to point`}</Button>
    </Flex>
  );
}
