import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask } from '../shared/api';
import { Choice } from '../shared/Choice';
import { dateText } from '../shared/dates';
import { keys } from '../shared/keys';
import type { PartOf } from '../shared/rooms';

const FEW = 10;

/** Who did what with a dog, by day and device; of one person where one is picked. */
export function Deeds({ dog }: PartOf) {
  const dogId = dog?.id ?? '';
  const [person, setPerson] = useState('');
  const [all, setAll] = useState(false);
  const deeds = useQuery({
    queryKey: keys.ofDog(dogId, 'deeds', person),
    queryFn: ({ signal }) =>
      ask(
        api.GET('/api/dogs/{id}/deeds', {
          signal,
          params: { path: { id: dogId }, query: person ? { person } : {} },
        }),
      ),
  });
  // Where nobody signs in there is nobody to name.
  if (!deeds.data || deeds.data.people.length === 0) return null;
  const days = deeds.data.days.slice(0, all ? undefined : FEW);
  return (
    <Box as="section" aria-label={t`Who did what`}>
      <Flex align="center" gap="3" wrap="wrap" borderBottomWidth="2px" borderColor="fg" pb="1">
        <Heading as="h2" size="lg">{t`Who did what`}</Heading>
        <Choice
          size="sm"
          width="14rem"
          label={t`Of whom`}
          value={person}
          none={t`Everybody`}
          options={deeds.data.people.map((p) => [p.id, p.name])}
          onChange={setPerson}
        />
      </Flex>
      <ul>
        {days.map((day) => (
          <Flex
            as="li"
            key={day.day + day.personId + day.device}
            columnGap="4"
            py="1.5"
            wrap="wrap"
            borderBottomWidth="1px"
            borderColor="border"
          >
            <Text w="9rem">{dateText(day.day, 'near')}</Text>
            <Text w="16rem">
              <b>{day.person}</b>, {day.device}
            </Text>
            <Text flex="1" minW="16rem">
              {day.says.join(' · ')}
            </Text>
          </Flex>
        ))}
      </ul>
      {deeds.data.days.length > FEW && !all && (
        <button type="button" style={{ textDecoration: 'underline' }} onClick={() => setAll(true)}>
          {t`All of it`}
        </button>
      )}
    </Box>
  );
}
