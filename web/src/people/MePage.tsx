import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, fieldsOf, words } from '../shared/api';
import { dateText } from '../shared/dates';
import { Labelled } from '../shared/fields';
import { keys } from '../shared/keys';
import { useMe } from '../shared/me';
import { complain, notify } from '../shared/notices';
import { outbox } from '../shared/queries';
import { usePageTitle } from '../shared/usePageTitle';
import { hasPasskeys, makePasskey } from './passkeys';
import { signOut } from './signOut';
import { kindWords } from './words';

/** Who one is here: the devices one is signed in on, password and passkeys, and out. */
export function MePage() {
  usePageTitle(t`Me`);
  const { me } = useMe();
  if (!me) return null;
  return (
    <Box maxW="40rem">
      <Heading as="h1" size="4xl" overflowWrap="anywhere">
        {me.signedIn ? me.name : t`At the machine itself`}
      </Heading>
      <Text color="fg.muted">{kindWords[me.kind]}</Text>
      {me.signedIn ? (
        <>
          <Out />
          <Devices />
          {(me.kind === 'fitter' || me.kind === 'helper') && (
            <>
              <Passkeys />
              <Password />
            </>
          )}
        </>
      ) : (
        <Text mt="3">{t`Nobody has to sign in here: only this machine reaches the practice. docs/running.md says how phones reach it.`}</Text>
      )}
    </Box>
  );
}

function Out() {
  const out = useMutation({ mutationFn: signOut, onError: (error) => complain(words(error)) });
  const [sure, setSure] = useState(false);
  const waits = outbox.left().length;
  return (
    <Box mt="4">
      {sure && waits > 0 && (
        <Text role="alert" fontWeight="700">
          {plural(waits, {
            one: '△ One thing is not sent yet and would be lost.',
            other: '△ # things are not sent yet and would be lost.',
          })}
        </Text>
      )}
      <Button
        variant="outline"
        borderColor="border.strong"
        minH="11"
        loading={out.isPending}
        onClick={() => (waits > 0 && !sure ? setSure(true) : out.mutate())}
      >
        {sure && waits > 0 ? t`Sign out all the same` : t`Sign out on this device`}
      </Button>
      <Text mt="1" color="fg.muted">{t`What this device keeps of the practice is removed from it.`}</Text>
    </Box>
  );
}

function Devices() {
  const queries = useQueryClient();
  const devices = useQuery({
    queryKey: keys.ownDevices(),
    queryFn: ({ signal }) => ask(api.GET('/api/me/devices', { signal })),
  });
  const out = useMutation({
    mutationFn: (deviceId: string) => ask(api.DELETE('/api/me/devices/{deviceId}', { params: { path: { deviceId } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.ownDevices() }),
    onError: (error) => complain(words(error)),
  });
  return (
    <Box as="section" mt="6" aria-label={t`My devices`}>
      <Heading as="h2" size="lg">{t`My devices`}</Heading>
      <ul>
        {devices.data?.map((d) => (
          <Flex as="li" key={d.id} gap="3" py="2" wrap="wrap" align="center" borderTopWidth="1px" borderColor="border">
            <Text flex="1" minW="14rem">
              <b>{d.name}</b>
              <Text as="span" color="fg.muted">{t`, last here ${dateText(d.lastHere, 'moment')}`}</Text>
            </Text>
            {d.isThis ? (
              <Text>{t`this one`}</Text>
            ) : (
              <Button
                size="sm"
                variant="outline"
                borderColor="border.strong"
                onClick={() => out.mutate(d.id)}
              >{t`Sign out there`}</Button>
            )}
          </Flex>
        ))}
      </ul>
    </Box>
  );
}

function Passkeys() {
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: keys.ownPasskeys() });
  const { me } = useMe();
  const passkeys = useQuery({
    queryKey: keys.ownPasskeys(),
    queryFn: ({ signal }) => ask(api.GET('/api/me/passkeys', { signal })),
  });
  const make = useMutation({
    mutationFn: () => makePasskey(me?.device ?? ''),
    onSuccess: async () => {
      await again();
      notify(t`This device is a passkey now: next time no password is typed.`);
    },
    onError: (error) => complain(words(error)),
  });
  const remove = useMutation({
    mutationFn: (passkeyId: string) =>
      ask(api.DELETE('/api/me/passkeys/{passkeyId}', { params: { path: { passkeyId } } })),
    onSuccess: again,
    onError: (error) => complain(words(error)),
  });
  return (
    <Box as="section" mt="6" aria-label={t`Passkeys`}>
      <Heading as="h2" size="lg">{t`Passkeys`}</Heading>
      <ul>
        {passkeys.data?.map((k) => (
          <Flex as="li" key={k.id} gap="3" py="2" wrap="wrap" align="center">
            <Text flex="1" minW="14rem">
              {k.name}
              <Text as="span" color="fg.muted">{t`, since ${dateText(k.since, 'near')}`}</Text>
            </Text>
            <Button
              size="sm"
              variant="outline"
              borderColor="border.strong"
              onClick={() => remove.mutate(k.id)}
            >{t`Forget it`}</Button>
          </Flex>
        ))}
      </ul>
      {hasPasskeys() ? (
        <Button
          mt="2"
          variant="outline"
          borderColor="border.strong"
          loading={make.isPending}
          onClick={() => make.mutate()}
        >
          {t`Make a passkey on this device`}
        </Button>
      ) : (
        <Text color="fg.muted">{t`This browser makes none.`}</Text>
      )}
    </Box>
  );
}

function Password() {
  const [current, setCurrent] = useState('');
  const [password, setPassword] = useState('');
  const change = useMutation({
    mutationFn: () => ask(api.PUT('/api/me/password', { body: { current, password } })),
    onSuccess: () => {
      setCurrent('');
      setPassword('');
      notify(t`Changed. Every other device is signed out.`);
    },
  });
  const wrong = change.error ? fieldsOf(change.error, 'password') : {};
  return (
    <Box as="section" mt="6" aria-label={t`Password`}>
      <Heading as="h2" size="lg">{t`Password`}</Heading>
      <form onSubmit={(event) => (event.preventDefault(), change.mutate())}>
        <Flex gap="4" mt="2" wrap="wrap" align="start">
          <Box w="16rem">
            <Labelled label={t`Until now`} {...(wrong.current ? { error: wrong.current } : {})}>
              <Input
                type="password"
                autoComplete="current-password"
                borderColor="border.strong"
                value={current}
                onChange={(e) => setCurrent(e.target.value)}
              />
            </Labelled>
          </Box>
          <Box w="16rem">
            <Labelled label={t`From now on`} {...(wrong.password ? { error: wrong.password } : {})}>
              <Input
                type="password"
                autoComplete="new-password"
                borderColor="border.strong"
                value={password}
                onChange={(e) => setPassword(e.target.value)}
              />
            </Labelled>
          </Box>
        </Flex>
        <Button
          type="submit"
          mt="3"
          variant="outline"
          borderColor="border.strong"
          loading={change.isPending}
        >{t`Change it`}</Button>
      </form>
    </Box>
  );
}
