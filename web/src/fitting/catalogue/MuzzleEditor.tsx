import { Box, Button, Flex, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { request } from '../../shared/api';
import { dateText } from '../../shared/dates';
import { FormProvider, useFieldArray, useFormContext } from 'react-hook-form';
import { ChoiceField, TextField, TickField, useFieldError } from '../../shared/form/fields';
import { notify } from '../../shared/notices';
import { differences } from '../../shared/saving/differences';
import { FormEnd } from '../../shared/saving/FormEnd';
import { NEW } from '../../shared/saving/drafts';
import { useKeptForm } from '../../shared/saving/useKeptForm';
import { useSubmit } from '../../shared/saving/useSubmit';
import { closureWords, entries, foreheadWords, frontWords, materialWords, typeWords } from '../../shared/words';
import { draftOf, entryOf, muzzleLabels, newDraft, type Draft } from './draft';
import { SizeTable } from './SizeTable';
import { useEditCatalogue, useVersions, type Muzzle } from './useCatalogue';

/** A model with its sizes, drawn as they are typed; keeping it makes a new version. */
export function MuzzleEditor({ muzzle, onLeave }: { muzzle: Muzzle | null; onLeave: () => void }) {
  const kept = useKeptForm<Draft>(
    `muzzle/${muzzle?.model.id ?? NEW}`,
    muzzle ? draftOf(muzzle.model) : newDraft(),
    muzzle?.version,
  );
  const { form } = kept;
  const sending = useSubmit<Draft, Muzzle>(kept, 'name', (made) => {
    notify(t`${made.model.name} is kept as version ${made.revision}.`);
    onLeave();
  });
  const save = (version = kept.version) => {
    const entry = entryOf(form.getValues());
    sending.submit({
      ...(muzzle
        ? request('put', '/api/catalogue/{modelId}', { modelId: muzzle.model.id }, entry, version)
        : request('post', '/api/catalogue', {}, entry)),
      what: form.getValues('name') || t`a new model`,
      // Fits, van and catalogue all show muzzles.
      again: 'everything',
    });
  };
  return (
    <FormProvider {...form}>
      <Box
        as="section"
        aria-label={t`Edit ${muzzle?.model.name ?? t`a new model`}`}
        borderInlineStartWidth="4px"
        borderColor="accent"
        ps="4"
        my="3"
      >
        <Flex gap="3" wrap="wrap" align="start">
          <Line name="name" width="10rem" />
          <Line name="maker" width="10rem" />
          <Pick name="type" options={entries(typeWords)} />
          <Pick name="material" options={entries(materialWords)} />
          <Pick name="closure" options={entries(closureWords)} />
          <Pick name="foreheadStrap" options={entries(foreheadWords)} />
          <Pick name="frontOpening" options={entries(frontWords)} />
        </Flex>
        <Flex gap="3" wrap="wrap" mt="3" align="start">
          <Line name="frontBarGapMm" width="8rem" />
          <Line name="plateMm" width="8rem" />
          <Line name="formableMm" width="8rem" />
          <Line name="holePitchMm" width="8rem" />
          <Line name="leadDays" width="8rem" />
          <Flex direction="column" gap="2" pt="6">
            <TickField name="collarLink" label={muzzleLabels.collarLink} />
            <TickField name="frontBar" label={muzzleLabels.frontBar} />
          </Flex>
          <Box flex="1 1 14rem">
            <TextField size="sm" name="note" label={muzzleLabels.note} />
          </Box>
        </Flex>
        <Colours />
        <SizeTable />
        <FormEnd
          does={muzzle ? t`Keep as a new version` : t`Keep it`}
          kept={kept}
          sending={sending}
          says={({ model, version }) =>
            t`${model.name} was changed by someone else in the meantime: version ${version} is kept.`
          }
          differences={(theirs) => differences(muzzleLabels, form.getValues(), draftOf(theirs.model))}
          onSave={save}
          onTakeTheirs={({ model, version }) => kept.startWith(draftOf(model), version)}
          onLeave={onLeave}
        />
        {muzzle?.own && <Versions muzzle={muzzle} />}
      </Box>
    </FormProvider>
  );
}

function Line({ name, width }: { name: keyof Draft; width: string }) {
  return (
    <Box w={width}>
      <TextField size="sm" name={name} label={muzzleLabels[name]} />
    </Box>
  );
}

function Pick({ name, options }: { name: keyof Draft; options: [string, string][] }) {
  return (
    <Box w="9.5rem">
      <ChoiceField size="sm" name={name} label={muzzleLabels[name]} options={options} />
    </Box>
  );
}

function Colours() {
  const { register } = useFormContext<Draft>();
  const { fields, append, remove } = useFieldArray<Draft, 'colours', 'key'>({ name: 'colours', keyName: 'key' });
  const { error } = useFieldError('colours');
  return (
    <Flex gap="3" wrap="wrap" mt="3" align="center">
      <Text fontWeight="700">{t`Colours`}</Text>
      {fields.map((colour, i) => (
        <Flex key={colour.key} gap="1" align="center">
          <input type="color" aria-label={t`Shade of colour ${i + 1}`} {...register(`colours.${i}.hex`)} />
          <Input
            size="xs"
            w="7rem"
            aria-label={t`Name of colour ${i + 1}`}
            borderColor="border.strong"
            {...register(`colours.${i}.name`)}
          />
          <Button size="xs" variant="ghost" aria-label={t`Take colour ${i + 1} out`} onClick={() => remove(i)}>
            ✕
          </Button>
        </Flex>
      ))}
      <Button
        size="xs"
        variant="outline"
        borderColor="border.strong"
        onClick={() => append({ name: 'black', hex: '#22262a' })}
      >{t`Add a colour`}</Button>
      {error && <Text color="stop">△ {error}</Text>}
    </Flex>
  );
}

/** What the model was before; any version can be made the newest again. */
function Versions({ muzzle }: { muzzle: Muzzle }) {
  const versions = useVersions(muzzle.model.id);
  const { bringBack } = useEditCatalogue();
  if (!versions.data) return null;
  return (
    <Box mt="3" fontSize="sm">
      <Text fontWeight="700">{t`Versions: fits made with one keep showing it`}</Text>
      <ul>
        {versions.data.map((v) => (
          <Flex as="li" key={v.revision} gap="3" align="center">
            <Text>
              {v.revision}: {v.at ? dateText(v.at, 'moment') : t`as shipped`},{' '}
              {v.model ? t`${v.model.sizes.length} sizes` : v.unreadable ? t`cannot be read` : t`put away`}
            </Text>
            {v.model && v.revision !== muzzle.revision && (
              <Button
                size="2xs"
                variant="outline"
                borderColor="border.strong"
                onClick={() => void bringBack(muzzle.model.id, v.revision, muzzle.version)}
              >{t`Bring back`}</Button>
            )}
          </Flex>
        ))}
      </ul>
    </Box>
  );
}
