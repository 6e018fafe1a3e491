import { Box, Button, Text } from '@chakra-ui/react';
import { Link as RouterLink } from 'react-router';
import { useStartSession } from '../conditioning/useSession';
import type { Schemas } from '../shared/api';

const rooms: Record<Exclude<Schemas['NextKind'], 'session'>, { path: string; does: string }> = {
  dog: { path: '', does: 'Open' },
  measure: { path: '/measure', does: 'Measure' },
  fit: { path: '/fit', does: 'Fit' },
  tryOn: { path: '/fit/try', does: 'Try on' },
  rest: { path: '/plan', does: 'See the plan' },
};

/** The one thing that is next for a dog, one click from doing it. */
export function NextButton({ card }: { card: Schemas['DogCardDto'] }) {
  const start = useStartSession(card.dog.id);
  const { kind, title, detail } = card.next;
  return (
    <Box display="flex" alignItems="center" gap="3" justifyContent="space-between">
      <Box minW="0">
        <Text fontWeight="700" lineHeight="1.25">
          {title}
        </Text>
        <Text fontSize="sm" color="fg.muted">
          {detail}
        </Text>
      </Box>
      {kind === 'session' ? (
        <Button
          colorPalette="marigold"
          loading={start.isPending}
          onClick={() => start.mutate()}
          aria-label={`${card.openSessionId ? 'Go on' : 'Train'}: ${card.dog.name}`}
        >
          {card.openSessionId ? 'Go on' : 'Train'}
        </Button>
      ) : (
        <Button asChild variant={kind === 'rest' ? 'ghost' : 'outline'} borderColor="border.strong">
          <RouterLink
            to={`/dogs/${card.dog.id}${rooms[kind].path}`}
            aria-label={`${rooms[kind].does}: ${card.dog.name}`}
          >
            {rooms[kind].does}
          </RouterLink>
        </Button>
      )}
    </Box>
  );
}
