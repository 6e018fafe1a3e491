import { Box } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../shared/api';
import { Portrait } from '../shared/Enamel';
import { stepDrawingQuery } from './tables';

/** Where things are in a step: the dog itself, thing, hands and treat. */
export function StepSketch({ dogId, step }: { dogId: string; step: Schemas['StepDto'] }) {
  const { data: drawn, fetchStatus } = useQuery(stepDrawingQuery(dogId, step.id));
  return (
    <Box as="figure" my="3" maxW="24rem">
      {/* Its place is kept while it comes; where it does not, there is none. */}
      <Box h={drawn || fetchStatus === 'fetching' ? '12rem' : undefined}>
        {drawn && (
          <svg
            viewBox={`-4 -4 ${drawn.width + 8} ${drawn.height + 8}`}
            width="100%"
            height="100%"
            preserveAspectRatio="xMinYMid"
            role="img"
            aria-label={step.shows ?? step.setUp}
          >
            <Portrait portrait={drawn} fades />
          </svg>
        )}
      </Box>
      {step.shows && (
        <Box as="figcaption" fontSize="sm" color="fg.muted" aria-hidden="true">
          {step.shows}
        </Box>
      )}
    </Box>
  );
}
