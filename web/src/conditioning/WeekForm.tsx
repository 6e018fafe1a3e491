import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { FormProvider, useForm } from 'react-hook-form';
import type { Schemas } from '../shared/api';
import { dateText, readDay } from '../shared/dates';
import { ChoiceField, DayText, SeveralField } from '../shared/form/fields';
import { refuse, sayByField } from '../shared/form/refuse';
import { useWeek, type Week } from './useOutlook';

const perDay: [string, string][] = [
  ['1', t`One`],
  ['2', t`Two`],
];

const days: [Schemas['DayOfWeek'], string][] = [
  ['monday', t`Mon`],
  ['tuesday', t`Tue`],
  ['wednesday', t`Wed`],
  ['thursday', t`Thu`],
  ['friday', t`Fri`],
  ['saturday', t`Sat`],
  ['sunday', t`Sun`],
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
  const form = useForm({
    defaultValues: {
      days: week.days ?? [],
      sessionsPerDay: `${week.sessionsPerDay ?? 1}`,
      by: week.by ? dateText(week.by, 'short') : '',
      readyAt: week.readyAt ?? '',
    },
  });
  const { mutateAsync: save } = useWeek(dogId);
  const keep = form.handleSubmit(async ({ days, sessionsPerDay, by: typed, readyAt }) => {
    const by = readDay(typed);
    if (by === null) return sayByField(form, { by: t`A day such as 26 Nov 2026.` });
    try {
      await save({ days, sessionsPerDay: Number(sessionsPerDay), by: by || null, readyAt: readyAt || null });
      onDone();
    } catch (error) {
      refuse(form, error, 'days');
    }
  });
  const wrongDays = form.formState.errors.days?.message;
  return (
    <FormProvider {...form}>
      <Box
        as="form"
        borderWidth="1px"
        borderColor="border.strong"
        borderRadius="md"
        p="4"
        my="2"
        onSubmit={(event) => void keep(event)}
      >
        <SeveralField name="days" legend={t`Days with a session`} options={days} />
        {wrongDays && (
          <Text role="alert" color="stop" fontSize="sm">
            {wrongDays}
          </Text>
        )}
        <Flex gap="4" mt="3" wrap="wrap">
          <Box w="10rem">
            <ChoiceField size="sm" name="sessionsPerDay" label={t`Sessions a day`} options={perDay} />
          </Box>
          <Box w="10rem">
            <DayText size="sm" name="by" label={t`Wanted by`} help={t`Empty for no date`} />
          </Box>
          <Box w="15rem">
            <ChoiceField
              size="sm"
              name="readyAt"
              label={t`What has to be passed`}
              none={t`The whole plan`}
              options={steps.map((s): [string, string] => [s.step.id, s.step.name])}
            />
          </Box>
        </Flex>
        <Button
          type="submit"
          mt="3"
          size="sm"
          colorPalette="marigold"
          loading={form.formState.isSubmitting}
        >{t`Keep these days`}</Button>
      </Box>
    </FormProvider>
  );
}
