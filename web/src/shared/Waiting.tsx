import { Box, Button, Text } from '@chakra-ui/react';
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

type Asked = Pick<UseQueryResult, 'error' | 'refetch' | 'fetchStatus' | 'isPlaceholderData'>;

/** Says that what stands here answers what was asked before, where what is asked now does not come. */
export const Behind = ({ query }: { query: Asked }) =>
  query.isPlaceholderData && (query.error || query.fetchStatus === 'paused') ? (
    <Box borderInlineStartWidth="4px" borderColor="stop" ps="3" mb="2">
      <Text fontWeight="700">{t`What stands here is of before.`}</Text>
      <Waiting query={query} />
    </Box>
  ) : null;
