import { Box, Button, Flex, Menu, Portal, Text } from '@chakra-ui/react';
import { menuSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { nameOf, type Line } from './lines';
import { actOnTape, type useTape } from './useTape';

const stateWords = {
  none: '',
  connecting: t`◌ connecting…`,
  connected: t`● connected`,
  lost: t`○ not connected; trying again`,
};

/** How the digital tape stands, and the button of the simulated one. */
export function TapePanel({ tape, line }: { tape: ReturnType<typeof useTape>; line: Line | null }) {
  if (tape.state === 'none') return null;
  const at = line && { measure: line.guide.measure, side: line.side };
  return (
    <Box as="section" aria-label={t`Digital tape`} mt="3" fontSize="sm">
      <Flex align="center" gap="3" wrap="wrap">
        <Text role="status">
          <Trans>
            <b>Digital tape</b> (simulated) {stateWords[tape.state]}
            {tape.battery !== null && t`, battery ${tape.battery} %`}
          </Trans>
        </Text>
        {at && tape.mine && (
          <Flex gap="1">
            <Button
              size="xs"
              variant="outline"
              borderColor="border.strong"
              disabled={tape.state !== 'connected'}
              onClick={() => void actOnTape('press', at)}
            >{t`Press its button on ${nameOf(line).toLowerCase()}`}</Button>
            <Menu.Root recipe={menuSlotRecipe} positioning={{ placement: 'top-end' }}>
              <Menu.Trigger asChild>
                <Button
                  size="xs"
                  variant="outline"
                  borderColor="border.strong"
                  disabled={tape.state !== 'connected'}
                >{t`Let it fail`}</Button>
              </Menu.Trigger>
              <Portal>
                <Menu.Positioner>
                  <Menu.Content bg="bg.panel">
                    <Menu.Item value="slip" onClick={() => void actOnTape('slip', at)}>{t`The tape slips`}</Menu.Item>
                    <Menu.Item
                      value="garble"
                      onClick={() => void actOnTape('garble', at)}
                    >{t`The reading comes garbled`}</Menu.Item>
                    <Menu.Item
                      value="breakOff"
                      onClick={() => void actOnTape('breakOff', at)}
                    >{t`The link breaks in mid-reading`}</Menu.Item>
                  </Menu.Content>
                </Menu.Positioner>
              </Portal>
            </Menu.Root>
          </Flex>
        )}
      </Flex>
      {!tape.mine && (
        <Flex align="center" gap="3" wrap="wrap" role="note">
          <Text>
            <b>{tape.heldFor ? t`Its readings go to ${tape.heldFor}.` : t`Its readings go to no bench yet.`}</b>
          </Text>
          <Button
            size="xs"
            variant="outline"
            borderColor="border.strong"
            onClick={() => void tape.claim()}
          >{t`Take it over`}</Button>
        </Flex>
      )}
      {tape.trouble && (
        <Text color="stop" fontWeight="700" role="alert">
          △ {tape.trouble}
        </Text>
      )}
    </Box>
  );
}
