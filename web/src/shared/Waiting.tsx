import { Button, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import type { UseQueryResult } from '@tanstack/react-query';
import { words } from './api';

/** What stands in for data that is not there yet, or could not be had. */
export function Waiting({ query }: { query: Pick<UseQueryResult, 'error' | 'refetch' | 'fetchStatus'> }) {
  if (query.fetchStatus === 'paused')
    return <Text role="status">{t`This comes up as soon as the server is back.`}</Text>;
  if (!query.error) return <Text color="fg.muted">{t`One moment…`}</Text>;
  return (
    <Text role="alert">
      {words(query.error)}{' '}
      <Button size="sm" variant="outline" onClick={() => void query.refetch()}>{t`Try again`}</Button>
    </Text>
  );
}
