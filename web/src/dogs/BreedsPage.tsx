import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { useState } from 'react';
import { FormProvider } from 'react-hook-form';
import { request } from '../shared/api';
import { ChoiceField, SeveralField, TextField } from '../shared/form/fields';
import { differences } from '../shared/saving/differences';
import { FormEnd } from '../shared/saving/FormEnd';
import { keptDrafts, NEW } from '../shared/saving/drafts';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { entries, shapeWords, traitWords } from '../shared/words';
import { entryOf, useBreeds, useEditBreed, type Breed } from './useBreeds';

const blank: Breed = {
  id: '',
  name: '',
  shape: 'medium',
  traits: [],
  growingMonths: 15,
  alsoCalled: [],
  own: true,
  shipped: false,
  version: 0,
};

/** The breeds with what matters to a fitter: find, correct, add. */
export function BreedsPage() {
  usePageTitle(t`Breeds`);
  const [find, setFind] = useState('');
  // What was being typed when the page was left is open again.
  const [open, setOpen] = useState<Breed | null>(() => {
    const [id] = keptDrafts('breed');
    return id === undefined ? null : { ...blank, id: id === NEW ? '' : id };
  });
  const breeds = useBreeds(find);
  const { reset } = useEditBreed();
  if (!breeds.data) return <Waiting query={breeds} />;
  return (
    <Box maxW="60rem">
      <Heading as="h1" size="3xl">{t`Breeds`}</Heading>
      <Text>{t`The usual head of each breed, from memory, not looked up: correct what you know better. The dog in front of you comes first.`}</Text>
      <Flex gap="3" my="4" align="center" wrap="wrap">
        <Input
          w="22rem"
          aria-label={t`Find a breed`}
          placeholder={t`any words: terrier short jowls`}
          value={find}
          borderColor="border.strong"
          onChange={(e) => setFind(e.target.value)}
        />
        <Text role="status" color="fg.muted">
          {plural(breeds.data.length, { one: '# breed', other: '# breeds' })}
        </Text>
        <Button
          ms="auto"
          size="sm"
          variant="outline"
          borderColor="border.strong"
          onClick={() => setOpen({ ...blank, name: find })}
        >{t`Add a breed`}</Button>
      </Flex>
      {open?.id === '' && <Editor breed={open} onLeave={() => setOpen(null)} />}
      <ul>
        {breeds.data.map((breed) => (
          <Box as="li" key={breed.id} py="1.5" borderBottomWidth="1px" borderColor="border">
            <Flex gap="4" align="center" wrap="wrap">
              <img
                src={`/api/breeds/${breed.id}/head.svg`}
                alt=""
                loading="lazy"
                width={84}
                height={60}
                style={{ objectFit: 'contain', width: 84, height: 60 }}
              />
              <Text fontWeight="700" w="15rem">
                {breed.name}
                {breed.own && <Text as="span" fontWeight="400" color="fg.muted">{t` yours`}</Text>}
              </Text>
              <Text w="5rem">{shapeWords[breed.shape].toLowerCase()}</Text>
              <Text flex="1" minW="12rem" color="fg.muted">
                {[...breed.traits.map((t) => traitWords[t].toLowerCase()), t`grows ${breed.growingMonths} months`].join(
                  ', ',
                )}
              </Text>
              <Button
                size="xs"
                variant="outline"
                borderColor="border.strong"
                aria-label={t`Correct ${breed.name}`}
                onClick={() => setOpen(breed)}
              >{t`Correct`}</Button>
              {breed.own && (
                <Button size="xs" variant="ghost" onClick={() => void reset(breed)}>
                  {breed.shipped ? t`As shipped` : t`Take out`}
                </Button>
              )}
            </Flex>
            {open?.id === breed.id && <Editor breed={breed} onLeave={() => setOpen(null)} />}
          </Box>
        ))}
      </ul>
    </Box>
  );
}

/** A breed as it is typed. */
type Sheet = Omit<Breed, 'growingMonths' | 'alsoCalled'> & { growingMonths: string; alsoCalled: string };

const sheetOf = (breed: Breed): Sheet => ({
  ...breed,
  growingMonths: breed.growingMonths.toString(),
  alsoCalled: breed.alsoCalled.join(', '),
});

const breedLabels = {
  name: t`Name`,
  shape: t`Head shape`,
  growingMonths: t`Grows, months`,
  alsoCalled: t`Also called`,
  traits: t`Traits`,
};

function Editor({ breed, onLeave }: { breed: Breed; onLeave: () => void }) {
  const kept = useKeptForm(`breed/${breed.id || NEW}`, sheetOf(breed), breed.version);
  const { form } = kept;
  const sending = useSubmit<Sheet, Breed>(kept, 'name', onLeave);
  const save = (version = kept.version) => {
    const { growingMonths, alsoCalled, ...typed } = form.getValues();
    const entry = entryOf({
      ...typed,
      growingMonths: Math.round(Number(growingMonths)) || 0,
      alsoCalled: alsoCalled.split(','),
    });
    sending.submit({
      ...(breed.id === ''
        ? request('post', '/api/breeds', {}, entry)
        : request('put', '/api/breeds/{breedId}', { breedId: breed.id }, entry, version)),
      what: typed.name || t`a new breed`,
      // Whatever shows a dog may show another head shape now.
      again: 'everything',
    });
  };
  return (
    <FormProvider {...form}>
      <Box
        as="section"
        aria-label={t`Edit ${breed.name || t`a new breed`}`}
        borderInlineStartWidth="4px"
        borderColor="accent"
        ps="4"
        my="3"
      >
        <Flex gap="4" wrap="wrap">
          <Box w="16rem">
            <TextField name="name" label={breedLabels.name} />
          </Box>
          <Box w="9rem">
            <ChoiceField name="shape" label={breedLabels.shape} options={entries(shapeWords)} />
          </Box>
          <Box w="9rem">
            <TextField name="growingMonths" label={breedLabels.growingMonths} inputMode="numeric" />
          </Box>
          <Box w="14rem">
            <TextField name="alsoCalled" label={breedLabels.alsoCalled} />
          </Box>
        </Flex>
        <Box mt="3">
          <SeveralField name="traits" legend={breedLabels.traits} options={entries(traitWords)} />
        </Box>
        <FormEnd
          does={t`Save`}
          kept={kept}
          sending={sending}
          says={({ name }) => t`${name} was changed by someone else in the meantime.`}
          differences={(theirs) => differences(breedLabels, form.getValues(), sheetOf(theirs))}
          onSave={save}
          onTakeTheirs={onLeave}
          onLeave={onLeave}
        />
      </Box>
    </FormProvider>
  );
}
