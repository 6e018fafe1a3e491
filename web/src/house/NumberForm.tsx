import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { useMutation } from '@tanstack/react-query';
import { Link as RouterLink } from 'react-router';
import { fieldsOf, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { Labelled } from '../shared/fields';
import { readNumber } from '../shared/numbers';
import { differences } from '../shared/saving/differences';
import { FormEnd } from '../shared/saving/FormEnd';
import { useKeptDraft } from '../shared/saving/useKeptDraft';
import { useSubmit } from '../shared/saving/useSubmit';
import { kindWords, tryNumber, useSetNumber, type HouseNumber } from './useNumbers';

/** One number: a new value, why, and what it would change before it is kept. */
export function NumberForm({ number, onLeave }: { number: HouseNumber; onLeave: () => void }) {
  const kept = useKeptDraft(`number/${number.id}`, { value: `${number.plain}`, reason: '' }, number.version);
  const { draft, setDraft } = kept;
  const sending = useSubmit<HouseNumber>('value');
  const set = useSetNumber();
  const value = readNumber(draft.value);
  const trial = useMutation({ mutationFn: (tried: number) => tryNumber(number.id, tried) });
  const leave = () => {
    kept.drop();
    onLeave();
  };
  const save = async (to: number | null, version = kept.version) => {
    if (await sending.submit(() => set(number.id, version, to, draft.reason))) leave();
  };
  const wrong = value === null || !Number.isFinite(value) ? `A number, please: ${number.accepted}.` : undefined;
  const tried = trial.error ? fieldsOf(trial.error, 'value') : {};
  return (
    <Box borderWidth="1px" borderColor="border.strong" borderRadius="md" p="4" my="2">
      <Heading as="h3" size="md">
        {number.what}
      </Heading>
      <Text color="fg.muted" mb="3">
        Ours is {number.ours} ({kindWords[number.basis.kind]}: {number.basis.note}). Accepted: {number.accepted}.
      </Text>
      <Flex gap="4" wrap="wrap" align="start">
        <Box w="9rem">
          <Labelled
            label={number.unit ? `Value, ${number.unit}` : 'Value'}
            error={(draft.value === '' ? undefined : wrong) ?? sending.fields.value ?? tried.value}
          >
            <Input
              size="sm"
              inputMode="decimal"
              autoComplete="off"
              borderColor="border.strong"
              value={draft.value}
              onChange={(event) => {
                trial.reset();
                setDraft({ ...draft, value: event.target.value });
              }}
            />
          </Labelled>
        </Box>
        <Box flex="1" minW="16rem">
          <Labelled label="Why? It stays beside the number" error={sending.fields.reason}>
            <Input
              size="sm"
              autoComplete="off"
              borderColor="border.strong"
              value={draft.reason}
              onChange={(event) => setDraft({ ...draft, reason: event.target.value })}
            />
          </Labelled>
        </Box>
      </Flex>
      <Flex gap="2" mt="3" wrap="wrap">
        <Button
          size="sm"
          variant="outline"
          borderColor="border.strong"
          disabled={wrong !== undefined}
          loading={trial.isPending}
          onClick={() => trial.mutate(value ?? NaN)}
        >
          See what it would change
        </Button>
        {number.isOwn && (
          <Button size="sm" variant="outline" borderColor="border.strong" onClick={() => void save(null)}>
            Back to ours, {number.ours}
          </Button>
        )}
      </Flex>
      {trial.data && <Trial trial={trial.data} />}
      <FormEnd
        does={`Keep ${draft.value} ${number.unit}`.trim()}
        kept={kept}
        sending={sending}
        says={({ what }) => `"${what}" was changed by someone else in the meantime.`}
        differences={(theirs) => differences({ value: 'Value' }, draft, { value: `${theirs.plain}`, reason: '' })}
        onSave={(version) => (wrong === undefined ? save(value, version) : undefined)}
        onTakeTheirs={leave}
        onLeave={leave}
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
  );
}

function Trial({ trial }: { trial: Schemas['HouseNumberTrialDto'] }) {
  const looked =
    trial.lookedAt === trial.of ? `all ${trial.of} dogs` : `the ${trial.lookedAt} dogs touched last of ${trial.of}`;
  return (
    <Box as="section" aria-label="What it would change" mt="4" role="status">
      <Text fontFamily="heading" fontWeight="750" fontSize="xl">
        {trial.dogs.length === 0
          ? 'Nothing would change'
          : `${trial.dogs.length} ${trial.dogs.length === 1 ? 'dog' : 'dogs'} would change`}
      </Text>
      <Text color="fg.muted">
        {trial.before} to {trial.after}, tried on {looked}. {trial.notSeen}
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
