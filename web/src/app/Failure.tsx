import { Box, Button, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import type { FallbackProps } from 'react-error-boundary';
import { Link as RouterLink } from 'react-router';

/** What a person sees when an address leads nowhere. */
export const Nowhere = () => (
  <Said heading={t`Nothing lives here`}>
    <Text mb="4">{t`The address leads nowhere. Everything you saved is still there.`}</Text>
  </Said>
);

/** What a person sees when a page breaks. */
export function Failure({ error }: FallbackProps) {
  const message = error instanceof Error ? error.message : String(error);
  const outOfDate = /dynamically imported module|Importing a module/.test(message);
  return (
    <Box as="main" p="8">
      <Said heading={t`That went wrong`}>
        <Text mb="4">
          {outOfDate
            ? t`This page is older than Jaunty Badge is by now. Load it again: what you typed is kept.`
            : message}
        </Text>
        {outOfDate && <Button mb="4" me="4" onClick={() => window.location.reload()}>{t`Load it again`}</Button>}
      </Said>
    </Box>
  );
}

const Said = ({ heading, children }: { heading: string; children: ReactNode }) => (
  <Box maxW="40rem" mx="auto">
    <Heading as="h1" size="3xl" mb="3">
      {heading}
    </Heading>
    {children}
    <Link asChild textDecoration="underline">
      <RouterLink to="/">{t`Back to the round`}</RouterLink>
    </Link>
  </Box>
);
