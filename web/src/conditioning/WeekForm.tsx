import { Box, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { FormProvider } from 'react-hook-form';
import { request, type Schemas } from '../shared/api';
import { dateText, readDay } from '../shared/dates';
import { ChoiceField, DayText, SeveralField } from '../shared/form/fields';
import { useDogChanged } from '../shared/dog';
import { sayByField } from '../shared/form/refuse';
import { differences } from '../shared/saving/differences';
import { FormEnd } from '../shared/saving/FormEnd';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import type { Week } from './useOutlook';

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

interface Sheet {
  days: Schemas['DayOfWeek'][];
  sessionsPerDay: string;
  by: string;
  readyAt: string;
}

const labels: Record<keyof Sheet, string> = {
  days: t`Days with a session`,
  sessionsPerDay: t`Sessions a day`,
  by: t`Wanted by`,
  readyAt: t`What has to be passed`,
};

const sheetOf = (week: Week): Sheet => ({
  days: week.days,
  sessionsPerDay: `${week.sessionsPerDay}`,
  by: week.by ? dateText(week.by, 'short') : '',
  readyAt: week.readyAt ?? '',
});

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
  const changed = useDogChanged();
  const kept = useKeptForm<Sheet>(`week/${dogId}`, sheetOf(week), week.version);
  const { form } = kept;
  const sending = useSubmit<Sheet, Week>(kept, 'days', async () => {
    await changed(dogId);
    onDone();
  });
  const keep = (version = kept.version) => {
    const { days, sessionsPerDay, by: typed, readyAt } = form.getValues();
    form.clearErrors();
    const by = readDay(typed);
    if (by === null) return sayByField(form, { by: t`A day such as 26 Nov 2026.` });
    sending.submit({
      ...request(
        'post',
        '/api/dogs/{id}/plan/week',
        { id: dogId },
        { days, sessionsPerDay: Number(sessionsPerDay), by: by || null, readyAt: readyAt || null },
        version,
      ),
      what: t`the plan’s days`,
      dogId,
    });
  };
  const wrongDays = form.formState.errors.days?.message;
  return (
    <FormProvider {...form}>
      <Box borderWidth="1px" borderColor="border.strong" borderRadius="md" p="4" my="2">
        <SeveralField name="days" legend={labels.days} options={days} />
        {wrongDays && (
          <Text role="alert" color="stop" fontSize="sm">
            {wrongDays}
          </Text>
        )}
        <Flex gap="4" mt="3" wrap="wrap">
          <Box w="10rem">
            <ChoiceField size="sm" name="sessionsPerDay" label={labels.sessionsPerDay} options={perDay} />
          </Box>
          <Box w="10rem">
            <DayText size="sm" name="by" label={labels.by} help={t`Empty for no date`} />
          </Box>
          <Box w="15rem">
            <ChoiceField
              size="sm"
              name="readyAt"
              label={labels.readyAt}
              none={t`The whole plan`}
              options={steps.map((s): [string, string] => [s.step.id, s.step.name])}
            />
          </Box>
        </Flex>
        <FormEnd
          does={t`Keep these days`}
          kept={kept}
          sending={sending}
          says={() => t`The days were changed by someone else in the meantime.`}
          differences={(theirs) => differences(labels, form.getValues(), sheetOf(theirs))}
          onSave={keep}
          onTakeTheirs={onDone}
          onLeave={onDone}
        />
      </Box>
    </FormProvider>
  );
}
