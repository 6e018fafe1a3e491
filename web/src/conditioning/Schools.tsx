import { Box, Button, Flex, Grid, Heading, Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { fieldsOf, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { Labelled } from '../shared/fields';
import { Waiting } from '../shared/Waiting';
import { Why } from '../shared/Why';
import { useChooseSchool, useSchools, useWaysOfWorking } from './useOutlook';

type Compared = Schemas['SchoolComparedDto'];

/** The school a dog is trained by, its policies, and what the others would change for this dog. */
export function Schools({ plan, dogId }: { plan: Schemas['PlanDto']; dogId: string }) {
  const [open, setOpen] = useState(false);
  return (
    <Box as="section" aria-label="School">
      <Heading as="h3" size="md">
        The school: {plan.school}
      </Heading>
      <Text>
        {plan.schoolSays} {plan.schoolReason && `Chosen: ${plan.schoolReason}`}
      </Text>
      <ul>
        {plan.policies.map((p) => (
          <Flex as="li" key={p.topic} gap="3" py="1.5" borderTopWidth="1px" borderColor="border" align="start">
            <Text w="9rem" flexShrink="0" color="fg.muted">
              {p.name}
            </Text>
            <Text flex="1">
              <b>{p.choice}.</b> {p.reason}
            </Text>
            <Why basis={p.basis} about={p.name} />
          </Flex>
        ))}
      </ul>
      <Button mt="2" size="sm" variant="outline" borderColor="border.strong" onClick={() => setOpen(!open)}>
        {open ? 'Stay with it' : 'Other schools, side by side'}
      </Button>
      {open && <Compare plan={plan} dogId={dogId} onDone={() => setOpen(false)} />}
    </Box>
  );
}

function Compare({ plan, dogId, onDone }: { plan: Schemas['PlanDto']; dogId: string; onDone: () => void }) {
  const schools = useSchools(dogId, true);
  const ways = useWaysOfWorking(true);
  const [picked, setPicked] = useState<Schemas['SchoolId']>(plan.schoolId);
  const [policies, setPolicies] = useState<Partial<Record<Schemas['PolicyTopic'], string>>>({});
  const [reason, setReason] = useState('');
  const choose = useChooseSchool(dogId);
  if (!schools.data || !ways.data) return <Waiting query={schools.data ? ways : schools} />;
  const errors = choose.error ? fieldsOf(choose.error, 'reason') : {};
  return (
    <Box mt="3">
      <Grid
        as="ul"
        templateColumns={{ base: '1fr', md: '1fr 1fr' }}
        columnGap="6"
        role="radiogroup"
        aria-label="Schools"
        listStyleType="none"
      >
        {schools.data.map((school) => (
          <SchoolRow
            key={school.id}
            school={school}
            picked={picked === school.id}
            onPick={() => setPicked(school.id)}
          />
        ))}
      </Grid>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr 1fr' }} gap="3" mt="4">
        {ways.data.policies.map((p) => (
          <Labelled key={p.topic} label={p.name} error={errors[`policies.${p.topic}`]}>
            <Choice
              size="sm"
              value={policies[p.topic] ?? ''}
              none="As dog and school ask"
              options={p.options.map((o): [string, string] => [o.id, o.says])}
              onChange={(option) => setPolicies({ ...policies, [p.topic]: option === '' ? undefined : option })}
            />
          </Labelled>
        ))}
      </Grid>
      <Flex gap="3" mt="3" align="end" wrap="wrap">
        <Box flex="1 1 16rem">
          <Labelled label="Why? It stays beside the plan" error={errors.reason}>
            <Input size="sm" value={reason} onChange={(e) => setReason(e.target.value)} borderColor="border.strong" />
          </Labelled>
        </Box>
        <Button
          size="sm"
          colorPalette="marigold"
          loading={choose.isPending}
          onClick={() =>
            choose.mutate(
              { school: picked, policies: policies as Record<string, string>, reason },
              { onSuccess: onDone },
            )
          }
        >
          Train so from now on
        </Button>
      </Flex>
    </Box>
  );
}

function SchoolRow({ school, picked, onPick }: { school: Compared; picked: boolean; onPick: () => void }) {
  return (
    <Box as="li" borderTopWidth="2px" borderColor={picked ? 'accent' : 'border'} py="2">
      <Button
        role="radio"
        aria-checked={picked}
        variant="ghost"
        size="sm"
        px="0"
        h="auto"
        fontFamily="heading"
        fontWeight="750"
        fontSize="md"
        onClick={onPick}
      >
        <span aria-hidden="true">{picked ? '◉' : '○'}</span> {school.name}
        {school.isChosen && ' (now)'}
      </Button>
      <Text fontSize="sm">{school.says}</Text>
      <Text fontSize="sm" color="fg.muted">
        {school.steps} steps, {school.kept} of them passed already.
        {school.adds.length > 0 && ` Brings: ${school.adds.join(', ')}.`}
        {school.drops.length > 0 && ` Leaves out: ${school.drops.join(', ')}.`}
      </Text>
      {school.policies.length > 0 && (
        <Text fontSize="sm" color="fg.muted">
          {school.policies.map((p) => `${p.name}: ${p.choice.toLowerCase()}`).join('; ')}.
        </Text>
      )}
    </Box>
  );
}
