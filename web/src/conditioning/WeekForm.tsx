import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { fieldsOf, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { dateText, readDay } from '../shared/dates';
import { DayField } from '../shared/DayField';
import { Labelled, Several } from '../shared/fields';
import { useWeek, type Week } from './useOutlook';

const days: [Schemas['DayOfWeek'], string][] = [
  ['monday', 'Mon'],
  ['tuesday', 'Tue'],
  ['wednesday', 'Wed'],
  ['thursday', 'Thu'],
  ['friday', 'Fri'],
  ['saturday', 'Sat'],
  ['sunday', 'Sun'],
];

/** On which days it is trained, and by when it is wanted. */
export function WeekForm({
  dogId,
  week,
  steps,
  onDone,
}: {
  dogId: string;
  week: Week;
  steps: Schemas['PlannedStepDto'][];
  onDone: () => void;
}) {
  const [draft, setDraft] = useState({
    days: week.days ?? [],
    sessionsPerDay: `${week.sessionsPerDay ?? 1}`,
    by: week.by ? dateText(week.by, 'short') : '',
    readyAt: week.readyAt ?? '',
  });
  const save = useWeek(dogId);
  const by = readDay(draft.by);
  const errors = save.error ? fieldsOf(save.error, 'days') : {};
  const keep = () =>
    by !== null &&
    save.mutate(
      {
        days: draft.days,
        sessionsPerDay: Number(draft.sessionsPerDay),
        by: by === '' ? null : by,
        readyAt: draft.readyAt === '' ? null : draft.readyAt,
      },
      { onSuccess: onDone },
    );
  return (
    <Box borderWidth="1px" borderColor="border.strong" borderRadius="md" p="4" my="2">
      <Several
        legend="Days with a session"
        values={draft.days}
        options={days}
        onChange={(next) => setDraft({ ...draft, days: next })}
      />
      {errors.days && (
        <Text role="alert" color="stop" fontSize="sm">
          {errors.days}
        </Text>
      )}
      <Flex gap="4" mt="3" wrap="wrap">
        <Box w="10rem">
          <Labelled label="Sessions a day" error={errors.sessionsPerDay}>
            <Choice
              size="sm"
              value={draft.sessionsPerDay}
              options={[
                ['1', 'One'],
                ['2', 'Two'],
              ]}
              onChange={(sessionsPerDay) => setDraft({ ...draft, sessionsPerDay })}
            />
          </Labelled>
        </Box>
        <Box w="10rem">
          <Labelled
            label="Wanted by"
            error={by === null ? 'A day such as 26 Nov 2026.' : errors.by}
            help="Empty for no date"
          >
            <DayField size="sm" value={draft.by} onText={(text) => setDraft({ ...draft, by: text })} />
          </Labelled>
        </Box>
        <Box w="15rem">
          <Labelled label="What has to be passed" error={errors.readyAt}>
            <Choice
              size="sm"
              value={draft.readyAt}
              none="The whole plan"
              options={steps.map((s): [string, string] => [s.step.id, s.step.name])}
              onChange={(readyAt) => setDraft({ ...draft, readyAt })}
            />
          </Labelled>
        </Box>
      </Flex>
      <Button mt="3" size="sm" colorPalette="marigold" loading={save.isPending} onClick={keep}>
        Keep these days
      </Button>
    </Box>
  );
}
