import { Box, Heading, Table, Text } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { api, ask } from '../shared/api';
import { keys } from '../shared/keys';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';

/** Every number of the job with what it stands on. */
export function NumbersPage() {
  usePageTitle('House numbers');
  const numbers = useQuery({
    queryKey: keys.houseNumbers(),
    queryFn: () => ask(api.GET('/api/house-numbers')),
    staleTime: Infinity,
  });
  const rooms = [...new Set(numbers.data?.map((n) => n.room))];
  return (
    <Box maxW="60rem">
      <Heading as="h1" size="3xl">
        House numbers
      </Heading>
      <Text mb="6">
        Every number the checks, fits and decisions rest on, and where it comes from: a published source, common
        practice in the trade, our own choice, or memory.
      </Text>
      {!numbers.data && <Waiting query={numbers} />}
      {rooms.map((room) => (
        <Box as="section" key={room} mb="8" overflowX="auto" tabIndex={0} role="region" aria-label={room}>
          <Heading as="h2" size="xl" mb="1">
            {room}
          </Heading>
          <Table.Root
            size="sm"
            css={{ '& td, & th': { background: 'transparent', borderColor: 'border', verticalAlign: 'top' } }}
          >
            <Table.Header>
              <Table.Row bg="transparent">
                <Table.ColumnHeader>What it decides</Table.ColumnHeader>
                <Table.ColumnHeader textAlign="end">Value</Table.ColumnHeader>
                <Table.ColumnHeader>Basis</Table.ColumnHeader>
              </Table.Row>
            </Table.Header>
            <Table.Body>
              {numbers.data
                ?.filter((n) => n.room === room)
                .map((n) => (
                  <Table.Row key={n.id} bg="transparent">
                    <Table.Cell>{n.what}</Table.Cell>
                    <Table.Cell textAlign="end" fontWeight="700" whiteSpace="nowrap">
                      {n.value}
                    </Table.Cell>
                    <Table.Cell>
                      <b>{n.basis.kind}</b>: {n.basis.note}
                    </Table.Cell>
                  </Table.Row>
                ))}
            </Table.Body>
          </Table.Root>
        </Box>
      ))}
    </Box>
  );
}
