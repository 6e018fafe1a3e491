import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, request, words, type Schemas } from '../shared/api';
import { useTakeInOfDog } from '../shared/dog';
import { keys } from '../shared/keys';
import { complain } from '../shared/notices';
import { sendChange } from '../shared/saving/changes';
import { Waiting } from '../shared/Waiting';

/** A dog seldom starts from nothing: one easy go of each stage, up to the first hesitation. */
export function FindBeginning({ dogId, version }: { dogId: string; version: number }) {
  const [at, setAt] = useState<number | null>(null);
  const take = useTakeInOfDog(dogId);
  const tries = useQuery({
    queryKey: keys.ofDog(dogId, 'begin'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/plan/begin', { signal, params: { path: { id: dogId } } })),
    enabled: at !== null,
  });
  const begin = useMutation({
    mutationFn: (wentWell: number) =>
      sendChange<Schemas['PlanDto']>({
        ...request('post', '/api/dogs/{id}/plan/begin', { id: dogId }, { wentWell }, version),
        what: t`where to begin`,
        dogId,
      }),
    onSuccess: (plan) => take(keys.ofDog(dogId, 'plan'), plan),
    onError: (error) => complain(words(error)),
  });
  if (at === null) {
    return (
      <Flex gap="4" align="baseline" wrap="wrap" borderInlineStartWidth="5px" borderColor="accent" ps="4" py="1" mb="4">
        <Text flex="1 1 16rem">{t`It may know more than nothing. One easy go of each stage tells where to begin.`}</Text>
        <Button variant="outline" borderColor="border.strong" onClick={() => setAt(0)}>{t`Find where to begin`}</Button>
      </Flex>
    );
  }
  const step = tries.data?.[at];
  if (!tries.data || !step) return <Waiting query={tries} />;
  const well = () => (at + 1 === tries.data.length ? begin.mutate(at + 1) : setAt(at + 1));
  return (
    <Box
      as="section"
      aria-label={t`Find where to begin`}
      borderInlineStartWidth="5px"
      borderColor="accent"
      ps="4"
      py="1"
      mb="6"
    >
      <Text color="fg.muted">{t`Try ${at + 1} of ${tries.data.length}, once`}</Text>
      <Heading as="h2" size="2xl" lineHeight="1.15">
        {step.name}: {step.targets[0]}
      </Heading>
      <Text mt="1">{step.setUp}</Text>
      <Text>{t`It counts when: ${step.success}`}</Text>
      {step.caution && <Text fontWeight="700">{step.caution}</Text>}
      <Flex gap="3" mt="3" wrap="wrap">
        <Button
          size="lg"
          h="14"
          variant="outline"
          borderWidth="2px"
          borderColor="border.strong"
          loading={begin.isPending}
          onClick={() => begin.mutate(at)}
        >{t`It hesitated, or looked unsure`}</Button>
        <Button size="lg" h="14" loading={begin.isPending} onClick={well}>{t`Did it, at ease`}</Button>
        <Button size="lg" h="14" variant="ghost" onClick={() => setAt(null)}>{t`Leave it`}</Button>
      </Flex>
      <Text
        mt="2"
        fontSize="sm"
        color="fg.muted"
      >{t`Stop at the first hesitation. What is skipped is written down as tried, not trained.`}</Text>
    </Box>
  );
}
