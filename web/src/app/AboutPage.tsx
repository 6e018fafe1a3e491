import { Box, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { api, ask } from '../shared/api';
import { keys } from '../shared/keys';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';

/** What this is, which version, and whose work ships with it. */
export function AboutPage() {
  usePageTitle(t`About`);
  const about = useQuery({
    queryKey: keys.about(),
    queryFn: ({ signal }) => ask(api.GET('/api/about', { signal })),
    staleTime: Infinity,
  });
  if (!about.data) return <Waiting query={about} />;
  return (
    <Box maxW="52rem">
      <Heading as="h1" size="4xl" mb="2">
        Jaunty Badge
      </Heading>
      <Text mb="6">{t`Version ${about.data.version}. MIT licence. It never calls a muzzle safe: it says which criteria hold, by how much, and what was not checked.`}</Text>
      <Heading as="h2" size="xl" mb="2">{t`What ships with it`}</Heading>
      <Text as="pre" whiteSpace="pre-wrap" fontFamily="body" fontSize="sm">
        {about.data.notice}
      </Text>
    </Box>
  );
}
