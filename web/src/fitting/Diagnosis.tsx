import { Box, Flex, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../shared/api';
import { useUnit } from '../shared/units';
import { Waiting } from '../shared/Waiting';
import { Why } from '../shared/Why';
import { remedyWords, verdictWords } from '../shared/words';
import { useDiagnosis } from './useTryOn';

/** The causes of a symptom, those the numbers speak for first, each with its remedies, the cheapest first. */
export function Diagnosis({ dogId, entry }: { dogId: string; entry: Schemas['DiagnoseEntry'] }) {
  const { unit } = useUnit();
  const diagnosis = useDiagnosis(dogId, entry, unit);
  if (!diagnosis.data) return <Waiting query={diagnosis} />;
  return (
    <Box
      as="ol"
      aria-label={t`Causes: ${diagnosis.data.symptom.says}`}
      mt="2"
      borderInlineStartWidth="4px"
      borderColor="accent"
      ps="3"
    >
      {diagnosis.data.causes.map(({ cause, likely, evidence, remedies }) => (
        <Box as="li" key={cause.id} py="2">
          <Flex gap="2" align="baseline">
            <Text fontSize="sm" fontWeight="700" w="5.4rem" flexShrink="0" color={likely === false ? 'fg.muted' : 'fg'}>
              {likely === null ? t`? look` : likely ? t`● likely` : t`○ unlikely`}
            </Text>
            <Text flex="1" fontWeight={likely === false ? '400' : '700'}>
              {cause.says} <Why basis={cause.basis} about={cause.says} />
            </Text>
          </Flex>
          <Text ps="5.9rem" fontSize="sm" color="fg.muted">
            {evidence}
          </Text>
          {likely !== false && (
            <Box as="ul" ps="5.9rem">
              {remedies.map((r) => (
                <li key={r.does}>
                  <b>{remedyWords[r.kind]}:</b> {r.does} {r.effect}{' '}
                  {r.sizeId && (
                    <Link asChild color="fg" textDecoration="underline">
                      <RouterLink
                        to={`/dogs/${dogId}/fit/try?size=${r.sizeId}`}
                      >{t`${r.after ? verdictWords[r.after].toLowerCase() : t`look`}: try that one`}</RouterLink>
                    </Link>
                  )}
                </li>
              ))}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}
