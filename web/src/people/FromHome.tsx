import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link as RouterLink } from 'react-router';
import { api, ask, words, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { useDecides } from '../shared/me';
import { complain } from '../shared/notices';
import { Group } from '../shared/Group';
import { AsideTray } from './AsideTray';

/** New from home, before anything else on the round: what a fitter who was not there would want to know first. */
export function FromHome() {
  const news = useQuery({
    queryKey: keys.fromHome(),
    queryFn: ({ signal }) => ask(api.GET('/api/from-home', { signal })),
    refetchInterval: 60_000,
  });
  return (
    <>
      <AsideTray />
      {news.data && news.data.length > 0 && (
        <Group name={t`New from home`} count={news.data.length} onPaper={false}>
          {news.data.map((dog) => (
            <Row key={dog.dogId} dog={dog} />
          ))}
        </Group>
      )}
    </>
  );
}

function Row({ dog }: { dog: Schemas['FromHomeDto'] }) {
  const queries = useQueryClient();
  const decides = useDecides();
  const looked = async () => {
    try {
      await ask(api.POST('/api/dogs/{id}/news/looked', { params: { path: { id: dog.dogId } } }));
      await queries.invalidateQueries({ queryKey: keys.fromHome() });
    } catch (error) {
      complain(words(error));
    }
  };
  return (
    <Flex
      as="li"
      gap="4"
      py={{ base: 3, lg: 0.5 }}
      borderBottomWidth="1px"
      borderColor="border"
      wrap="wrap"
      align="center"
    >
      <Box flex="1" minW="14rem" display={{ lg: 'flex' }} alignItems="baseline" columnGap="3" flexWrap="wrap">
        <Text fontSize="xl" fontWeight="700" color={dog.grave ? 'stop' : 'fg'}>
          {dog.grave && <span aria-hidden="true">⬣ </span>}
          {dog.dog}: {dog.says.join(', ')}
        </Text>
        <Text color="fg.muted">{dog.changed}</Text>
      </Box>
      <Flex gap="2" wrap="wrap">
        <Button asChild variant="outline" borderColor="border.strong" minH={{ lg: 8 }}>
          <RouterLink to={dog.unread > 0 ? `/dogs/${dog.dogId}/notes` : `/dogs/${dog.dogId}`}>
            {dog.unread > 0 ? t`Read: ${dog.dog}` : t`Open: ${dog.dog}`}
          </RouterLink>
        </Button>
        {decides && (
          <Button
            variant="outline"
            borderColor="border.strong"
            minH={{ lg: 8 }}
            onClick={() => void looked()}
          >{t`Looked at`}</Button>
        )}
      </Flex>
    </Flex>
  );
}
