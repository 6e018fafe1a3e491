import { Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { FormProvider } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { request, type Schemas } from '../shared/api';
import { sayByField } from '../shared/form/refuse';
import { keys } from '../shared/keys';
import { LeaveButton } from '../shared/saving/LeaveButton';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { usePageTitle } from '../shared/usePageTitle';
import { DogForm } from './DogForm';
import { emptyDraft, entryOf, type Draft } from './draft';
import { useDogChanged } from '../shared/dog';

/** A new dog; on to the bench as soon as it is added. */
export function NewDogPage() {
  usePageTitle(t`New dog`);
  const kept = useKeptForm<Draft>('dog/new', emptyDraft);
  const { form } = kept;
  const go = useNavigate();
  const changed = useDogChanged();
  const { submit, state, isOnItsWay } = useSubmit<Draft, Schemas['DogDto']>(kept, 'root', async ({ id }) => {
    await changed(id);
    await go(`/dogs/${id}/measure`);
  });
  const add = () => {
    const draft = form.getValues();
    const entry = entryOf(draft);
    form.clearErrors();
    if ('fields' in entry) return sayByField(form, entry.fields);
    submit({
      ...request('post', '/api/dogs', {}, { ...entry.entry, id: kept.id }),
      what: draft.name || t`a new dog`,
      again: [keys.rounds()],
    });
  };
  const other = form.formState.errors.root?.message;

  return (
    <FormProvider {...form}>
      <form
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <Flex
          mb="4"
          gap="4"
          align="center"
          wrap="wrap"
          position="sticky"
          top="0"
          bg="bg"
          py="2"
          zIndex="1"
          borderBottomWidth="1px"
          borderColor="border"
        >
          <Heading as="h1" size="3xl" me="auto">{t`New dog`}</Heading>
          <Text role="status" color="fg.muted">
            {state}
          </Text>
          {other && (
            <Text role="alert" color="stop">
              {other}
            </Text>
          )}
          {kept.touched && !isOnItsWay && (
            <LeaveButton touched label={t`Clear the form`} onLeave={() => kept.startWith(emptyDraft, 0)} />
          )}
          <Button type="submit" colorPalette="marigold" size="lg" disabled={isOnItsWay}>{t`Add and measure`}</Button>
        </Flex>
        <DogForm isNew />
      </form>
    </FormProvider>
  );
}
