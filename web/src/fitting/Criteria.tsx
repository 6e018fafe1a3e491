import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { memo } from 'react';
import type { Schemas } from '../shared/api';
import { VerdictMark } from '../shared/Mark';
import { lengthText, useUnit } from '../shared/units';
import { Why } from '../shared/Why';
import { verdictWords } from '../shared/words';
import { chanceText } from './chance';
import { ReadIt } from './ReadIt';

type Criterion = Schemas['CriterionDto'];

/** Every criterion with its verdict, its margin, its chance and the sentence that says why; wishes after what has to hold. */
export const Criteria = memo(function Criteria({ fit }: { fit: Schemas['FitDto'] }) {
  const wishes = fit.criteria.filter((c) => c.soft);
  return (
    <Box mt="4">
      <ul>
        {fit.criteria
          .filter((c) => !c.soft)
          .map((c, i) => (
            <Row key={c.name + i} criterion={c} />
          ))}
        {fit.notChecked.map((n) => (
          <Flex
            as="li"
            key={n.name}
            gap="3"
            py="2"
            borderTopWidth="1px"
            borderColor="border"
            wrap={{ base: 'wrap', md: 'nowrap' }}
          >
            <Text w="8.4rem" flexShrink="0" fontWeight="700">
              {n.word}
            </Text>
            <Text flex="1" minW="min(14rem, 100%)">
              {t`Not checked: ${n.reason}`} {n.wants && <ReadIt measure={n.wants} />}
            </Text>
          </Flex>
        ))}
      </ul>
      {wishes.length > 0 && (
        <>
          <Heading as="h3" size="md" mt="4">{t`Wishes`}</Heading>
          <ul>
            {wishes.map((c, i) => (
              <Row key={c.name + i} criterion={c} />
            ))}
          </ul>
        </>
      )}
    </Box>
  );
});

function Row({ criterion: c }: { criterion: Criterion }) {
  const { unit } = useUnit();
  const word = c.soft
    ? c.verdict === 'fits'
      ? t`Met`
      : t`Not met`
    : c.outcome === 'warning' || c.outcome === 'overruled'
      ? t`Warning`
      : verdictWords[c.verdict];
  return (
    <Flex
      as="li"
      gap="3"
      py="2"
      align="start"
      borderTopWidth="1px"
      borderColor="border"
      wrap={{ base: 'wrap', md: 'nowrap' }}
    >
      <Flex w="8.4rem" flexShrink="0" gap="2" align="center">
        <VerdictMark verdict={c.verdict} />
        <Box>
          <Text fontWeight="700" lineHeight="1.15">
            {c.word}
          </Text>
          <Text fontSize="sm" lineHeight="1.15" color={c.verdict === 'out' ? 'stop' : 'fg.muted'}>
            {word}
          </Text>
        </Box>
      </Flex>
      {!c.soft && (
        <Box w="6rem" flexShrink="0" textAlign="end" lineHeight="1.2" whiteSpace="nowrap">
          <Text fontSize="xl" fontWeight="700" color={c.verdict === 'out' ? 'stop' : 'fg'}>
            {c.marginMm === null
              ? c.verdict === 'out'
                ? t`no`
                : '△'
              : `${c.marginMm >= 0 ? '+' : ''}${lengthText(c.marginMm, unit)}`}
          </Text>
          {c.chance !== null && (
            <Text fontSize="sm" color="fg.muted">
              {chanceText(c.chance)}
            </Text>
          )}
        </Box>
      )}
      <Text flex="1" minW="min(14rem, 100%)">
        {c.reason}
      </Text>
      <Why basis={c.basis} about={c.word} />
    </Flex>
  );
}
