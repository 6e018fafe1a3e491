import { Box, Button, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { api, ask, words, type Refused } from '../shared/api';
import { Labelled } from '../shared/fields';
import { useKept } from '../shared/useKept';
import { usePageTitle } from '../shared/usePageTitle';
import { BigButton, BigInput } from './Big';
import { LeftHere } from './LeftHere';
import { deviceName } from './device';
import { hasPasskeys, signByPasskey } from './passkeys';
import { signedIn } from './signedIn';

/** Stands in the place of every page for whoever is not in. */
export function SignInPage({ refused }: { refused: Refused }) {
  usePageTitle(t`Sign in`);
  const [name, setName] = useKept('jaunty-badge.name', '');
  const [password, setPassword] = useState('');
  const queries = useQueryClient();
  const onSuccess = (me: Parameters<typeof signedIn>[1]) => signedIn(queries, me);
  const byPassword = useMutation({
    mutationFn: () => ask(api.POST('/api/sign-in', { body: { name, password, device: deviceName() } })),
    onSuccess,
    onError: () => setPassword(''),
  });
  const byPasskey = useMutation({ mutationFn: () => signByPasskey(deviceName()), onSuccess });
  const error = byPassword.error ?? byPasskey.error;
  return (
    <Box maxW="26rem" mx="auto">
      <Heading as="h1" size="4xl" lineHeight="1.1">{t`Sign in`}</Heading>
      {/* Somebody who was in, and is not any more, is told why. */}
      {refused.ended !== 'not' && (
        <Text role="status" mt="3" fontSize="lg" fontWeight="700">
          {refused.message}
        </Text>
      )}
      <LeftHere refused={refused} />
      <form onSubmit={(event) => (event.preventDefault(), byPassword.mutate())}>
        <Box mt="5">
          <Labelled label={t`Your name`}>
            <BigInput value={name} onChange={(e) => setName(e.target.value)} autoComplete="username" />
          </Labelled>
        </Box>
        <Box mt="4">
          <Labelled label={t`Password`} {...(error ? { error: words(error) } : {})}>
            <BigInput
              type="password"
              value={password}
              onChange={(e) => setPassword(e.target.value)}
              autoComplete="current-password"
            />
          </Labelled>
        </Box>
        <BigButton mt="6" loading={byPassword.isPending}>{t`Come in`}</BigButton>
      </form>
      {hasPasskeys() && (
        <Button
          mt="3"
          w="full"
          size="xl"
          variant="outline"
          borderColor="border.strong"
          loading={byPasskey.isPending}
          onClick={() => byPasskey.mutate()}
        >{t`Use a passkey`}</Button>
      )}
      <Text mt="6">
        {t`You train a dog at home?`}{' '}
        <Link asChild textDecoration="underline">
          <RouterLink to="/pair">{t`Type the code your fitter shows you`}</RouterLink>
        </Link>
      </Text>
    </Box>
  );
}
