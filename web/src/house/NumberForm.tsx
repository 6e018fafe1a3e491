import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useMutation } from '@tanstack/react-query';
import { FormProvider, useWatch } from 'react-hook-form';
import { Link as RouterLink } from 'react-router';
import { request, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { Labelled } from '../shared/fields';
import { saidOf, TextField } from '../shared/form/fields';
import { refuse } from '../shared/form/refuse';
import { readNumber } from '../shared/numbers';
import { differences } from '../shared/saving/differences';
import { FormEnd } from '../shared/saving/FormEnd';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { kindWords, tryNumber, type HouseNumber } from './useNumbers';

type Sheet = { value: string; reason: string };

/** One number: a new value, why, and what it would change before it is kept. */
export function NumberForm({ number, onLeave }: { number: HouseNumber; onLeave: () => void }) {
  const kept = useKeptForm(`number/${number.id}`, { value: `${number.plain}`, reason: '' }, number.version);
  const { form } = kept;
  const typed = useWatch({ control: form.control, name: 'value' });
  const sending = useSubmit<Sheet, HouseNumber>(kept, 'value', onLeave);
  const value = readNumber(typed);
  const isNumber = value !== null && Number.isFinite(value);
  const trial = useMutation({
    mutationFn: (tried: number) => tryNumber(number.id, tried),
    onError: (error) => refuse(form, error, 'value'),
  });
  const save = (to: number | null, version = kept.version) =>
    sending.submit({
      ...request(
        'put',
        '/api/house-numbers/{numberId}',
        { numberId: number.id },
        { value: to, reason: form.getValues('reason') },
        version,
      ),
      what: number.what,
      again: 'everything',
    });
  const valueField = form.register('value', {
    validate: (text) => Number.isFinite(readNumber(text)) || t`A number, please: ${number.accepted}.`,
    onChange: () => {
      trial.reset();
      void form.trigger('value');
    },
  });
  return (
    <FormProvider {...form}>
      <Box borderWidth="1px" borderColor="border.strong" borderRadius="md" p="4" my="2">
        <Heading as="h3" size="md">
          {number.what}
        </Heading>
        <Text
          color="fg.muted"
          mb="3"
        >{t`Ours is ${number.ours} (${kindWords[number.basis.kind]}: ${number.basis.note}). Accepted: ${number.accepted}.`}</Text>
        <Flex gap="4" wrap="wrap" align="start">
          <Box w="9rem">
            <Labelled
              label={number.unit ? t`Value, ${number.unit}` : t`Value`}
              {...saidOf(form.formState.errors.value)}
            >
              <Input size="sm" inputMode="decimal" autoComplete="off" borderColor="border.strong" {...valueField} />
            </Labelled>
          </Box>
          <Box flex="1" minW="16rem">
            <TextField size="sm" name="reason" label={t`Why? It stays beside the number`} />
          </Box>
        </Flex>
        <Flex gap="2" mt="3" wrap="wrap">
          <Button
            size="sm"
            variant="outline"
            borderColor="border.strong"
            disabled={!isNumber}
            loading={trial.isPending}
            onClick={() => trial.mutate(value ?? NaN)}
          >{t`See what it would change`}</Button>
          {number.isOwn && (
            <Button
              size="sm"
              variant="outline"
              borderColor="border.strong"
              onClick={() => save(null)}
            >{t`Back to ours, ${number.ours}`}</Button>
          )}
        </Flex>
        {trial.data && <Trial trial={trial.data} />}
        <FormEnd
          does={t`Keep ${typed} ${number.unit}`.trim()}
          kept={kept}
          sending={sending}
          says={({ what }) => t`"${what}" was changed by someone else in the meantime.`}
          differences={(theirs) =>
            differences({ value: t`Value` }, form.getValues(), { value: `${theirs.plain}`, reason: '' })
          }
          onSave={(version) => (isNumber ? save(value, version) : undefined)}
          onTakeTheirs={onLeave}
          onLeave={onLeave}
        />
        {number.changes.length > 0 && (
          <Box as="ul" mt="3" fontSize="sm" color="fg.muted" listStyleType="none">
            {number.changes.map((change) => (
              <li key={change.at}>
                {dateText(change.at, 'short')}: {change.value}. {change.reason}
              </li>
            ))}
          </Box>
        )}
      </Box>
    </FormProvider>
  );
}

function Trial({ trial }: { trial: Schemas['HouseNumberTrialDto'] }) {
  const looked =
    trial.lookedAt === trial.of ? t`all ${trial.of} dogs` : t`the ${trial.lookedAt} dogs touched last of ${trial.of}`;
  return (
    <Box as="section" aria-label={t`What it would change`} mt="4" role="status">
      <Text fontFamily="heading" fontWeight="750" fontSize="xl">
        {trial.dogs.length === 0
          ? t`Nothing would change`
          : plural(trial.dogs.length, { one: '# dog would change', other: '# dogs would change' })}
      </Text>
      <Text color="fg.muted">
        <Trans>
          {trial.before} to {trial.after}, tried on {looked}. {trial.notSeen}
        </Trans>
      </Text>
      {trial.dogs.map((dog) => (
        <Box key={dog.id} mt="2" borderTopWidth="1px" pt="2">
          <RouterLink to={`/dogs/${dog.id}`}>
            <b>{dog.name}</b>
          </RouterLink>
          {dog.changes.map((change) => (
            <Flex key={change.what} gap="3" wrap={{ base: 'wrap', md: 'nowrap' }} fontSize="sm">
              <Text w="9rem" flexShrink="0" color="fg.muted">
                {change.what}
              </Text>
              <Text flex="1" color="fg.muted">
                {change.before}
              </Text>
              <Text aria-hidden>→</Text>
              <Text flex="1" fontWeight="700">
                {change.after}
              </Text>
            </Flex>
          ))}
        </Box>
      ))}
    </Box>
  );
}
