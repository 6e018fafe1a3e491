import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { WeekForm } from '../conditioning/WeekForm';
import { useOutlook } from '../conditioning/useOutlook';
import { api, ask, type Schemas } from '../shared/api';
import { useThisDog } from '../shared/dog';
import { keys } from '../shared/keys';
import { Waiting } from '../shared/Waiting';
import { entries, stageWords } from '../shared/words';

/** The way from the first treat to the day it is for, to be read: where it stands, what is behind it, what comes. */
export function HomePlan() {
  const { dog } = useThisDog();
  const plan = useQuery({
    queryKey: keys.ofDog(dog.id, 'plan'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/plan', { signal, params: { path: { id: dog.id } } })),
  });
  const outlook = useOutlook(dog.id);
  const [week, setWeek] = useState(false);
  if (!plan.data) return <Waiting query={plan} />;
  const { steps } = plan.data;
  const here = steps.find((s) => s.state === 'here');
  const passed = steps.filter((s) => s.state === 'passed').length;
  return (
    <Box maxW="34rem">
      <Heading as="h2" size="2xl">
        {here ? here.step.name : t`The whole way is walked`}
      </Heading>
      <Text mt="1" fontSize="lg">
        {here ? here.step.setUp : t`A happy wear a week keeps it so.`}
      </Text>
      <Text mt="2" color="fg.muted">
        {plural(passed, { one: '# step is behind it', other: '# steps are behind it' })}
        {', '}
        {plural(steps.length - passed, { one: '# is ahead.', other: '# are ahead.' })}
      </Text>
      {outlook.data && (
        <Box mt="4">
          {week ? (
            <WeekForm dogId={dog.id} week={outlook.data.week} steps={steps} onDone={() => setWeek(false)} />
          ) : (
            <Button variant="outline" borderColor="border.strong" minH="11" onClick={() => setWeek(true)}>
              {t`Change my training days`}
            </Button>
          )}
        </Box>
      )}
      {entries(stageWords)
        .map(([stage, name]) => ({ stage, name, of: steps.filter((s) => s.step.stage === stage) }))
        .filter(({ of }) => of.length > 0)
        .map(({ stage, name, of }) => (
          <Box as="section" key={stage} mt="6" aria-label={name}>
            <Heading as="h3" size="md" color="fg.muted">
              {name}
            </Heading>
            <ul>
              {of.map((s) => (
                <Step key={s.step.id} planned={s} />
              ))}
            </ul>
          </Box>
        ))}
    </Box>
  );
}

const marks: Record<Schemas['StepState'], [string, string]> = {
  passed: ['✓', t`behind it`],
  here: ['▸', t`here now`],
  ahead: ['·', t`to come`],
};

function Step({ planned: { step, state } }: { planned: Schemas['PlannedStepDto'] }) {
  const [mark, says] = marks[state];
  return (
    <Flex as="li" gap="3" py="2" borderBottomWidth="1px" borderColor="border" fontWeight={state === 'here' ? 700 : 400}>
      <Text w="1.5rem" aria-hidden="true">
        {mark}
      </Text>
      <Text flex="1">{step.name}</Text>
      <Text color="fg.muted" fontWeight="400">
        {says}
      </Text>
    </Flex>
  );
}
