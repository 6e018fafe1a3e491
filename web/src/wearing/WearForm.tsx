import { Box, Flex, Heading } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { FormProvider } from 'react-hook-form';
import { useEffect } from 'react';
import { request, type Schemas } from '../shared/api';
import { notify } from '../shared/notices';
import { dateText, readDay, readTime } from '../shared/dates';
import { useDogChanged } from '../shared/dog';
import { ChoiceField, DayText, LongField, SeveralField, TextField } from '../shared/form/fields';
import { sayByField } from '../shared/form/refuse';
import { readNumber } from '../shared/numbers';
import { differences } from '../shared/saving/differences';
import { FormEnd } from '../shared/saving/FormEnd';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { entries } from '../shared/words';
import { draftOfWear, wearEntry, type WearDraft } from './documents';
import { happyWearsQuery, useTreats } from './useWearing';
import { endingWords, occasionWords, rubWords } from './words';

type Wear = Schemas['WearDto'];

interface Sheet {
  day: string;
  time: string;
  minutes: string;
  occasion: string;
  ending: string;
  happyId: string;
  place: string;
  forWhat: string;
  who: string;
  strap: string;
  rubs: string[];
  treatPieces: string;
  note: string;
}

const labels: Record<keyof Sheet, string> = {
  day: t`Day`,
  time: t`Put on at`,
  minutes: t`Minutes`,
  occasion: t`To the dog it was`,
  ending: t`How it ended`,
  happyId: t`What was done`,
  place: t`Where`,
  forWhat: t`For what`,
  who: t`Who was with it`,
  strap: t`Strap`,
  rubs: t`Marks`,
  treatPieces: t`Treats, pieces`,
  note: t`Anything else`,
};

const sheetOf = (wear: Wear | null): Sheet => {
  const start = wear ? new Date(wear.startedAt) : new Date();
  return {
    day: dateText(start, 'short'),
    time: `${String(start.getHours()).padStart(2, '0')}:${String(start.getMinutes()).padStart(2, '0')}`,
    minutes: wear?.seconds == null ? '' : String(Math.round((wear.seconds / 60) * 10) / 10),
    occasion: wear?.occasion ?? 'ordinary',
    ending: wear?.ending ?? 'takenOff',
    happyId: wear?.happyId ?? '',
    place: wear?.place ?? '',
    forWhat: wear?.forWhat ?? '',
    who: wear?.who ?? '',
    strap: wear?.strap ?? '',
    rubs: wear?.rubs ?? [],
    treatPieces: wear && wear.treatPieces > 0 ? String(wear.treatPieces) : '',
    note: wear?.note ?? '',
  };
};

/** What is wrong with what was typed, by field. */
function problemsOf(sheet: Sheet): Record<string, string> {
  const problems: Record<string, string> = {};
  if (!readDay(sheet.day)) problems.day = t`A day, please, such as ` + dateText(new Date(), 'short') + '.';
  if (!readTime(sheet.time)) problems.time = t`A time, please, such as 14:05.`;
  const minutes = readNumber(sheet.minutes);
  if (minutes === null || !(minutes >= 0)) problems.minutes = t`How many minutes was it on?`;
  const pieces = readNumber(sheet.treatPieces);
  if (pieces !== null && !(Number.isInteger(pieces) && pieces >= 0))
    problems.treatPieces = t`A whole number of pieces.`;
  return problems;
}

/** The sheet as the server takes it; what is not asked here stays as it was. */
function draftOf(sheet: Sheet, wear: Wear | null): WearDraft {
  const [hours = 0, minutes = 0] = sheet.time.split(':').map(Number);
  const typed = new Date(`${readDay(sheet.day) ?? ''}T00:00`);
  typed.setHours(hours, minutes);
  // A time that was not touched keeps its seconds.
  const same = wear && sheetOf(wear).day === sheet.day && sheetOf(wear).time === sheet.time;
  const start = same ? new Date(wear.startedAt) : typed;
  const lasted =
    wear?.seconds != null && sheetOf(wear).minutes === sheet.minutes
      ? wear.seconds * 1000
      : (readNumber(sheet.minutes) ?? 0) * 60_000;
  const empty = {
    exercise: false,
    capMinutes: null,
    signs: [],
    takenBack: [],
    treatId: null,
    begun: null,
    off: null,
  };
  return {
    ...empty,
    ...(wear ? draftOfWear(wear) : {}),
    startedAt: start.toISOString(),
    endedAt: new Date(start.getTime() + lasted).toISOString(),
    occasion: sheet.occasion as Schemas['Occasion'],
    ending: sheet.ending as Schemas['WearEnding'],
    happyId: sheet.happyId || null,
    place: sheet.place || null,
    forWhat: sheet.forWhat || null,
    who: sheet.who || null,
    strap: sheet.strap || null,
    rubs: sheet.rubs as Schemas['RubPlace'][],
    treatPieces: readNumber(sheet.treatPieces) ?? 0,
    note: sheet.note || null,
  };
}

/** A wear entered afterwards, or corrected. */
export function WearForm({ dogId, wear, onLeave }: { dogId: string; wear: Wear | null; onLeave: () => void }) {
  const kept = useKeptForm<Sheet>(`wear/${dogId}.${wear?.id ?? 'new'}`, sheetOf(wear), wear?.version ?? 0);
  const { form } = kept;
  const happy = useQuery(happyWearsQuery);
  const treats = useTreats(dogId);
  const changed = useDogChanged();
  const sending = useSubmit<Sheet, Wear>(kept, 'day', async ({ planMoved }) => {
    if (planMoved) notify(planMoved);
    await changed(dogId);
    onLeave();
  });
  const { errors } = form.formState;
  // The server's names for what is typed here in two fields.
  const refused = errors as Record<string, { message?: string } | undefined>;
  const [startedAt, endedAt] = [refused.startedAt?.message, refused.endedAt?.message];
  useEffect(() => {
    if (startedAt) form.setError('day', { type: 'refused', message: startedAt });
    if (endedAt) form.setError('minutes', { type: 'refused', message: endedAt });
  }, [form, startedAt, endedAt]);
  const save = (version = kept.version) => {
    const sheet = form.getValues();
    const problems = problemsOf(sheet);
    form.clearErrors();
    sayByField(form, problems);
    if (Object.keys(problems).length > 0) return;
    sending.submit({
      ...request(
        'put',
        '/api/dogs/{id}/wears/{wearId}',
        { id: dogId, wearId: wear?.id ?? kept.id },
        wearEntry(draftOf(sheet, wear)),
        version,
      ),
      what: t`a wear of ${sheet.day}`,
      dogId,
    });
  };
  return (
    <FormProvider {...form}>
      <Box borderWidth="1px" borderColor="border.strong" borderRadius="md" p="4" my="3">
        <Heading as="h3" size="md" mb="2">
          {wear ? t`This wear` : t`A wear afterwards`}
        </Heading>
        <Flex gap="4" wrap="wrap" align="start">
          <Box w="9rem">
            <DayText size="sm" name="day" label={labels.day} />
          </Box>
          <Box w="6rem">
            <TextField size="sm" name="time" label={labels.time} />
          </Box>
          <Box w="6rem">
            <TextField size="sm" name="minutes" label={labels.minutes} inputMode="decimal" />
          </Box>
          <Box w="10rem">
            <ChoiceField<Sheet> size="sm" name="occasion" label={labels.occasion} options={entries(occasionWords)} />
          </Box>
          <Box w="13rem">
            <ChoiceField<Sheet> size="sm" name="ending" label={labels.ending} options={entries(endingWords)} />
          </Box>
          <Box w="15rem">
            <ChoiceField<Sheet>
              size="sm"
              name="happyId"
              label={labels.happyId}
              none={t`Something else`}
              options={(happy.data ?? []).map((h) => [h.id, h.name])}
            />
          </Box>
          <Box w="12rem">
            <TextField size="sm" name="place" label={labels.place} />
          </Box>
          <Box w="12rem">
            <TextField size="sm" name="forWhat" label={labels.forWhat} />
          </Box>
          <Box w="10rem">
            <TextField size="sm" name="who" label={labels.who} />
          </Box>
          <Box w="10rem">
            <TextField size="sm" name="strap" label={labels.strap} />
          </Box>
          <Box w="10rem">
            <TextField
              size="sm"
              name="treatPieces"
              label={labels.treatPieces}
              inputMode="numeric"
              {...(treats.data?.treat ? { help: treats.data.treat } : {})}
            />
          </Box>
        </Flex>
        <Box mt="3">
          <SeveralField name="rubs" legend={t`Marks it left`} options={entries(rubWords)} />
        </Box>
        <Box mt="3">
          <LongField name="note" label={labels.note} rows={2} />
        </Box>
        <FormEnd
          does={t`Keep it`}
          kept={kept}
          sending={sending}
          says={() => t`This wear was changed by someone else in the meantime.`}
          differences={(theirs) => differences(labels, form.getValues(), sheetOf(theirs))}
          onSave={save}
          onTakeTheirs={onLeave}
          onLeave={onLeave}
        />
      </Box>
    </FormProvider>
  );
}
