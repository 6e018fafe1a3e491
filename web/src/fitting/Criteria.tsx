import { Box, Flex, Text } from '@chakra-ui/react';
import type { Schemas } from '../shared/api';
import { VerdictMark } from '../shared/Mark';
import { lengthText, useUnit } from '../shared/units';
import { Why } from '../shared/Why';
import { criterionWords, verdictWords } from '../shared/words';

/** Every criterion with its verdict, its margin and the sentence that says why. */
export function Criteria({ fit }: { fit: Schemas['FitDto'] }) {
  const { unit } = useUnit();
  return (
    <Box as="ul" mt="4">
      {fit.criteria.map((c) => (
        <Flex as="li" key={c.name + c.reason} gap="3" py="2" align="start" borderTopWidth="1px" borderColor="border">
          <Flex w="8.4rem" flexShrink="0" gap="2" align="center">
            <VerdictMark verdict={c.verdict} />
            <Box>
              <Text fontWeight="700" lineHeight="1.15">
                {criterionWords[c.name]}
              </Text>
              <Text fontSize="sm" lineHeight="1.15" color={c.verdict === 'out' ? 'stop' : 'fg.muted'}>
                {c.name === 'shove' && c.verdict === 'marginal' ? 'Warning' : verdictWords[c.verdict]}
              </Text>
            </Box>
          </Flex>
          <Text
            w="5.2rem"
            flexShrink="0"
            textAlign="end"
            fontSize="xl"
            fontWeight="700"
            lineHeight="1.2"
            color={c.verdict === 'out' ? 'stop' : 'fg'}
            whiteSpace="nowrap"
          >
            {c.marginMm === null ? 'no' : `${c.marginMm >= 0 ? '+' : ''}${lengthText(c.marginMm, unit)}`}
          </Text>
          <Text flex="1">{c.reason}</Text>
          <Why basis={c.basis} about={criterionWords[c.name]} />
        </Flex>
      ))}
      {fit.notChecked.map((n) => (
        <Flex as="li" key={n.name} gap="3" py="2" borderTopWidth="1px" borderColor="border">
          <Text w="8.4rem" flexShrink="0" fontWeight="700">
            {criterionWords[n.name]}
          </Text>
          <Text flex="1">Not checked: {n.reason}</Text>
        </Flex>
      ))}
    </Box>
  );
}
