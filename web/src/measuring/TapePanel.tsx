import { Box, Button, Flex, Menu, Portal, Text } from '@chakra-ui/react';
import { nameOf, type Line } from './lines';
import { actOnTape, type useTape } from './useTape';

const stateWords = { connecting: '◌ connecting…', connected: '● connected', lost: '○ not connected; trying again' };

/** How the digital tape stands, and the button of the simulated one. */
export function TapePanel({ tape, line }: { tape: ReturnType<typeof useTape>; line: Line | null }) {
  const at = line && { measure: line.guide.measure, side: line.side };
  return (
    <Box as="section" aria-label="Digital tape" mt="3" fontSize="sm">
      <Flex align="center" gap="3" wrap="wrap">
        <Text role="status">
          <b>Digital tape</b> (simulated) {stateWords[tape.state]}
          {tape.battery !== null && `, battery ${tape.battery} %`}
        </Text>
        {at && tape.mine && (
          <Flex gap="1">
            <Button
              size="xs"
              variant="outline"
              borderColor="border.strong"
              disabled={tape.state !== 'connected'}
              onClick={() => void actOnTape('press', at)}
            >
              Press its button on {nameOf(line).toLowerCase()}
            </Button>
            <Menu.Root positioning={{ placement: 'top-end' }}>
              <Menu.Trigger asChild>
                <Button size="xs" variant="outline" borderColor="border.strong" disabled={tape.state !== 'connected'}>
                  Let it fail
                </Button>
              </Menu.Trigger>
              <Portal>
                <Menu.Positioner>
                  <Menu.Content bg="bg.panel">
                    <Menu.Item value="slip" onClick={() => void actOnTape('slip', at)}>
                      The tape slips
                    </Menu.Item>
                    <Menu.Item value="garble" onClick={() => void actOnTape('garble', at)}>
                      The reading comes garbled
                    </Menu.Item>
                    <Menu.Item value="breakOff" onClick={() => void actOnTape('breakOff', at)}>
                      The link breaks in mid-reading
                    </Menu.Item>
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
            <b>{tape.heldFor ? `Its readings go to ${tape.heldFor}.` : 'Its readings go to no bench yet.'}</b>
          </Text>
          <Button size="xs" variant="outline" borderColor="border.strong" onClick={() => void tape.claim()}>
            Take it over
          </Button>
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
