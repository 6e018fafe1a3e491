import { Flex, Grid, Heading, Input } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useController, useFormContext, useWatch } from 'react-hook-form';
import { api, ask } from '../shared/api';
import { Labelled } from '../shared/fields';
import {
  ChoiceField,
  DayText,
  LongField,
  SeveralField,
  TextField,
  TickField,
  useFieldError,
} from '../shared/form/fields';
import { keys } from '../shared/keys';
import {
  biteWords,
  coatWords,
  entries,
  healthWords,
  purposeWords,
  seenTraits,
  sensitivityWords,
  shapeWords,
  temperamentWords,
} from '../shared/words';
import { BreedPicker } from './BreedPicker';
import { dogLabels, type Draft } from './draft';
import { HeadAsSaid } from './HeadAsSaid';
import { useBreeds } from './useBreeds';

/** Who the dog is: the same fields for a new dog and for a known one, of the form around them. */
export function DogForm({ isNew = false }: { isNew?: boolean }) {
  const breeds = useBreeds();
  const coats = useQuery({
    queryKey: keys.coats(),
    queryFn: ({ signal }) => ask(api.GET('/api/coat-colours', { signal })),
    staleTime: Infinity,
  });
  const coatOptions = (coats.data ?? []).map((c): [string, string] => [c.id, c.name]);
  const [breedIds, coatSeen] = useWatch<Draft, ['breedIds', 'coatSeen']>({ name: ['breedIds', 'coatSeen'] });
  const usual = breeds.data?.find((b) => b.id === breedIds[0])?.shape;

  return (
    <Grid templateColumns={{ base: '1fr', lg: '1fr 1fr' }} columnGap="12" rowGap="8">
      <Flex direction="column" gap="4">
        <Heading as="h2" size="lg">{t`Who it is`}</Heading>
        <HeadAsSaid />
        <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
          <TextField name="name" label={t`Name`} autoFocus={isNew} />
          <TextField name="keeper" label={t`Keeper`} />
          <TextField name="place" label={t`Place`} />
          <Breeds />
          <ChoiceField
            name="headShapeSeen"
            label={t`Head shape`}
            help={usual ? t`Usual for the breed: ${shapeWords[usual].toLowerCase()}` : t`Set it if you can see it`}
            options={entries(shapeWords)}
            none={t`From the breed`}
          />
          <ChoiceField
            name="coatSeen"
            label={t`Coat under the tape`}
            help={coatSeen === '' ? t`As usual for the breed` : undefined}
            options={entries(coatWords)}
            none={t`From the breed`}
          />
          <TextField name="bodyMassKg" label={t`Body mass, kg`} inputMode="decimal" />
          <Born />
          <ChoiceField name="coatId" label={t`Coat`} options={coatOptions} none={t`Not said`} />
        </Grid>
      </Flex>
      <Flex direction="column" gap="5">
        <Heading as="h2" size="lg">{t`What it is for, and how the dog is`}</Heading>
        <SeveralField name="purposes" legend={t`Purposes`} options={entries(purposeWords)} />
        <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
          <ChoiceField name="temperament" label={t`Temperament`} options={entries(temperamentWords)} />
          <ChoiceField name="biteTier" label={t`Bite history`} options={entries(biteWords)} />
        </Grid>
        <SeveralField name="sensitivities" legend={t`Minds, or finds hard`} options={entries(sensitivityWords)} />
        <SeveralField name="health" legend={t`Health`} options={entries(healthWords)} />
        <SeveralField name="traitsSeen" legend={t`Its head, whatever the breed`} options={seenTraits} />
        <LongField name="notes" label={t`Notes: they stand on no card`} rows={3} />
        <TickField name="notesForUs" label={dogLabels.notesForUs ?? ''} />
        <Heading as="h2" size="lg">{t`For whoever handles it`}</Heading>
        <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
          <TextField name="keeperPhone" label={dogLabels.keeperPhone ?? ''} inputMode="tel" />
          <TextField name="cue" label={dogLabels.cue ?? ''} />
          <TextField name="clinicName" label={dogLabels.clinicName ?? ''} />
          <TextField name="clinicPhone" label={dogLabels.clinicPhone ?? ''} inputMode="tel" />
        </Grid>
        <TextField name="bitesAbout" label={dogLabels.bitesAbout ?? ''} />
        <TickField name="familyWasTold" label={dogLabels.familyWasTold ?? ''} />
      </Flex>
    </Grid>
  );
}

/** One breed, or the two of a cross. */
function Breeds() {
  const { field } = useController<Draft, 'breedIds'>({ name: 'breedIds' });
  const [first = '', second = ''] = field.value;
  const [whole, one] = [useFieldError('breedIds'), useFieldError('breedIds[0]')];
  return (
    <>
      <Labelled label={t`Breed`} {...one} {...whole}>
        <BreedPicker
          label={t`Breed`}
          value={first}
          none={t`Unknown; type to find`}
          onChange={(id) => field.onChange(id === '' ? [] : [id, second].filter(Boolean))}
        />
      </Labelled>
      <Labelled label={t`Crossed with`}>
        <BreedPicker
          label={t`Crossed with`}
          value={second}
          none={t`Nothing known`}
          onChange={(id) => field.onChange([first, id].filter(Boolean))}
        />
      </Labelled>
    </>
  );
}

/** The day it was born, or how old it is: the one typed last counts. */
function Born() {
  const { register, setValue } = useFormContext<Draft>();
  return (
    <>
      <DayText
        name="birthDate"
        label={t`Born`}
        onInput={() => {
          setValue('ageYears', '');
          setValue('ageMonths', '');
        }}
      />
      <Labelled label={t`or age: years and months`} {...useFieldError('ageMonths')}>
        <Flex gap="2" w="full">
          <Input
            aria-label={t`Age, years`}
            inputMode="numeric"
            placeholder={t`years`}
            borderColor="border.strong"
            {...register('ageYears')}
          />
          <Input
            aria-label={t`Age, months`}
            inputMode="numeric"
            placeholder={t`months`}
            borderColor="border.strong"
            {...register('ageMonths')}
          />
        </Flex>
      </Labelled>
    </>
  );
}
