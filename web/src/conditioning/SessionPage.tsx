import { Box, Button, Flex, Heading, Input, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { Link as RouterLink, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../shared/api';
import { useReachable } from '../shared/saving/server';
import { useAtHome, useDecides } from '../shared/me';
import { Parts } from '../shared/Parts';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { AfterSession } from './AfterSession';
import { DecisionBox } from './DecisionBox';
import { OpenSet } from './OpenSet';
import { lyingFlat } from '../shared/padSizes';
import { placeOf, shownOf } from './shownOf';
import { SignTray } from './Signs';
import { useSession, type Pad, type Session } from './useSession';

/** The session pad: one thumb, eyes on the dog. */
export function SessionPage() {
  const { sessionId = '' } = useParams();
  const pad = useSession(sessionId);
  const session = pad.session.data;
  usePageTitle(session ? t`Session, ${session.dogName}` : t`Session`);
  const reachable = useReachable();
  const decides = useDecides();
  const atHome = useAtHome();
  if (!session) return <Waiting query={pad.session} />;
  return (
    <Box maxW="34rem" mx="auto" css={{ [lyingFlat]: { maxWidth: 'none' } }}>
      <Flex align="baseline" gap="3" justify="space-between">
        <Heading as="h1" fontSize="min(1.25rem, 6.5vw)">
          {session.dogName}
        </Heading>
        <Text fontSize="min(0.875rem, 4vw)" color="fg.muted" role="status">
          {pad.unsent.length > 0 ? t`${pad.unsent.length} not saved yet, trying again` : t`Saved as it happens`}
        </Text>
      </Flex>
      <Strays pad={pad} session={session} />
      {pad.notBegun && <NotBegun pad={pad} dogId={session.dogId} />}
      {session.gapReason && <Text mt="2">{session.gapReason}</Text>}
      {session.sets.at(-1) && (
        <DecisionBox
          // What came after it, where that was over threshold, is what holds.
          set={session.after?.set.decision ? session.after.set : (session.sets.at(-1) as Schemas['SetDto'])}
          ended={session.endedAt !== null}
          overrule={pad.closed === null && reachable && decides ? session.overrule : null}
          session={session}
        />
      )}
      {session.after && pad.closed === null && <AfterSession dogId={session.dogId} after={session.after} pad={pad} />}
      {session.meanwhile && (
        <Text role="note" mt="3" borderInlineStartWidth="4px" borderColor="accent" ps="3">
          {session.meanwhile}
        </Text>
      )}
      {session.stop && <StoppedNote says={session.stop} dogId={session.dogId} />}
      {pad.closed !== null && !reachable ? (
        <ClosedHere pad={pad} session={session} />
      ) : session.openSet && session.step ? (
        <OpenSet session={session} set={session.openSet} step={session.step} pad={pad} />
      ) : (
        <Flex gap="3" mt="6" wrap="wrap">
          <Button asChild size="lg" colorPalette="marigold">
            <RouterLink to="/">{atHome ? t`Back to my dogs` : t`Back to the round`}</RouterLink>
          </Button>
          <Button asChild size="lg" variant="outline" borderColor="border.strong">
            <RouterLink to={`/dogs/${session.dogId}/plan`}>{t`See the plan`}</RouterLink>
          </Button>
        </Flex>
      )}
      <Parts at="dogFoot" dog={{ id: session.dogId, name: session.dogName }} />
    </Box>
  );
}

/** The server would not begin what was begun on this device: nothing of it is lost, nor counted, until that is settled. */
function NotBegun({ pad, dogId }: { pad: Pad; dogId: string }) {
  const go = useNavigate();
  const [note, setNote] = useState('');
  const throwAway = () => {
    pad.throwAway();
    void go(`/dogs/${dogId}/plan`);
  };
  return (
    <Box role="alert" borderInlineStartWidth="4px" borderColor="stop" ps="3" my="3">
      <Text fontWeight="700">{t`This session is not saved`}</Text>
      <Text fontSize="sm">{pad.notBegun}</Text>
      <Box as="label" display="block" mt="2">
        <Text as="span" fontSize="sm">{t`If it was trained all the same, say why: it stays on the record`}</Text>
        <Input value={note} maxLength={500} onChange={(e) => setNote(e.target.value)} bg="bg" />
      </Box>
      <Flex gap="2" mt="2" wrap="wrap">
        <Button
          variant="outline"
          borderColor="border.strong"
          disabled={note.trim() === ''}
          onClick={() => pad.beginAgain(note.trim())}
        >{t`Save it with that`}</Button>
        <Button variant="ghost" onClick={throwAway}>{t`Throw it away`}</Button>
      </Flex>
    </Box>
  );
}

/** Training is stopped after this session: where it goes on is said on the plan. */
function StoppedNote({ says, dogId }: { says: string; dogId: string }) {
  return (
    <Box role="alert" borderInlineStartWidth="5px" borderColor="stop" ps="4" my="4">
      <Heading as="h2" size="xl" color="stop">{t`⬣ Training is stopped`}</Heading>
      <Text>{says}</Text>
      <Link asChild textDecoration="underline" fontWeight="700">
        <RouterLink to={`/dogs/${dogId}/plan`}>{t`What it takes to go on`}</RouterLink>
      </Link>
    </Box>
  );
}

/** Closed while the server is away: the decision follows. */
function ClosedHere({ pad, session }: { pad: Pad; session: Session }) {
  const over = pad.closed === 'session';
  return (
    <Box mt="4" role="status">
      <Heading as="h2" size="2xl">
        {over ? t`Session closed` : t`Set closed`}
      </Heading>
      <Text fontSize="lg" mt="2">
        <Trans>
          It is kept on this device. What follows from it is decided as soon as the server is back.
          {!over && t` Until then give the dog a break, or leave it at that for today.`}
        </Trans>
      </Text>
      {session.openSet && (
        <Box mt="4">
          <Text fontWeight="700">{t`Tap what you still see as it comes off.`}</Text>
          <SignTray
            dogId={session.dogId}
            seen={shownOf(session.openSet, pad.unsent).seen}
            onTap={(signId) => session.openSet && pad.sign(placeOf(session.openSet), signId)}
            onTakeBack={null}
          />
        </Box>
      )}
      <Flex gap="3" mt="5" wrap="wrap">
        {!over && <Button size="lg" h="14" colorPalette="marigold" onClick={pad.end}>{t`End session`}</Button>}
        <Button asChild size="lg" h="14" variant="outline" borderColor="border.strong">
          <RouterLink to={`/dogs/${session.dogId}/plan`}>{t`See the plan`}</RouterLink>
        </Button>
      </Flex>
    </Box>
  );
}

/** What was tapped in a set that is over by now counts nowhere until somebody says where it belongs. */
function Strays({ pad, session }: { pad: Pad; session: Session }) {
  const open = session.openSet;
  return pad.strays.map((item) => (
    <Box key={item.id} role="alert" borderInlineStartWidth="4px" borderColor="stop" ps="3" my="3">
      <Text fontWeight="700">{t`${item.kind === 'go' ? t`A go (${item.success ? t`good` : t`not yet`})` : t`A sign`} of set ${item.set} was not counted`}</Text>
      <Text fontSize="sm">{item.stray}</Text>
      <Flex gap="2" mt="1" wrap="wrap">
        {open && (
          <Button
            size="sm"
            variant="outline"
            borderColor="border.strong"
            onClick={() => pad.place(item, { set: open.number, stepId: open.stepId, target: open.target })}
          >{t`Count it in set ${open.number}`}</Button>
        )}
        <Button size="sm" variant="ghost" onClick={() => pad.leaveOut(item)}>{t`Leave it out`}</Button>
      </Flex>
    </Box>
  ));
}
