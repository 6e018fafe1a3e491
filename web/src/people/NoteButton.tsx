import { Button } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Link as RouterLink } from 'react-router';

/** Writes to the fitter from wherever one is; where that was goes along. */
export const NoteButton = ({ dogId, about }: { dogId: string; about: string }) => (
  <Button asChild variant="outline" borderColor="border.strong" minH="11">
    <RouterLink to={`/dogs/${dogId}/notes?about=${encodeURIComponent(about)}`}>{t`Tell your fitter`}</RouterLink>
  </Button>
);
