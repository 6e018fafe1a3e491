import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { dateText } from '../shared/dates';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask } from '../shared/api';
import { keys } from '../shared/keys';

const FEW = 6;

/** The dog's sessions, newest first, each set with its outcome. */
export function SessionRecord({ dogId }: { dogId: string }) {
  const [all, setAll] = useState(false);
  const record = useQuery({
    queryKey: keys.ofDog(dogId, 'sessions'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/sessions', { signal, params: { path: { id: dogId } } })),
  });
  if (!record.data || record.data.length === 0) return null;
  return (
    <Box as="section">
      <Heading as="h2" size="lg" borderBottomWidth="2px" borderColor="fg" pb="1">
        Sessions
      </Heading>
      <ul>
        {record.data.slice(0, all ? undefined : FEW).map((s) => (
          <Flex
            as="li"
            key={s.id}
            gap="4"
            py="2"
            borderBottomWidth="1px"
            borderColor="border"
            wrap={{ base: 'wrap', md: 'nowrap' }}
          >
            <Text w="9rem" flexShrink="0" fontWeight="700">
              {dateText(s.startedAt, 'weekday')}
            </Text>
            <Box flex="1">
              {s.sets.map((set) => (
                <Text key={set.number} fontSize="sm">
                  <b>
                    {set.stepName}, {set.targetText}.
                  </b>{' '}
                  {set.reason}
                </Text>
              ))}
              {s.endedAt === null && <Text fontSize="sm">Under way.</Text>}
            </Box>
          </Flex>
        ))}
      </ul>
      {record.data.length > FEW && (
        <Button size="sm" variant="ghost" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${record.data.length}`}
        </Button>
      )}
    </Box>
  );
}
