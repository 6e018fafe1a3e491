import { Box, Button, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Link as RouterLink, useRouteError } from 'react-router';

/** What a person sees when an address leads nowhere or a page breaks. */
export function Failure() {
  const error = useRouteError();
  const outOfDate = error instanceof Error && /dynamically imported module|Importing a module/.test(error.message);
  return (
    <Box as="main" maxW="40rem" mx="auto" p="8">
      <Heading as="h1" size="3xl" mb="3">
        {error ? t`That went wrong` : t`Nothing lives here`}
      </Heading>
      <Text mb="4">
        {outOfDate
          ? t`This page is older than Jaunty Badge is by now. Load it again: what you typed is kept.`
          : error instanceof Error
            ? error.message
            : t`The address leads nowhere. Everything you saved is still there.`}
      </Text>
      {outOfDate && <Button mb="4" me="4" onClick={() => window.location.reload()}>{t`Load it again`}</Button>}
      <Link asChild textDecoration="underline">
        <RouterLink to="/">{t`Back to the round`}</RouterLink>
      </Link>
    </Box>
  );
}
