import { Box, Flex, Grid, Heading, Input, Textarea } from '@chakra-ui/react';
import { DayField } from '../shared/DayField';
import { useQuery } from '@tanstack/react-query';
import { api, ask } from '../shared/api';
import { keys } from '../shared/keys';
import { Choice } from '../shared/Choice';
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
import type { Draft } from './draft';
import { useBreeds } from './useBreeds';
import { Labelled, Several } from '../shared/fields';

/** Who the dog is: the same form for a new dog and for a known one. */
export function DogForm({
  draft,
  errors,
  onChange,
}: {
  draft: Draft;
  errors: Record<string, string>;
  onChange: (change: Partial<Draft>) => void;
}) {
  const breeds = useBreeds();
  const coats = useQuery({
    queryKey: keys.coats(),
    queryFn: ({ signal }) => ask(api.GET('/api/coat-colours', { signal })),
    staleTime: Infinity,
  });
  const coatOptions = (coats.data ?? []).map((c): [string, string] => [c.id, c.name]);
  const [first = '', second = ''] = draft.breedIds;
  const usual = breeds.data?.find((b) => b.id === first)?.shape;

  return (
    <Grid templateColumns={{ base: '1fr', lg: '1fr 1fr' }} columnGap="12" rowGap="8">
      <Flex direction="column" gap="4">
        <Heading as="h2" size="lg">
          Who it is
        </Heading>
        <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
          <Labelled label="Name" error={errors.name}>
            <Input
              value={draft.name}
              onChange={(e) => onChange({ name: e.target.value })}
              autoComplete="off"
              borderColor="border.strong"
            />
          </Labelled>
          <Labelled label="Keeper" error={errors.keeper}>
            <Input
              value={draft.keeper}
              onChange={(e) => onChange({ keeper: e.target.value })}
              autoComplete="off"
              borderColor="border.strong"
            />
          </Labelled>
          <Labelled label="Place" error={errors.place}>
            <Input
              value={draft.place}
              onChange={(e) => onChange({ place: e.target.value })}
              autoComplete="off"
              borderColor="border.strong"
            />
          </Labelled>
          <Labelled label="Breed" error={errors.breedIds ?? errors['breedIds[0]']}>
            <BreedPicker
              label="Breed"
              value={first}
              none="Unknown; type to find"
              onChange={(id) => onChange({ breedIds: id === '' ? [] : [id, second].filter(Boolean) })}
            />
          </Labelled>
          <Labelled label="Crossed with">
            <BreedPicker
              label="Crossed with"
              value={second}
              none="Nothing known"
              onChange={(id) => onChange({ breedIds: [first, id].filter(Boolean) })}
            />
          </Labelled>
          <Labelled
            label="Head shape"
            help={usual ? `Usual for the breed: ${shapeWords[usual].toLowerCase()}` : 'Set it if you can see it'}
          >
            <Choice
              value={draft.headShapeSeen}
              options={entries(shapeWords)}
              none="From the breed"
              onChange={(headShapeSeen) => onChange({ headShapeSeen })}
            />
          </Labelled>
          <Labelled label="Coat under the tape" help={draft.coatSeen === '' ? 'As usual for the breed' : undefined}>
            <Choice
              value={draft.coatSeen}
              options={entries(coatWords)}
              none="From the breed"
              onChange={(coatSeen) => onChange({ coatSeen })}
            />
          </Labelled>
          <Labelled label="Body mass, kg" error={errors.bodyMassKg}>
            <Input
              inputMode="decimal"
              value={draft.bodyMassKg}
              onChange={(e) => onChange({ bodyMassKg: e.target.value })}
              borderColor="border.strong"
            />
          </Labelled>
          <Labelled label="Born" error={errors.birthDate}>
            <DayField
              value={draft.birthDate}
              onText={(birthDate) => onChange({ birthDate, ageYears: '', ageMonths: '' })}
            />
          </Labelled>
          <Labelled label="or age: years and months" error={errors.ageMonths}>
            <Flex gap="2" w="full">
              <Input
                aria-label="Age, years"
                inputMode="numeric"
                placeholder="years"
                value={draft.ageYears}
                onChange={(e) => onChange({ ageYears: e.target.value })}
                borderColor="border.strong"
              />
              <Input
                aria-label="Age, months"
                inputMode="numeric"
                placeholder="months"
                value={draft.ageMonths}
                onChange={(e) => onChange({ ageMonths: e.target.value })}
                borderColor="border.strong"
              />
            </Flex>
          </Labelled>
          <Labelled label="Coat" error={errors.coatId}>
            <Choice
              value={draft.coatId}
              options={coatOptions}
              none="Not said"
              onChange={(coatId) => onChange({ coatId })}
            />
          </Labelled>
        </Grid>
      </Flex>
      <Flex direction="column" gap="5">
        <Heading as="h2" size="lg">
          What it is for, and how the dog is
        </Heading>
        <Several
          legend="Purposes"
          values={draft.purposes}
          options={entries(purposeWords)}
          onChange={(purposes) => onChange({ purposes })}
        />
        <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
          <Labelled label="Temperament">
            <Choice
              value={draft.temperament}
              options={entries(temperamentWords)}
              onChange={(t) => onChange({ temperament: t })}
            />
          </Labelled>
          <Labelled label="Bite history">
            <Choice value={draft.biteTier} options={entries(biteWords)} onChange={(t) => onChange({ biteTier: t })} />
          </Labelled>
        </Grid>
        <Several
          legend="Minds, or finds hard"
          values={draft.sensitivities}
          options={entries(sensitivityWords)}
          onChange={(sensitivities) => onChange({ sensitivities })}
        />
        <Several
          legend="Health"
          values={draft.health}
          options={entries(healthWords)}
          onChange={(health) => onChange({ health })}
        />
        <Several
          legend="Its head, whatever the breed"
          values={draft.traitsSeen}
          options={seenTraits}
          onChange={(traitsSeen) => onChange({ traitsSeen })}
        />
        <Box>
          <Labelled label="Notes" error={errors.notes}>
            <Textarea
              rows={3}
              value={draft.notes}
              onChange={(e) => onChange({ notes: e.target.value })}
              borderColor="border.strong"
            />
          </Labelled>
        </Box>
      </Flex>
    </Grid>
  );
}
