import { Box, chakra, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { request, type Schemas } from '../shared/api';
import { useTakeInOfDog } from '../shared/dog';
import { Several } from '../shared/fields';
import { NoteForm } from '../shared/form/NoteForm';
import { keys } from '../shared/keys';
import { notify } from '../shared/notices';
import { hasDraft } from '../shared/saving/drafts';

/** Overrules where the plan stands; the note stays on record. Going back it is asked which passes no longer count. */
export function MoveHere({ dogId, step, plan }: { dogId: string; step: Schemas['StepDto']; plan: Schemas['PlanDto'] }) {
  const take = useTakeInOfDog(dogId);
  const draft = `position/${dogId}.${step.id}`;
  const from = plan.steps.findIndex((s) => s.step.id === step.id);
  const passedFrom = plan.steps.slice(from).filter((s) => s.passed !== null);
  const [dropped, setDropped] = useState<string[] | null>(null);
  const noLongerCounts = dropped ?? passedFrom.map((s) => s.step.id);
  return (
    <chakra.details mb="4" open={hasDraft(draft) || undefined}>
      <summary>{t`Train from here instead`}</summary>
      <Text fontSize="sm" mt="1">{t`What lies before it then counts as passed by hand, not as trained.`}</Text>
      {passedFrom.length > 0 && (
        <Box mt="2">
          <Several
            legend={t`These no longer count as passed`}
            values={noLongerCounts}
            options={passedFrom.map((s): [string, string] => [s.step.id, s.step.name])}
            onChange={setDropped}
          />
        </Box>
      )}
      <NoteForm<Schemas['PlanDto']>
        label={t`Why? It stays on the record`}
        field="note"
        draft={draft}
        does={t`Set the plan here`}
        stands={(theirs) => {
          const here = theirs.steps.find((s) => s.state === 'here');
          return here ? t`The plan stands at “${here.step.name}” now.` : t`The plan is at its end now.`;
        }}
        change={(note, newest = plan.positionVersion) => ({
          ...request(
            'post',
            '/api/dogs/{id}/plan/position',
            { id: dogId },
            { stepId: step.id, target: 0, note, noLongerCounts },
            newest,
          ),
          what: t`where the plan stands: ${step.name}`,
          dogId,
        })}
        onKept={async (answer) => {
          await take(keys.ofDog(dogId, 'plan'), answer);
          notify(t`The plan stands at “${step.name}” now.`);
        }}
      />
    </chakra.details>
  );
}

/** A step passed by hand or by trying can be withdrawn; the note stays on record. */
export function Withdraw({ dogId, step, version }: { dogId: string; step: Schemas['StepDto']; version: number }) {
  const take = useTakeInOfDog(dogId);
  const draft = `withdraw/${dogId}.${step.id}`;
  return (
    <chakra.details mb="4" open={hasDraft(draft) || undefined}>
      <summary>{t`It no longer counts as passed`}</summary>
      <NoteForm<Schemas['PlanDto']>
        label={t`Why? It stays on the record`}
        field="note"
        draft={draft}
        does={t`Withdraw it`}
        stands={(theirs) =>
          theirs.steps.some((s) => s.step.id === step.id && s.passed !== null)
            ? t`The plan was moved meanwhile; this step counts as passed.`
            : t`It counts as passed no longer.`
        }
        change={(note, newest = version) => ({
          ...request(
            'post',
            '/api/dogs/{id}/plan/passes/{stepId}/withdraw',
            { id: dogId, stepId: step.id },
            { note },
            newest,
          ),
          what: t`that “${step.name}” no longer counts`,
          dogId,
        })}
        onKept={async (answer) => {
          await take(keys.ofDog(dogId, 'plan'), answer);
          notify(t`“${step.name}” no longer counts as passed.`);
        }}
      />
    </chakra.details>
  );
}
