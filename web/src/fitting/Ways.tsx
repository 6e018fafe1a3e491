import { Button } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../shared/api';
import { nameOf } from './facts';

/** What to do with the muzzle in hand: choose it, try it on, go on. */
export function Ways({
  card,
  fit,
  onChoose,
}: {
  card: Schemas['DogCardDto'];
  fit: Schemas['FitDto'];
  /** Nothing where it cannot be chosen just now. */
  onChoose?: (() => void) | undefined;
}) {
  const chosen = card.choice?.sizeId === fit.sizeId;
  return (
    <>
      <Button
        colorPalette={fit.needsNote ? 'brick' : 'marigold'}
        size="md"
        minH="11"
        disabled={chosen || !onChoose}
        onClick={onChoose}
      >
        {chosen ? t`Chosen` : fit.needsNote ? t`Keep it all the same` : t`Choose ${nameOf(fit)}`}
      </Button>
      <Button asChild variant="outline" size="md" minH="11" borderColor="border.strong">
        <RouterLink to={`/dogs/${card.dog.id}/fit/try?size=${fit.sizeId}`}>{t`Try it on`}</RouterLink>
      </Button>
      {chosen && (
        <Button asChild variant="outline" size="md" minH="11" borderColor="border.strong">
          <RouterLink to={`/dogs/${card.dog.id}/plan`}>{t`On to the plan`}</RouterLink>
        </Button>
      )}
    </>
  );
}
