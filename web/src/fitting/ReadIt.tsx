import { Link } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../shared/api';
import { fieldOf, useThisDog } from '../shared/dog';

/** The way to the field of a measure. */
export function ReadIt({ measure, side = null }: { measure: Schemas['Measure']; side?: Schemas['Side'] | null }) {
  const { dog } = useThisDog();
  return (
    <Link asChild color="fg" textDecoration="underline">
      <RouterLink to={fieldOf(dog.id, { measure, side })}>{t`Read it`}</RouterLink>
    </Link>
  );
}
