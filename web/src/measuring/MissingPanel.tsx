import { Box, Button, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../shared/api';
import { entries, useWords, sideWord } from '../shared/words';
import type { Bench } from './useBench';

/** What is still wanting for each use, and the way on. */
export function MissingPanel({ bench, dogId }: { bench: Bench; dogId: string }) {
  const ready = bench.isReady;
  const name = (m: Schemas['MissingMeasure']) =>
    (bench.guides.find((g) => g.measure === m.measure)?.name ?? m.measure).toLowerCase() +
    (m.side ? ` ${sideWord[m.side]}` : '');
  const names = (wanting: Schemas['MissingMeasure'][], why: string) =>
    wanting
      .filter((m) => m.neededFor === why)
      .map(name)
      .join(t` and `);
  return (
    <Box as="section" mt="4" aria-label={t`What is still wanting`}>
      {entries(useWords).map(([use, title]) => {
        const wanting = bench.missing.filter((m) => m.use === use);
        const reasons = [...new Set(wanting.map((m) => m.neededFor))];
        return (
          <Text key={use}>
            <b>{title}:</b>{' '}
            {wanting.length === 0
              ? t`✓ everything is read.`
              : `${reasons.map((why) => t`${names(wanting, why)}, for ${why}`).join('; ')}.`}
          </Text>
        );
      })}
      {bench.canFit && (
        <Button
          asChild
          mt="3"
          colorPalette={ready ? 'marigold' : 'spruce'}
          variant={ready ? 'solid' : 'outline'}
          borderColor="border.strong"
        >
          <RouterLink to={`/dogs/${dogId}/fit`}>
            {ready ? t`Choose a muzzle` : t`Look at muzzles with what there is`}
          </RouterLink>
        </Button>
      )}
    </Box>
  );
}
