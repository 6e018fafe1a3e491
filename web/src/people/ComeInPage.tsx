import { Box, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, fieldsOf, words } from '../shared/api';
import { Labelled } from '../shared/fields';
import { usePageTitle } from '../shared/usePageTitle';
import { BigButton, BigInput } from './Big';
import { deviceName } from './device';
import { signedIn } from './signedIn';
import { useSecret } from './useSecret';

/** A link that is used once: it makes the practice's first fitter, or sets somebody's password. */
export function ComeInPage() {
  usePageTitle(t`Come in`);
  const token = useSecret();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const queries = useQueryClient();
  const go = useNavigate();
  const link = useQuery({
    queryKey: ['come-in', token],
    queryFn: () => ask(api.POST('/api/come-in/look', { body: { token } })),
    staleTime: Infinity,
    retry: false,
  });
  const come = useMutation({
    mutationFn: () => ask(api.POST('/api/come-in', { body: { token, name, password, device: deviceName() } })),
    onSuccess: async (me) => {
      await signedIn(queries, me);
      await go('/', { replace: true });
    },
  });
  const wrong = come.error ? fieldsOf(come.error, 'password') : {};
  if (link.error)
    return (
      <Text role="alert" fontSize="lg">
        {words(link.error)}
      </Text>
    );
  if (!link.data) return <Text color="fg.muted">{t`One moment…`}</Text>;
  return (
    <Box as="form" maxW="26rem" mx="auto" onSubmit={(event) => (event.preventDefault(), come.mutate())}>
      <Heading as="h1" size="4xl" lineHeight="1.1">
        {link.data.name ? t`A new password for ${link.data.name}` : t`The practice’s first fitter`}
      </Heading>
      {!link.data.name && (
        <Box mt="5">
          <Labelled label={t`Your name`} {...(wrong.name ? { error: wrong.name } : {})}>
            <BigInput value={name} onChange={(e) => setName(e.target.value)} autoComplete="username" maxLength={60} />
          </Labelled>
        </Box>
      )}
      <Box mt="4">
        <Labelled
          label={t`Password`}
          help={t`Twelve letters or more. A few words that do not belong together are easy to keep.`}
          {...(wrong.password ? { error: wrong.password } : {})}
        >
          <BigInput
            type="password"
            value={password}
            onChange={(e) => setPassword(e.target.value)}
            autoComplete="new-password"
          />
        </Labelled>
      </Box>
      <BigButton mt="6" loading={come.isPending}>{t`Come in`}</BigButton>
    </Box>
  );
}
