import { Box, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { request, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { useTakeInOfDog } from '../shared/dog';
import { Labelled } from '../shared/fields';
import { NoteForm } from '../shared/form/NoteForm';
import { keys } from '../shared/keys';
import { notify } from '../shared/notices';

/** Training is stopped: why, whom to ask, and what a person says before it goes on. */
export function Stopped({ stop, dogId, version }: { stop: Schemas['StopDto']; dogId: string; version: number }) {
  const [differs, setDiffers] = useState<Schemas['WhatDiffers']>('stageBack');
  const take = useTakeInOfDog(dogId);
  return (
    <Box
      as="section"
      aria-label={t`Training is stopped`}
      borderInlineStartWidth="6px"
      borderColor="stop"
      ps="4"
      py="1"
      mb="6"
    >
      <Heading as="h2" size="3xl" color="stop" lineHeight="1.1">{t`⬣ Training is stopped`}</Heading>
      <Text fontSize="lg" fontWeight="700" mt="1">
        {stop.says}
      </Text>
      <Text mt="1" maxW="42rem">
        {stop.means}
      </Text>
      <Box maxW="24rem" mt="3">
        <Labelled label={t`What is different now`}>
          <Choice
            value={differs}
            options={stop.choices.map((c): [Schemas['WhatDiffers'], string] => [c.differs, c.says])}
            onChange={setDiffers}
          />
        </Labelled>
      </Box>
      <NoteForm<Schemas['PlanDto']>
        label={t`In your own words; it stays on the record`}
        field="note"
        draft={`resume/${dogId}`}
        does={t`Go on with training`}
        stands={(theirs) => (theirs.stop ? t`It is stopped still.` : t`Somebody has let it go on already.`)}
        change={(note, newest = version) => ({
          ...request('post', '/api/dogs/{id}/plan/resume', { id: dogId }, { differs, note }, newest),
          what: t`that training goes on`,
          dogId,
        })}
        onKept={async (plan) => {
          await take(keys.ofDog(dogId, 'plan'), plan);
          notify(t`Training goes on.`);
        }}
      />
    </Box>
  );
}
