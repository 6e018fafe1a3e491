import { Box, Flex, Text } from '@chakra-ui/react';
import type { Schemas } from '../shared/api';

const titles: Record<Schemas['DecisionKind'], string> = {
  endNow: 'End now',
  back: 'A step easier',
  same: 'The same again',
  raise: 'On to the next target',
  passed: 'Step passed',
  goOn: 'Not clear yet',
};

/** What the rule made of the set just finished, and why. */
export function DecisionBox({ set, ended }: { set: Schemas['SetDto']; ended: boolean }) {
  if (!set.decision) return null;
  const harm = set.decision === 'endNow';
  return (
    <Box role="status" my="3" borderLeftWidth="5px" borderColor={harm ? 'stop' : 'accent'} ps="4" py="1">
      <Flex align="baseline" gap="3" wrap="wrap">
        <Text fontFamily="heading" fontWeight="750" fontSize="2xl" lineHeight="1.2" color={harm ? 'stop' : 'fg'}>
          {titles[set.decision]}
        </Text>
        {ended && set.decision !== 'endNow' && <Text>Enough for this session.</Text>}
      </Flex>
      <Text>{set.reason}</Text>
      {set.ifStuck && <Text>If stuck: {set.ifStuck}</Text>}
      <Text fontSize="sm" color="fg.muted">
        {set.basis}
      </Text>
    </Box>
  );
}
