import { Box, Button, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { FormProvider, useWatch } from 'react-hook-form';
import { request, type Schemas } from '../shared/api';
import { useTakeInOfDog } from '../shared/dog';
import { ChoiceField, TextField } from '../shared/form/fields';
import { keys } from '../shared/keys';
import { FormEnd } from '../shared/saving/FormEnd';
import { hasDraft } from '../shared/saving/drafts';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { Waiting } from '../shared/Waiting';
import { Why } from '../shared/Why';
import { useSchools, useWaysOfWorking } from './useOutlook';

type Compared = Schemas['SchoolComparedDto'];

interface Sheet {
  school: Schemas['SchoolId'];
  policies: Partial<Record<Schemas['PolicyTopic'], string>>;
  reason: string;
}

/** The school a dog is trained by, its policies, and what the others would change for this dog. */
export function Schools({ plan, dogId }: { plan: Schemas['PlanDto']; dogId: string }) {
  const [open, setOpen] = useState(() => hasDraft(`school/${dogId}`));
  return (
    <Box as="section" aria-label={t`School`}>
      <Heading as="h3" size="md">{t`The school: ${plan.school}`}</Heading>
      <Text>
        {plan.schoolSays} {plan.schoolReason && t`Chosen: ${plan.schoolReason}`}
      </Text>
      <ul>
        {plan.policies.map((p) => (
          <Flex as="li" key={p.topic} gap="3" py="1.5" borderTopWidth="1px" borderColor="border" align="start">
            <Text w="9rem" flexShrink="0" color="fg.muted">
              {p.name}
            </Text>
            <Text flex="1">
              <b>{p.choice}.</b> {p.reason}
            </Text>
            <Why basis={p.basis} about={p.name} />
          </Flex>
        ))}
      </ul>
      <Button mt="2" size="sm" variant="outline" borderColor="border.strong" onClick={() => setOpen(!open)}>
        {open ? t`Stay with it` : t`Other schools, side by side`}
      </Button>
      {open && <Compare plan={plan} dogId={dogId} onDone={() => setOpen(false)} />}
    </Box>
  );
}

function Compare({ plan, dogId, onDone }: { plan: Schemas['PlanDto']; dogId: string; onDone: () => void }) {
  const schools = useSchools(dogId, true);
  const ways = useWaysOfWorking(true);
  const kept = useKeptForm<Sheet>(
    `school/${dogId}`,
    { school: plan.schoolId, policies: {}, reason: '' },
    plan.choiceVersion,
  );
  const { form } = kept;
  const picked = useWatch({ control: form.control, name: 'school' });
  const take = useTakeInOfDog(dogId);
  const sending = useSubmit<Sheet, Schemas['PlanDto']>(kept, 'reason', async (answer) => {
    await take(keys.ofDog(dogId, 'plan'), answer);
    onDone();
  });
  if (!schools.data || !ways.data) return <Waiting query={schools.data ? ways : schools} />;
  const train = (version = kept.version) => {
    const { school, policies, reason } = form.getValues();
    // What is left as it is asked is not sent.
    const set = Object.fromEntries(Object.entries(policies).filter(([, option]) => option));
    sending.submit({
      ...request('post', '/api/dogs/{id}/plan/school', { id: dogId }, { school, policies: set, reason }, version),
      what: t`the school it is trained by`,
      dogId,
    });
  };
  return (
    <FormProvider {...form}>
      <Box mt="3">
        <Grid
          as="ul"
          templateColumns={{ base: '1fr', md: '1fr 1fr' }}
          columnGap="6"
          role="radiogroup"
          aria-label={t`Schools`}
          listStyleType="none"
        >
          {schools.data.map((school) => (
            <SchoolRow
              key={school.id}
              school={school}
              picked={picked === school.id}
              onPick={() => form.setValue('school', school.id)}
            />
          ))}
        </Grid>
        <Grid templateColumns={{ base: '1fr', md: '1fr 1fr 1fr' }} gap="3" mt="4">
          {ways.data.policies.map((p) => (
            <ChoiceField
              key={p.topic}
              size="sm"
              name={`policies.${p.topic}`}
              label={p.name}
              none={t`As dog and school ask`}
              options={p.options.map((o): [string, string] => [o.id, o.says])}
            />
          ))}
        </Grid>
        <Box mt="3" maxW="40rem">
          <TextField size="sm" name="reason" label={t`Why? It stays beside the plan`} />
        </Box>
        <FormEnd
          does={t`Train so from now on`}
          kept={kept}
          sending={sending}
          says={(theirs) => t`It was set by someone else in the meantime: ${theirs.school}.`}
          differences={() => []}
          onSave={(version) => train(version ?? kept.version)}
          onTakeTheirs={onDone}
          onLeave={onDone}
        />
      </Box>
    </FormProvider>
  );
}

function SchoolRow({ school, picked, onPick }: { school: Compared; picked: boolean; onPick: () => void }) {
  return (
    <Box as="li" borderTopWidth="2px" borderColor={picked ? 'accent' : 'border'} py="2">
      <Button
        role="radio"
        aria-checked={picked}
        variant="ghost"
        size="sm"
        px="0"
        h="auto"
        fontFamily="heading"
        fontWeight="750"
        fontSize="md"
        onClick={onPick}
      >
        <span aria-hidden="true">{picked ? '◉' : '○'}</span> {school.name}
        {school.isChosen && t` (now)`}
      </Button>
      <Text fontSize="sm">{school.says}</Text>
      <Text fontSize="sm" color="fg.muted">
        <Trans>
          {school.steps} steps, {school.kept} of them passed already.
          {school.adds.length > 0 && t` Brings: ${school.adds.join(', ')}.`}
          {school.drops.length > 0 && t` Leaves out: ${school.drops.join(', ')}.`}
        </Trans>
      </Text>
      {school.policies.length > 0 && (
        <Text fontSize="sm" color="fg.muted">
          {school.policies.map((p) => `${p.name}: ${p.choice.toLowerCase()}`).join('; ')}.
        </Text>
      )}
    </Box>
  );
}
