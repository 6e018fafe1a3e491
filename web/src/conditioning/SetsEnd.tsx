import { Box, chakra, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { request, type Schemas } from '../shared/api';
import { useTakeInOfDog } from '../shared/dog';
import { NoteForm } from '../shared/form/NoteForm';
import { keys } from '../shared/keys';
import { hasDraft } from '../shared/saving/drafts';

const ruleWords: Record<Schemas['GoRule'], { name: string; says: string }> = {
  asSoonAsClear: {
    name: t`As soon as it is clear`,
    says: t`Five right from the start raise, two missed from the start go back; at the latest ten goes tell.`,
  },
  steadyTens: { name: t`Steady tens`, says: t`Ten goes, eight of them right, on two days for every step.` },
};

/** How the dog's sets are decided: two ways, each with its reason. */
export function SetsEnd({ plan, dogId }: { plan: Schemas['PlanDto']; dogId: string }) {
  const take = useTakeInOfDog(dogId);
  const other = plan.rule === 'steadyTens' ? 'asSoonAsClear' : 'steadyTens';
  const draft = `rule/${dogId}`;
  return (
    <Box as="section" aria-label={t`When a set ends`}>
      <Heading as="h3" size="md">{t`A set ends: ${ruleWords[plan.rule].name}`}</Heading>
      <Text>
        {ruleWords[plan.rule].says} {plan.ruleReason && t`Chosen: ${plan.ruleReason}`}
      </Text>
      <chakra.details mt="1" open={hasDraft(draft) || undefined}>
        <summary>{t`${ruleWords[other].name} instead`}</summary>
        <Text>{t`${ruleWords[other].says} A session under way goes on as it began.`}</Text>
        <NoteForm<Schemas['PlanDto']>
          label={t`Why this way?`}
          field="reason"
          draft={draft}
          does={t`Decide so from now on`}
          stands={(theirs) => t`A set ends so now: ${ruleWords[theirs.rule].name}.`}
          change={(reason, newest = plan.ruleVersion) => ({
            ...request('post', '/api/dogs/{id}/plan/rule', { id: dogId }, { rule: other, reason }, newest),
            what: t`when a set ends: ${ruleWords[other].name}`,
            dogId,
          })}
          onKept={(answer) => take(keys.ofDog(dogId, 'plan'), answer)}
        />
      </chakra.details>
    </Box>
  );
}
