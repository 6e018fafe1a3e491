import { Box, Button, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Fragment } from 'react';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../shared/api';
import { fieldOf } from '../shared/dog';
import { entries, useWords } from '../shared/words';
import type { Bench } from './useBench';

/** What is still wanting for each use, and the way on. */
export function MissingPanel({ bench, dogId }: { bench: Bench; dogId: string }) {
  const ready = bench.isReady;
  const names = (wanting: Schemas['MissingMeasure'][], why: string) =>
    wanting
      .filter((m) => m.neededFor === why)
      .map((m, i) => (
        <Fragment key={m.name}>
          {i > 0 && t` and `}
          <Link asChild color="fg" textDecoration="underline">
            <RouterLink to={fieldOf(dogId, m)} replace>
              {m.name.charAt(0).toLowerCase() + m.name.slice(1)}
            </RouterLink>
          </Link>
        </Fragment>
      ));
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
              : reasons.map((why, i) => (
                  <Fragment key={why}>
                    {names(wanting, why)}
                    {t`, for ${why}`}
                    {i + 1 < reasons.length ? '; ' : '.'}
                  </Fragment>
                ))}
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
