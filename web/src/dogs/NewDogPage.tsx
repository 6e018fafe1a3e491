import { Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { FormProvider } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { api, ask } from '../shared/api';
import { sayByField } from '../shared/form/refuse';
import { newId } from '../shared/ids';
import { LeaveButton } from '../shared/saving/LeaveButton';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { usePageTitle } from '../shared/usePageTitle';
import { DogForm } from './DogForm';
import { emptyDraft, entryOf } from './draft';
import { useDogChanged } from '../shared/dog';

/** A new dog; on to the bench as soon as it is added. */
export function NewDogPage() {
  usePageTitle(t`New dog`);
  const kept = useKeptForm('dog/new', { ...emptyDraft, made: newId() });
  const { form } = kept;
  const go = useNavigate();
  const changed = useDogChanged();
  const { submit, state } = useSubmit(form, 'root');
  const add = form.handleSubmit(async ({ made, ...draft }) => {
    const entry = entryOf(draft);
    if ('fields' in entry) return sayByField(form, entry.fields);
    const done = await submit(() => ask(api.POST('/api/dogs', { body: { ...entry.entry, id: made } })));
    if (!done) return;
    kept.drop();
    await changed(made);
    await go(`/dogs/${made}/measure`);
  });
  const other = form.formState.errors.root?.message;

  return (
    <FormProvider {...form}>
      <form noValidate onSubmit={(event) => void add(event)}>
        <Heading as="h1" size="3xl" mb="5">{t`New dog`}</Heading>
        <DogForm />
        <Flex mt="8" gap="4" align="center" wrap="wrap">
          <Button
            type="submit"
            colorPalette="marigold"
            size="lg"
            loading={state === 'Saving …'}
          >{t`Add and measure`}</Button>
          <Text role="status" color="fg.muted">
            {state}
          </Text>
          {other && (
            <Text role="alert" color="stop">
              {other}
            </Text>
          )}
          {kept.touched && (
            <LeaveButton
              touched
              label={t`Clear the form`}
              onLeave={() => kept.startWith({ ...emptyDraft, made: newId() }, 0)}
            />
          )}
        </Flex>
      </form>
    </FormProvider>
  );
}
