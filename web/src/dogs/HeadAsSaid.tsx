import { Box, chakra, Grid } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { api, ask } from '../shared/api';
import { Head } from '../shared/Head';
import { ChoiceField } from '../shared/form/fields';
import { keys } from '../shared/keys';
import { readNumber } from '../shared/numbers';
import { earWords, entries, furWords, patternWords } from '../shared/words';
import { dogLabels, type Draft } from './draft';

/** The head as it takes shape while it is said what the dog is; tapped, its ears, hair and markings can be said too. */
export function HeadAsSaid() {
  const [name, breedIds, coatId, ears, fur, pattern, shape, mass] = useWatch<
    Draft,
    ['name', 'breedIds', 'coatId', 'earsSeen', 'furSeen', 'patternSeen', 'headShapeSeen', 'bodyMassKg']
  >({
    name: ['name', 'breedIds', 'coatId', 'earsSeen', 'furSeen', 'patternSeen', 'headShapeSeen', 'bodyMassKg'],
  });
  const [open, setOpen] = useState(false);
  const kg = readNumber(mass);
  const said = {
    breed: breedIds.filter(Boolean),
    ...(coatId && { coat: coatId }),
    ...(ears && { ears }),
    ...(fur && { fur }),
    ...(pattern && { pattern }),
    ...(shape && { shape }),
    ...(kg ? { kg } : {}),
  };
  const head = useQuery({
    queryKey: keys.headAsSaid(said),
    queryFn: ({ signal }) => ask(api.GET('/api/heads/portrait', { signal, params: { query: said } })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  return (
    <Box>
      <chakra.button
        type="button"
        aria-expanded={open}
        aria-label={t`How the head of ${name || t`the dog`} looks`}
        onClick={() => setOpen(!open)}
        cursor="pointer"
        minH="11"
        display="flex"
        alignItems="end"
        gap="3"
        fontSize="sm"
        color="fg.muted"
        textDecoration="underline"
      >
        {head.data ? <Head portrait={head.data} size={132} /> : <Box w="132px" h="84px" />}
        <span aria-hidden="true">{open ? t`That is how it looks` : t`Ears, hair, markings`}</span>
      </chakra.button>
      {open && (
        <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr 1fr' }} gap="4" mt="3">
          <ChoiceField
            name="earsSeen"
            label={dogLabels.earsSeen ?? ''}
            options={entries(earWords)}
            none={t`From the breed`}
          />
          <ChoiceField
            name="furSeen"
            label={dogLabels.furSeen ?? ''}
            options={entries(furWords)}
            none={t`From the breed`}
          />
          <ChoiceField
            name="patternSeen"
            label={dogLabels.patternSeen ?? ''}
            options={entries(patternWords)}
            none={t`From coat and breed`}
          />
        </Grid>
      )}
    </Box>
  );
}
