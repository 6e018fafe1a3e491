import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';
import { padGo } from '../shared/padSizes';
import { placeOf, shownOf } from './shownOf';
import { SignTray } from './Signs';
import type { Pad } from './useSession';

/** What comes after the set that ended a session: one easy go, and what the dog still shows as it comes off. */
export function AfterSession({ dogId, after, pad }: { dogId: string; after: Schemas['AfterDto']; pad: Pad }) {
  const { set } = after;
  const { goes, seen } = shownOf(set, pad.unsent);
  const where = placeOf(set);
  const last = goes.at(-1);
  const asks = after.asksEasyGo && goes.length === 0;
  return (
    <Box as="section" aria-label={t`After the session`} mt="4" borderTopWidth="2px" borderColor="fg" pt="3">
      <Text fontWeight="700">{after.says}</Text>
      {asks && (
        <>
          <Text fontFamily="heading" fontWeight="750" fontSize="2xl" lineHeight="1.15" mt="1">
            {set.targetText}
          </Text>
          <Flex gap="3" mt="2">
            <Button
              flex="1"
              {...padGo}
              variant="outline"
              borderWidth="2px"
              borderColor="border.strong"
              onClick={() => pad.go(where, false, null)}
            >{t`Not this time`}</Button>
            <Button
              flex="1.4"
              {...padGo}
              fontSize="xl"
              onClick={() => pad.go(where, true, null)}
            >{t`It went well`}</Button>
          </Flex>
        </>
      )}
      {last && (
        <Flex gap="3" align="center" mt="1" wrap="wrap">
          <Text role="status">
            {last.success ? t`The easy go went well.` : t`The easy go is on record. Leave it at that.`}
          </Text>
          {set.decision === null && (
            <Button size="sm" variant="ghost" onClick={() => pad.takeBackGo(last.id)}>{t`Take it back`}</Button>
          )}
        </Flex>
      )}
      <Box mt="3">
        <SignTray
          dogId={dogId}
          seen={seen}
          onTap={(signId) => pad.sign(where, signId)}
          onTakeBack={set.decision === null ? pad.takeBackSign : null}
        />
      </Box>
    </Box>
  );
}
