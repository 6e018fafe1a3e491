import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, words } from '../shared/api';
import { Choice } from '../shared/Choice';
import { dateText } from '../shared/dates';
import { Labelled } from '../shared/fields';
import { keys } from '../shared/keys';
import type { PartOf } from '../shared/rooms';
import { Withdraw } from './Withdraw';
import { usePeople, usePhones } from './usePeople';

const LOOK_MS = 4000;

/** A dog given to its keeper's phone, or its card to a clinic. */
export function GiveDog({ dog }: PartOf) {
  const [kind, setKind] = useState<'keeper' | 'clinic' | null>(null);
  const phones = usePhones(kind ? LOOK_MS : false);
  if (!dog) return null;
  const here = (phones.data ?? []).filter((p) => !p.withdrawn && p.dogs.some((d) => d.id === dog.id));
  return (
    <Box as="section" aria-label={t`Who has ${dog.name} on a phone`}>
      <Heading as="h2" size="lg">{t`On a phone`}</Heading>
      <ul>
        {here.map((phone) => (
          <Flex as="li" key={phone.id} gap="3" py="1.5" wrap="wrap" align="center">
            <Text flex="1" minW="14rem">
              <b>{phone.person}</b>, {phone.name}
              <Text as="span" color="fg.muted">{t`, last here ${dateText(phone.lastHere, 'moment')}`}</Text>
            </Text>
            <Withdraw phone={phone} />
          </Flex>
        ))}
      </ul>
      <Flex gap="3" mt="2" wrap="wrap">
        <Button
          variant="outline"
          borderColor="border.strong"
          aria-expanded={kind === 'keeper'}
          onClick={() => setKind(kind === 'keeper' ? null : 'keeper')}
        >
          {t`Give it to its keeper`}
        </Button>
        <Button
          variant="outline"
          borderColor="border.strong"
          aria-expanded={kind === 'clinic'}
          onClick={() => setKind(kind === 'clinic' ? null : 'clinic')}
        >
          {t`Give its card to a clinic`}
        </Button>
      </Flex>
      {kind && <Code key={kind} dog={dog} kind={kind} />}
    </Box>
  );
}

function Code({ dog, kind }: { dog: NonNullable<PartOf['dog']>; kind: 'keeper' | 'clinic' }) {
  const queries = useQueryClient();
  const people = usePeople();
  const [personId, setPersonId] = useState('');
  const others = (people.data ?? []).filter((p) => p.kind === 'keeper' && !p.withdrawn);
  const offer = useMutation({
    mutationFn: () =>
      ask(
        api.POST('/api/dogs/{id}/pairings', {
          params: { path: { id: dog.id } },
          body: { kind, personId: personId || null, until: null },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.people() }),
  });
  const { data } = offer;
  if (!data)
    return (
      <Flex mt="3" gap="4" wrap="wrap" align="end">
        {kind === 'keeper' && others.length > 0 && (
          <Labelled label={t`Whose phone is it?`}>
            <Choice
              width="17rem"
              value={personId}
              none={dog.keeper ?? t`${dog.name}’s keeper`}
              options={others.map((p) => [p.id, t`${p.name}, who is here already`])}
              onChange={setPersonId}
            />
          </Labelled>
        )}
        <Button
          colorPalette="marigold"
          loading={offer.isPending}
          onClick={() => offer.mutate()}
        >{t`Make a code`}</Button>
        {offer.error && <Text role="alert">{words(offer.error)}</Text>}
      </Flex>
    );
  return (
    <Flex mt="3" gap="6" wrap="wrap" align="center" role="status">
      <Box bg="white" p="2" borderRadius="md">
        <svg
          viewBox={`0 0 ${data.across} ${data.across}`}
          width="200"
          height="200"
          role="img"
          aria-label={t`The same as a picture for the phone’s camera`}
        >
          <path d={data.square} fill="#000" shapeRendering="crispEdges" />
        </svg>
      </Box>
      <Box flex="1" minW="15rem">
        <Text fontFamily="heading" fontWeight="800" fontSize="4xl" letterSpacing="0.06em" lineHeight="1.1">
          {data.code}
        </Text>
        <Text mt="1">
          {t`For ${data.for}, once, until ${dateText(data.expires, 'time')}.`}{' '}
          {data.until && t`It reads the card until ${dateText(data.until, 'near')}.`}
        </Text>
        <Text mt="2" color="fg.muted" overflowWrap="anywhere">
          {t`Point the phone’s camera at the square, or open ${data.address.split('#')[0] ?? ''} there and type the two words.`}
        </Text>
      </Box>
    </Flex>
  );
}
