import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { FormProvider } from 'react-hook-form';
import { api, ask, request, type Schemas } from '../shared/api';
import { dateText, readDay, readTime } from '../shared/dates';
import { useDogChanged, useThisDog } from '../shared/dog';
import { ChoiceField, DayText, TextField } from '../shared/form/fields';
import { keys } from '../shared/keys';
import { differences } from '../shared/saving/differences';
import { FormEnd } from '../shared/saving/FormEnd';
import { draftOfDog } from '../shared/saving/drafts';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { Waiting } from '../shared/Waiting';
import { appointmentWords, entries } from '../shared/words';
import { useAppointments, useTakeOut } from './useWearing';
import { WearRooms } from './WearRooms';
import { occasionMarks, occasionWords } from './words';

type Appointment = Schemas['AppointmentDto'];

interface Sheet {
  day: string;
  time: string;
  kind: string;
  occasion: string;
  place: string;
  readyAt: string;
  note: string;
}

const labels: Record<keyof Sheet, string> = {
  day: t`Day`,
  time: t`At`,
  kind: t`What for`,
  occasion: t`To the dog it will be`,
  place: t`Where`,
  readyAt: t`Passed by then`,
  note: t`Anything else`,
};

const sheetOf = (a: Appointment | null): Sheet => ({
  day: a ? dateText(a.day, 'short') : '',
  time: a?.time?.slice(0, 5) ?? '',
  kind: a?.kind ?? 'clinic',
  occasion: a?.occasion ?? '',
  place: a?.place ?? '',
  readyAt: a?.readyAt ?? '',
  note: a?.note ?? '',
});

/** Days on which it has to wear its muzzle somewhere. */
export function VisitsPage() {
  const { dog } = useThisDog();
  const visits = useAppointments(dog.id);
  const [open, setOpen] = useState<string | null>(() => draftOfDog('visit', dog.id));
  const takeOut = useTakeOut(dog.id);
  if (!visits.data) return <Waiting query={visits} />;
  const coming = visits.data.filter((v) => !v.past);
  const past = visits.data.filter((v) => v.past).reverse();
  const row = (v: Appointment) =>
    open === v.id ? (
      <VisitForm key={v.id} dogId={dog.id} visit={v} onLeave={() => setOpen(null)} />
    ) : (
      <Flex as="li" key={v.id} gap="4" py="2" borderTopWidth="1px" borderColor="border" align="start" wrap="wrap">
        <Text w="10rem" flexShrink="0" fontWeight="700">
          {dateText(v.day, 'weekday')}
          {v.time && `, ${v.time.slice(0, 5)}`}
        </Text>
        <Box flex="1" minW="14rem">
          <Text fontSize="lg">
            <b>{appointmentWords[v.kind]}</b>
            {v.place && `, ${v.place}`} · <span aria-hidden="true">{occasionMarks[v.occasion]}</span>{' '}
            {occasionWords[v.occasion].toLowerCase()}
          </Text>
          {v.note && <Text fontSize="sm">{v.note}</Text>}
        </Box>
        <Flex gap="1">
          <Button size="xs" variant="ghost" onClick={() => setOpen(v.id)}>{t`Change`}</Button>
          <Button
            size="xs"
            variant="ghost"
            onClick={() => {
              const path = { params: { path: { id: dog.id, appointmentId: v.id } } };
              void takeOut(
                t`The appointment is off.`,
                () => ask(api.DELETE('/api/dogs/{id}/appointments/{appointmentId}', path)),
                () => ask(api.POST('/api/dogs/{id}/appointments/{appointmentId}/restore', path)),
              );
            }}
          >{t`Cancel it`}</Button>
        </Flex>
      </Flex>
    );
  return (
    <Box maxW="52rem">
      <WearRooms dogId={dog.id} />
      <Flex align="baseline" gap="4">
        <Heading as="h2" size="2xl">{t`Coming`}</Heading>
        <Button
          size="sm"
          variant="outline"
          borderColor="border.strong"
          ms="auto"
          onClick={() => setOpen('new')}
        >{t`New appointment`}</Button>
      </Flex>
      {open === 'new' && <VisitForm dogId={dog.id} visit={null} onLeave={() => setOpen(null)} />}
      {coming.length === 0 && open !== 'new' && (
        <Text>{t`None. A clinic visit, the groomer or the ferry entered here gives the plan its date, has the muzzle inspected in time, and is weighed in the balance.`}</Text>
      )}
      <ul>{coming.map(row)}</ul>
      {past.length > 0 && (
        <>
          <Heading as="h2" size="lg" mt="8">{t`Over`}</Heading>
          <ul>{past.map(row)}</ul>
        </>
      )}
    </Box>
  );
}

function VisitForm({ dogId, visit, onLeave }: { dogId: string; visit: Appointment | null; onLeave: () => void }) {
  const kept = useKeptForm<Sheet>(`visit/${dogId}.${visit?.id ?? 'new'}`, sheetOf(visit), visit?.version ?? 0);
  const { form } = kept;
  const plan = useQuery({
    queryKey: keys.ofDog(dogId, 'plan'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/plan', { signal, params: { path: { id: dogId } } })),
  });
  const changed = useDogChanged();
  const sending = useSubmit<Sheet, Appointment>(kept, 'day', async () => {
    await changed(dogId);
    onLeave();
  });
  const save = (version = kept.version) => {
    const sheet = form.getValues();
    form.clearErrors();
    const day = readDay(sheet.day);
    if (!day)
      return form.setError('day', {
        type: 'ours',
        message: t`A day, please, such as ${dateText(new Date(), 'short')}.`,
      });
    const time = readTime(sheet.time);
    if (time === null && sheet.time.trim() !== '')
      return form.setError('time', { type: 'ours', message: t`A time such as 10:30, or nothing.` });
    sending.submit({
      ...request(
        'put',
        '/api/dogs/{id}/appointments/{appointmentId}',
        { id: dogId, appointmentId: visit?.id ?? kept.id },
        {
          day,
          time: time && `${time}:00`,
          kind: sheet.kind as Schemas['AppointmentKind'],
          occasion: sheet.occasion === '' ? null : (sheet.occasion as Schemas['Occasion']),
          place: sheet.place || null,
          readyAt: sheet.readyAt || null,
          note: sheet.note || null,
        },
        version,
      ),
      what: t`an appointment on ${sheet.day}`,
      dogId,
    });
  };
  return (
    <FormProvider {...form}>
      <Box borderWidth="1px" borderColor="border.strong" borderRadius="md" p="4" my="3">
        <Flex gap="4" wrap="wrap" align="start">
          <Box w="9rem">
            <DayText size="sm" name="day" label={labels.day} />
          </Box>
          <Box w="6rem">
            <TextField size="sm" name="time" label={labels.time} placeholder="10:30" />
          </Box>
          <Box w="10rem">
            <ChoiceField<Sheet> size="sm" name="kind" label={labels.kind} options={entries(appointmentWords)} />
          </Box>
          <Box w="12rem">
            <ChoiceField<Sheet>
              size="sm"
              name="occasion"
              label={labels.occasion}
              none={t`As is usual`}
              options={entries(occasionWords)}
            />
          </Box>
          <Box w="14rem">
            <TextField size="sm" name="place" label={labels.place} />
          </Box>
          <Box w="18rem">
            <ChoiceField<Sheet>
              size="sm"
              name="readyAt"
              label={labels.readyAt}
              none={t`Its purpose’s last step`}
              options={(plan.data?.steps ?? []).map((s) => [s.step.id, s.step.name])}
            />
          </Box>
        </Flex>
        <Box mt="3">
          <TextField size="sm" name="note" label={labels.note} />
        </Box>
        <FormEnd
          does={t`Keep it`}
          kept={kept}
          sending={sending}
          says={() => t`This appointment was changed by someone else in the meantime.`}
          differences={(theirs) => differences(labels, form.getValues(), sheetOf(theirs))}
          onSave={save}
          onTakeTheirs={onLeave}
          onLeave={onLeave}
        />
      </Box>
    </FormProvider>
  );
}
