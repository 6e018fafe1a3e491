import { Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Link as RouterLink } from 'react-router';
import { useBackups } from './useHandover';

/** On the round: that the last good backup is too old. */
export function BackupOld() {
  const { data } = useBackups();
  if (!data?.oldSays) return null;
  return (
    <Text role="note" borderInlineStartWidth="4px" borderColor="stop" ps="3" mb="5" className="no-print">
      <span aria-hidden="true">⬣ </span>
      <b>{data.oldSays}</b>{' '}
      <Link asChild textDecoration="underline">
        <RouterLink to="/keeping">{t`Make one`}</RouterLink>
      </Link>
    </Text>
  );
}
