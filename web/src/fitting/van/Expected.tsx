import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { FormProvider } from 'react-hook-form';
import { request, type Schemas } from '../../shared/api';
import { ChoiceField, SeveralField, TextField } from '../../shared/form/fields';
import { keys } from '../../shared/keys';
import { differences } from '../../shared/saving/differences';
import { FormEnd } from '../../shared/saving/FormEnd';
import { keptDrafts, NEW } from '../../shared/saving/drafts';
import { useKeptForm } from '../../shared/saving/useKeptForm';
import { useSubmit } from '../../shared/saving/useSubmit';
import { entries, purposeWords, shapeWords } from '../../shared/words';
import { numberOf } from '../catalogue/draft';
import { useEditVan } from './useVan';

type Dogs = Schemas['ExpectedDogDto'];
type Sheet = Pick<Dogs, 'headShape' | 'purposes'> & Record<'name' | (typeof fields)[number][0], string>;

const fields = [
  ['count', t`How many`],
  ['eyeMm', t`Nose to eye, mm`],
  ['girthMm', t`Snout girth, mm`],
  ['widthMm', t`Snout width, mm`],
  ['neckMm', t`Neck girth, mm`],
] as const;

const labels = { name: t`What sort`, headShape: t`Head`, purposes: t`For`, ...Object.fromEntries(fields) };

const blank: Sheet = {
  name: '',
  count: '1',
  eyeMm: '',
  girthMm: '',
  widthMm: '',
  neckMm: '',
  headShape: 'medium',
  purposes: ['walks'],
};
const draftOf = (dogs: Dogs): Sheet => ({
  name: dogs.name,
  count: `${dogs.count}`,
  eyeMm: `${dogs.eyeMm}`,
  girthMm: `${dogs.girthMm ?? ''}`,
  widthMm: `${dogs.widthMm ?? ''}`,
  neckMm: `${dogs.neckMm ?? ''}`,
  headShape: dogs.headShape,
  purposes: dogs.purposes,
});

/** Dogs the practice expects, described by a head. */
export function Expected({ expected }: { expected: Dogs[] }) {
  const { unexpect } = useEditVan();
  // What was being typed when the page was left is open again.
  const [open, setOpen] = useState<string | null>(() => keptDrafts('expected')[0] ?? null);
  const close = () => setOpen(null);
  return (
    <Box as="section" aria-label={t`Dogs expected`} mt="8">
      <Heading as="h2" size="lg">{t`Dogs expected`}</Heading>
      <ul>
        {expected.map((d) => (
          <Box as="li" key={d.id} py="1.5" borderTopWidth="1px" borderColor="border">
            {open === d.id ? (
              <HeadSheet
                id={d.id}
                start={draftOf(d)}
                version={d.version}
                does={t`Save`}
                biteTier={d.biteTier}
                onClose={close}
              />
            ) : (
              <Flex gap="1" align="center">
                <Text flex="1">
                  <b>
                    {d.count} {d.name}
                  </b>{' '}
                  <Text
                    as="span"
                    color="fg.muted"
                    fontSize="sm"
                  >{t`${shapeWords[d.headShape].toLowerCase()}, ${Math.round(d.eyeMm)} mm to the eye`}</Text>
                </Text>
                <Button
                  size="xs"
                  variant="ghost"
                  aria-label={t`Correct: ${d.name}`}
                  onClick={() => setOpen(d.id)}
                >{t`Correct`}</Button>
                <Button size="xs" variant="ghost" onClick={() => void unexpect(d)}>{t`Take out`}</Button>
              </Flex>
            )}
          </Box>
        ))}
      </ul>
      {open === NEW ? (
        <HeadSheet id={NEW} start={blank} version={0} does={t`Expect them`} onClose={close} />
      ) : (
        <Button
          size="sm"
          variant="outline"
          borderColor="border.strong"
          mt="2"
          onClick={() => setOpen(NEW)}
        >{t`Expect more dogs`}</Button>
      )}
    </Box>
  );
}

function HeadSheet({
  id,
  start,
  version,
  does,
  biteTier,
  onClose,
}: {
  id: string;
  start: Sheet;
  version: number;
  does: string;
  biteTier?: Schemas['BiteTier'];
  onClose: () => void;
}) {
  const kept = useKeptForm<Sheet>(`expected/${id}`, start, version);
  const { form } = kept;
  const sending = useSubmit<Sheet, unknown, Dogs>(kept, 'name', onClose);
  const save = (of = kept.version) => {
    const draft = form.getValues();
    const entry: Schemas['ExpectedDogEntry'] = {
      ...(biteTier ? { biteTier } : {}),
      name: draft.name,
      headShape: draft.headShape,
      purposes: draft.purposes,
      ...Object.fromEntries(fields.map(([key]) => [key, numberOf(draft[key])])),
    };
    sending.submit({
      ...(id === NEW
        ? request('post', '/api/van/expected', {}, { ...entry, id: kept.id })
        : request('put', '/api/van/expected/{expectedId}', { expectedId: id }, entry, of)),
      what: t`dogs expected: ${draft.name}`,
      again: [keys.vans()],
    });
  };
  return (
    <FormProvider {...form}>
      <Box borderInlineStartWidth="4px" borderColor="accent" ps="4" mt="2">
        <Flex gap="3" wrap="wrap">
          <Box w="14rem">
            <TextField size="sm" name="name" label={labels.name} />
          </Box>
          <Box w="8rem">
            <ChoiceField size="sm" name="headShape" label={labels.headShape} options={entries(shapeWords)} />
          </Box>
          {fields.map(([key, label]) => (
            <Box key={key} w="8.5rem">
              <TextField size="sm" name={key} label={label} />
            </Box>
          ))}
        </Flex>
        <Box mt="3">
          <SeveralField name="purposes" legend={labels.purposes} options={entries(purposeWords)} />
        </Box>
        <FormEnd
          does={does}
          kept={kept}
          sending={sending}
          says={({ name }) => t`${name} were changed by someone else in the meantime.`}
          differences={(theirs) => differences(labels, form.getValues(), draftOf(theirs))}
          onSave={save}
          onTakeTheirs={onClose}
          onLeave={onClose}
        />
      </Box>
    </FormProvider>
  );
}
