import { Box, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ask, fieldsOf } from '../shared/api';
import { Labelled } from '../shared/fields';
import { usePageTitle } from '../shared/usePageTitle';
import { BigButton, BigInput } from './Big';
import { deviceName } from './device';
import { signedIn } from './signedIn';
import { useSecret } from './useSecret';

/** A phone takes the dog it was given: the code, a name for the phone, and that is all. */
export function PairPage() {
  usePageTitle(t`Take your dog along`);
  const came = useSecret();
  const [code, setCode] = useState(came);
  const [device, setDevice] = useState(deviceName);
  const queries = useQueryClient();
  const go = useNavigate();
  const pair = useMutation({
    mutationFn: () => ask(api.POST('/api/pair', { body: { code, device } })),
    onSuccess: async (me) => {
      await signedIn(queries, me);
      await go('/', { replace: true });
    },
  });
  const wrong = pair.error ? fieldsOf(pair.error, 'code') : {};
  return (
    <Box as="form" maxW="26rem" mx="auto" onSubmit={(event) => (event.preventDefault(), pair.mutate())}>
      <Heading as="h1" size="4xl" lineHeight="1.1">{t`Your dog on this phone`}</Heading>
      <Text mt="2" fontSize="lg">
        {came === '' ? t`Type the two words your fitter shows you.` : t`One tap, and this phone has your dog.`}
      </Text>
      <Box mt="5">
        <Labelled label={t`The code`} {...(wrong.code ? { error: wrong.code } : {})}>
          <BigInput
            value={code}
            onChange={(e) => setCode(e.target.value)}
            autoCapitalize="characters"
            autoComplete="off"
            spellCheck={false}
            letterSpacing="0.1em"
            placeholder="ZUKA-ROMI"
          />
        </Labelled>
      </Box>
      <Box mt="4">
        <Labelled
          label={t`What this phone is called`}
          help={t`So that your fitter can tell it from another.`}
          {...(wrong.device ? { error: wrong.device } : {})}
        >
          <BigInput value={device} onChange={(e) => setDevice(e.target.value)} maxLength={60} />
        </Labelled>
      </Box>
      <BigButton mt="6" loading={pair.isPending}>{t`Go on`}</BigButton>
    </Box>
  );
}
