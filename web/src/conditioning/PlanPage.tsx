import { Box, Button, chakra, Flex, Grid, Heading, Link, Text, useBreakpointValue } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { dateText } from '../shared/dates';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Fragment, useState, type ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';
import { useTakeInOfDog, useThisDog } from '../shared/dog';
import { api, ask, request, type Schemas } from '../shared/api';
import { NoteForm } from '../shared/form/NoteForm';
import { keys } from '../shared/keys';
import { takeIn } from '../shared/takeIn';
import { Cautions } from '../shared/Cautions';
import { Several } from '../shared/fields';
import { notify } from '../shared/notices';
import { hasDraft } from '../shared/saving/useKeptForm';
import { Waiting } from '../shared/Waiting';
import { Why } from '../shared/Why';
import { stageWords } from '../shared/words';
import { FindBeginning } from './FindBeginning';
import { OutlookDetail, OutlookLine } from './Outlook';
import { Schools } from './Schools';
import { StepSketch } from './StepSketch';
import { Stopped } from './Stopped';
import { usePadReady, useStartSession } from './useStartSession';

type Planned = Schemas['PlannedStepDto'];

/** The dog's way from the first cup to its purpose, and where it stands on it. */
export function PlanPage() {
  const card = useThisDog();
  const plan = useQuery({
    queryKey: keys.ofDog(card.dog.id, 'plan'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/plan', { signal, params: { path: { id: card.dog.id } } })),
  });
  usePadReady(card.dog.id);
  const [picked, setPicked] = useState<string | null>(null);
  const wide = useBreakpointValue({ base: false, lg: true }, { ssr: false });
  if (!plan.data) return <Waiting query={plan} />;
  const here = plan.data.steps.find((s) => s.state === 'here');
  const tapped = plan.data.steps.find((s) => s.step.id === picked);
  const stands = here ?? plan.data.steps.at(-1);
  // Beside the list where there is room; on a phone a tapped step opens where it was tapped.
  const shown = wide ? (tapped ?? stands) : stands;
  const sheet = (s: Planned) => <StepSheet key={s.step.id} planned={s} plan={plan.data} dogId={card.dog.id} />;
  return (
    <>
      {card.things
        .filter((t) => t.matter === 'outOfUse')
        .map((t) => (
          <Text key={t.title} borderLeftWidth="4px" borderColor="stop" ps="3" mb="4" role="note">
            <b>⬣ {t.title}.</b> {t.detail}
          </Text>
        ))}
      {plan.data.stop && <Stopped stop={plan.data.stop} dogId={card.dog.id} version={plan.data.positionVersion} />}
      <OutlookLine dogId={card.dog.id} steps={plan.data.steps} />
      <Grid
        templateColumns={{ base: '1fr', lg: 'minmax(17rem, 1fr) minmax(0, 1.5fr)' }}
        gap={{ base: 6, lg: 12 }}
        alignItems="start"
      >
        <Box gridRow={{ base: 2, lg: 1 }}>
          <StageList
            steps={plan.data.steps}
            shown={(wide ? shown : tapped)?.step.id ?? ''}
            opened={!wide && tapped ? sheet(tapped) : null}
            onPick={(id) => setPicked(!wide && id === picked ? null : id)}
          />
          {plan.data.leftOut.length > 0 && (
            <Box as="details" mt="3" fontSize="sm">
              <summary>{t`${plan.data.leftOut.length} steps this dog does not need`}</summary>
              {plan.data.leftOut.map((l) => (
                <Text key={l.name}>
                  {l.name}: {l.reason}
                </Text>
              ))}
            </Box>
          )}
        </Box>
        <Flex direction="column" gap="6">
          {plan.data.mayFindBeginning && <FindBeginning dogId={card.dog.id} version={plan.data.positionVersion} />}
          {shown && sheet(shown)}
          <OutlookDetail dogId={card.dog.id} />
          <Schools plan={plan.data} dogId={card.dog.id} />
          <SetsEnd plan={plan.data} dogId={card.dog.id} />
          <Text>
            <Trans>
              New to this?{' '}
              <Link asChild textDecoration="underline">
                <RouterLink to="/practice">Practise on a dog that is only played</RouterLink>
              </Link>
              .
            </Trans>
          </Text>
          <Cautions cautions={card.cautions} />
        </Flex>
      </Grid>
    </>
  );
}

const passedWords: Record<Schemas['PassedHow'], string> = {
  trained: t`✓ Passed in training on`,
  byHand: t`✓ Passed by hand, not trained here, on`,
  tried: t`○ Skipped on`,
};

const stateMarks: Record<Schemas['StepState'], { mark: string; says: string }> = {
  passed: { mark: '✓', says: t`passed` },
  here: { mark: '▸', says: t`here now` },
  ahead: { mark: '·', says: t`ahead` },
};

/** What was only tried is not shown as passed. */
const markOf = (s: Planned) =>
  s.passed?.how === 'tried' ? { mark: '○', says: t`tried, not trained` } : stateMarks[s.state];

function StageList({
  steps,
  shown,
  opened,
  onPick,
}: {
  steps: Planned[];
  shown: string;
  /** The sheet of the step shown, where it opens below it. */
  opened: ReactNode;
  onPick: (id: string) => void;
}) {
  return (
    <Box as="ol" aria-label={t`Steps of the plan`}>
      {steps.map((s, i) => (
        <li key={s.step.id}>
          {s.step.stage !== steps[i - 1]?.step.stage && (
            <Text
              fontFamily="heading"
              fontWeight="700"
              mt={i === 0 ? 0 : 3}
              borderBottomWidth="1px"
              borderColor="border"
            >
              {stageWords[s.step.stage]}
            </Text>
          )}
          <Button
            variant="ghost"
            size="sm"
            w="full"
            justifyContent="start"
            gap="3"
            whiteSpace="normal"
            textAlign="start"
            h="auto"
            minH="8"
            fontWeight={s.state === 'here' ? '700' : '400'}
            bg={s.step.id === shown ? 'bg.subtle' : 'transparent'}
            color={s.state === 'passed' ? 'fg.muted' : 'fg'}
            aria-current={s.state === 'here' ? 'step' : undefined}
            aria-pressed={s.step.id === shown}
            onClick={() => onPick(s.step.id)}
          >
            <Text as="span" aria-label={markOf(s).says} w="4" color={s.state === 'here' ? 'accentInk' : 'inherit'}>
              {markOf(s).mark}
            </Text>
            {s.step.name}
          </Button>
          {s.step.id === shown && opened && (
            <Box borderLeftWidth="4px" borderColor="accent" ps="3" py="2" mb="2">
              {opened}
            </Box>
          )}
        </li>
      ))}
    </Box>
  );
}

function StepSheet({ planned, plan, dogId }: { planned: Planned; plan: Schemas['PlanDto']; dogId: string }) {
  const { step, why, state, isGate, target, targetText, passed } = planned;
  const start = useStartSession(dogId);
  return (
    <Box as="section" aria-label={step.name}>
      <Flex align="baseline" gap="3" wrap="wrap">
        <Heading as="h2" size="3xl" lineHeight="1.1">
          {step.name}
        </Heading>
        <Why basis={step.basis} about={step.name} />
      </Flex>
      <Text fontSize="lg">{step.purpose}</Text>
      <Flex as="ol" aria-label={t`Targets`} wrap="wrap" gap="2" mt="4" mb={state === 'here' ? 2 : 4}>
        {target !== null && target < 0 && targetText && <Target here>{t`Easier: ${targetText}`}</Target>}
        {step.targets.map((t, i) => (
          <Fragment key={t}>
            <Target here={i === target && t === targetText}>{t}</Target>
            {/* A hold between two targets. */}
            {i === target && targetText !== null && t !== targetText && <Target here>{targetText}</Target>}
          </Fragment>
        ))}
      </Flex>
      <Box as="details" fontSize="sm" mb="3">
        <summary>{t`If that is too much: ${step.easier.length} easier rungs`}</summary>
        <ol>
          {step.easier.map((rung) => (
            <li key={rung}>{rung}</li>
          ))}
        </ol>
      </Box>
      {isGate && <Text mb="3">{t`The gate of its stage: its last target has to go well on two different days.`}</Text>}
      {passed && (
        <Text mb="3">
          {passedWords[passed.how]} {dateText(passed.day, 'short')}
          {passed.note ? `: ${passed.note}` : '.'}
        </Text>
      )}
      {state === 'here' && plan.lastReason && <Text mb="3">{t`Last time: ${plan.lastReason}`}</Text>}
      {state === 'here' && plan.gapReason && <Text mb="3">{t`Today: ${plan.gapReason}`}</Text>}
      {state === 'here' ? (
        <Button
          size="lg"
          colorPalette="marigold"
          disabled={plan.notNow !== null}
          loading={start.isPending}
          onClick={() => start.mutate()}
          mb="4"
        >
          {plan.openSessionId
            ? t`Go on with the session`
            : plan.rests
              ? t`Not before ${dateText(plan.notBefore ?? '', 'near')}`
              : t`Start a session`}
        </Button>
      ) : (
        <MoveHere dogId={dogId} step={step} plan={plan} />
      )}
      {state === 'here' && plan.notNow && !plan.openSessionId && (
        <>
          <Text mb="3">{plan.notNow}</Text>
          {!plan.stop && <MoveHere dogId={dogId} step={step} plan={plan} />}
        </>
      )}
      {passed?.canWithdraw && <Withdraw dogId={dogId} step={step} version={plan.positionVersion} />}
      {step.sketch && <StepSketch sketch={step.sketch} />}
      <Grid as="dl" templateColumns={{ base: '1fr', sm: '7rem 1fr' }} columnGap="4" rowGap="2">
        <Part term={t`Set-up`} says={step.setUp} />
        <Part term={t`Success`} says={step.success} />
        <Part term={t`Reward`} says={step.reward} />
        <Part term={t`If stuck`} says={step.ifStuck} />
        {why && <Part term={t`In this plan`} says={why} />}
        {step.notes.map((note) => (
          <Part key={note} term={t`For this dog`} says={note} />
        ))}
        {step.caution && <Part term={t`Caution`} says={step.caution} strong />}
      </Grid>
    </Box>
  );
}

function Target({ here, children }: { here: boolean; children: string }) {
  return (
    <Box
      as="li"
      px="3"
      py="1"
      borderWidth="1.5px"
      borderRadius="full"
      borderColor={here ? 'fg' : 'border'}
      bg={here ? 'accent' : 'transparent'}
      color={here ? '#1d2b12' : 'fg'}
      fontWeight={here ? '700' : '400'}
      aria-current={here ? 'step' : undefined}
    >
      {children}
    </Box>
  );
}

function Part({ term, says, strong }: { term: string; says: string; strong?: boolean }) {
  return (
    <>
      <Text as="dt" color={strong ? 'stop' : 'fg.muted'}>
        {term}
      </Text>
      <Text as="dd" fontWeight={strong ? '700' : '400'}>
        {says}
      </Text>
    </>
  );
}

/** Overrules where the plan stands; the note stays on record. Going back it is asked which passes no longer count. */
function MoveHere({ dogId, step, plan }: { dogId: string; step: Schemas['StepDto']; plan: Schemas['PlanDto'] }) {
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
function Withdraw({ dogId, step, version }: { dogId: string; step: Schemas['StepDto']; version: number }) {
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

const ruleWords: Record<Schemas['GoRule'], { name: string; says: string }> = {
  asSoonAsClear: {
    name: t`As soon as it is clear`,
    says: t`Five right from the start raise, two missed from the start go back; at the latest ten goes tell.`,
  },
  steadyTens: { name: t`Steady tens`, says: t`Ten goes, eight of them right, on two days for every step.` },
};

/** How the dog's sets are decided: two ways, each with its reason. */
function SetsEnd({ plan, dogId }: { plan: Schemas['PlanDto']; dogId: string }) {
  const queries = useQueryClient();
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
          onKept={async (answer) => {
            await takeIn(queries, keys.ofDog(dogId, 'plan'), answer);
            // Another rule makes another date.
            await queries.invalidateQueries({ queryKey: keys.ofDog(dogId, 'outlook') });
          }}
        />
      </chakra.details>
    </Box>
  );
}
