import { Box } from '@chakra-ui/react';
import { useLocation } from 'react-router';
import type { PartOf } from '../shared/rooms';
import { NoteButton } from './NoteButton';

/** A note about what is on the screen. */
export function NoteHere({ dog }: PartOf) {
  const { pathname } = useLocation();
  if (!dog || pathname.endsWith('/notes')) return null;
  return (
    <Box mt="8" className="no-print">
      <NoteButton dogId={dog.id} about={pathname} />
    </Box>
  );
}
