import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, fieldsOf, words, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { dateText } from '../shared/dates';
import { Labelled } from '../shared/fields';
import { keys } from '../shared/keys';
import { complain, notify } from '../shared/notices';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { Withdraw } from './Withdraw';
import { kindWords } from './words';
import { usePeople, usePhones } from './usePeople';

type Person = Schemas['PersonDto'];

/** Who may come in, on what, and who may not any more. */
export function PeoplePage() {
  usePageTitle(t`People`);
  const people = usePeople();
  const phones = usePhones();
  if (!people.data) return <Waiting query={people} />;
  const current = people.data.filter((p) => !p.withdrawn);
  const gone = people.data.filter((p) => p.withdrawn);
  return (
    <Box maxW="56rem">
      <Heading as="h1" size="4xl">{t`People`}</Heading>
      <Text mt="1">{t`Fitters do everything. Helpers train and log any dog. Keepers train and log their own. A clinic reads one card until a day.`}</Text>
      {current.length === 0 && (
        <Text
          mt="3"
          fontSize="lg"
        >{t`Nobody is added yet. Whoever sits at this machine is the fitter; open a dog to give it to its keeper.`}</Text>
      )}
      <Box as="ul" mt="4">
        {current.map((person) => (
          <Row
            key={person.id}
            person={person}
            devices={(phones.data ?? []).filter((d) => d.person === person.name && !d.withdrawn)}
          />
        ))}
      </Box>
      <Add />
      {gone.length > 0 && (
        <Box as="details" mt="6">
          <summary>{t`May come in no more: ${gone.length}`}</summary>
          {gone.map((person) => (
            <Flex key={person.id} gap="3" py="1" align="center">
              <Text flex="1">
                {person.name}, {kindWords[person.kind]}
              </Text>
              <Back person={person} />
            </Flex>
          ))}
        </Box>
      )}
    </Box>
  );
}

function Row({ person, devices }: { person: Person; devices: Schemas['DeviceDto'][] }) {
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: keys.people() });
  const [link, setLink] = useState<string | null>(null);
  const withdraw = useMutation({
    mutationFn: () => ask(api.DELETE('/api/people/{personId}', { params: { path: { personId: person.id } } })),
    onSuccess: async () => {
      await again();
      notify(
        t`${person.name} may come in no more.`,
        () =>
          void ask(api.POST('/api/people/{personId}/back', { params: { path: { personId: person.id } } })).then(again),
      );
    },
    onError: (error) => complain(words(error)),
  });
  const makeLink = useMutation({
    mutationFn: () => ask(api.POST('/api/people/{personId}/link', { params: { path: { personId: person.id } } })),
    onSuccess: (made) => setLink(made.address),
    onError: (error) => complain(words(error)),
  });
  const byPassword = person.kind === 'fitter' || person.kind === 'helper';
  return (
    <Box as="li" py="3" borderTopWidth="1px" borderColor="border">
      <Flex gap="3" wrap="wrap" align="center">
        <Box flex="1" minW="15rem">
          <Text fontSize="lg" fontWeight="700" overflowWrap="anywhere">
            {person.name}
            {person.isYou && t` (you)`}
          </Text>
          <Text color="fg.muted">
            {[
              kindWords[person.kind],
              ...person.dogs.map((d) => (d.until ? t`${d.name} until ${dateText(d.until, 'near')}` : d.name)),
              byPassword && !person.hasPassword && person.passkeys === 0 ? t`no password yet` : '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
        </Box>
        {byPassword && (
          <Button
            size="sm"
            variant="outline"
            borderColor="border.strong"
            loading={makeLink.isPending}
            onClick={() => makeLink.mutate()}
          >
            {t`Link for a new password`}
          </Button>
        )}
        <Button
          size="sm"
          variant="outline"
          borderColor="border.strong"
          aria-label={t`Let ${person.name} in no more`}
          onClick={() => withdraw.mutate()}
        >
          {t`Let in no more`}
        </Button>
      </Flex>
      {link && <Once link={link} name={person.name} />}
      <ul>
        {devices.map((device) => (
          <Flex as="li" key={device.id} gap="3" ps="4" py="1" wrap="wrap" align="center">
            <Text flex="1" minW="14rem">
              {device.name}
              <Text as="span" color="fg.muted">{t`, last here ${dateText(device.lastHere, 'moment')}`}</Text>
              {device.isThis && t` (this one)`}
            </Text>
            {!device.isThis && <Withdraw phone={device} />}
          </Flex>
        ))}
      </ul>
    </Box>
  );
}

/** A link that is told once. */
const Once = ({ link, name }: { link: string; name: string }) => (
  <Box role="status" my="2" borderInlineStartWidth="4px" borderColor="accent" ps="3">
    <Text>{t`Give this to ${name}: it works once, for a day, and is shown only now.`}</Text>
    <Text fontWeight="700" overflowWrap="anywhere">
      {link}
    </Text>
  </Box>
);

function Back({ person }: { person: Person }) {
  const queries = useQueryClient();
  const back = useMutation({
    mutationFn: () => ask(api.POST('/api/people/{personId}/back', { params: { path: { personId: person.id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.people() }),
    onError: (error) => complain(words(error)),
  });
  return (
    <Button
      size="sm"
      variant="outline"
      borderColor="border.strong"
      onClick={() => back.mutate()}
    >{t`Let in again`}</Button>
  );
}

function Add() {
  const queries = useQueryClient();
  const [name, setName] = useState('');
  const [kind, setKind] = useState<Schemas['PersonKind']>('helper');
  const add = useMutation({
    mutationFn: () => ask(api.POST('/api/people', { body: { name, kind, password: null, dogIds: null } })),
    onSuccess: async () => {
      setName('');
      await queries.invalidateQueries({ queryKey: keys.people() });
    },
  });
  const wrong = add.error ? fieldsOf(add.error, 'name') : {};
  return (
    <Box as="section" mt="6" aria-label={t`Add somebody`}>
      <Heading as="h2" size="lg">{t`Add somebody`}</Heading>
      <form onSubmit={(event) => (event.preventDefault(), add.mutate())}>
        <Flex gap="4" mt="2" wrap="wrap" align="end">
          <Box w="16rem">
            <Labelled label={t`Name`} {...(wrong.name ? { error: wrong.name } : {})}>
              <Input
                borderColor="border.strong"
                value={name}
                maxLength={60}
                onChange={(e) => setName(e.target.value)}
              />
            </Labelled>
          </Box>
          <Labelled label={t`What they do`}>
            <Choice
              width="10rem"
              value={kind}
              options={[
                ['fitter', kindWords.fitter],
                ['helper', kindWords.helper],
              ]}
              onChange={(k) => setKind(k)}
            />
          </Labelled>
          <Button type="submit" colorPalette="marigold" loading={add.isPending}>{t`Add`}</Button>
        </Flex>
      </form>
      <Text mt="2" color="fg.muted">{t`A keeper is added by giving them their dog: open the dog.`}</Text>
      {add.data?.link && <Once link={add.data.link.address} name={add.data.person.name} />}
    </Box>
  );
}
