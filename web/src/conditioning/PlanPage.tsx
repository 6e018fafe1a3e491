import { Box, Button, Flex, Grid, Heading, Link, Text, useBreakpointValue } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { dateText } from '../shared/dates';
import { useQuery } from '@tanstack/react-query';
import { Fragment, useState, type ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';
import { useThisDog } from '../shared/dog';
import { api, ask, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { Cautions } from '../shared/Cautions';
import { Waiting } from '../shared/Waiting';
import { Why } from '../shared/Why';
import { stageWords } from '../shared/words';
import { FindBeginning } from './FindBeginning';
import { MoveHere, Withdraw } from './MoveHere';
import { OutlookBeside, OutlookDetail } from './Outlook';
import { Schools } from './Schools';
import { SetsEnd } from './SetsEnd';
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
  const sheet = (s: Planned, beside?: ReactNode) => (
    <StepSheet key={s.step.id} planned={s} plan={plan.data} dogId={card.dog.id} beside={beside} />
  );
  // No date stands beside a stop.
  const outlook = plan.data.stop ? null : <OutlookBeside dogId={card.dog.id} steps={plan.data.steps} />;
  return (
    <>
      {card.things
        .filter((t) => t.matter === 'outOfUse')
        .map((t) => (
          <Text key={t.title} borderInlineStartWidth="4px" borderColor="stop" ps="3" mb="4" role="note">
            <b>⬣ {t.title}.</b> {t.detail}
          </Text>
        ))}
      {plan.data.stop && <Stopped stop={plan.data.stop} dogId={card.dog.id} version={plan.data.positionVersion} />}
      <Grid templateColumns={{ base: '1fr', lg: '16rem minmax(0, 1fr)' }} gap={{ base: 6, lg: 10 }} alignItems="start">
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
          {shown && sheet(shown, outlook)}
          {!plan.data.stop && <OutlookDetail dogId={card.dog.id} />}
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
            data-prints=""
            onClick={() => onPick(s.step.id)}
          >
            <Text as="span" aria-label={markOf(s).says} w="4" color={s.state === 'here' ? 'accentInk' : 'inherit'}>
              {markOf(s).mark}
            </Text>
            {s.step.name}
          </Button>
          {s.step.id === shown && opened && (
            <Box borderInlineStartWidth="4px" borderColor="accent" ps="3" py="2" mb="2">
              {opened}
            </Box>
          )}
        </li>
      ))}
    </Box>
  );
}

/** A step, what is asked at it now and its start; the chance of the date stands beside that. */
function StepSheet({
  planned,
  plan,
  dogId,
  beside,
}: {
  planned: Planned;
  plan: Schemas['PlanDto'];
  dogId: string;
  beside: ReactNode;
}) {
  const { step, why, state, isGate, target, targetText, passed } = planned;
  const start = useStartSession(dogId);
  return (
    <Box as="section" aria-label={step.name}>
      <Grid
        templateColumns={{ base: 'minmax(0, 1fr)', xl: beside ? 'minmax(0, 1fr) 18rem' : 'minmax(0, 1fr)' }}
        columnGap="8"
        alignItems="start"
      >
        <Box>
          <Flex align="baseline" gap="3" wrap="wrap">
            <Heading as="h2" size="4xl" lineHeight="1.1">
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
          {isGate && (
            <Text mb="3">{t`The gate of its stage: its last target has to go well on two different days.`}</Text>
          )}
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
        </Box>
        {beside && <Box mb="6">{beside}</Box>}
      </Grid>
      <StepSketch dogId={dogId} step={step} />
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
