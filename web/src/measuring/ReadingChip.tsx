import { Box, Button, type ButtonProps, Flex, IconButton, Input, Popover, Portal, Text } from '@chakra-ui/react';
import { popoverSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { dateText } from '../shared/dates';
import { useState } from 'react';
import { words, type Schemas } from '../shared/api';
import { complain } from '../shared/notices';
import { toolWords } from '../shared/words';
import type { Reading } from './useBench';

const reasons = [t`tape slipped`, t`dog moved`, 'misread', t`wrong place`];

function ChipButton({ reading, name, ...button }: { reading: Reading; name: string } & ButtonProps) {
  const aside = reading.setAside !== null;
  return (
    <Button
      size="2xs"
      variant="plain"
      px="2"
      pe="1"
      fontWeight="400"
      aria-label={t`${reading.asTaken}, ${name}: details`}
      {...button}
    >
      <Box as="span" textDecoration={aside ? 'line-through' : undefined}>
        {reading.standsApart ? '△ ' : ''}
        {reading.asTaken}
      </Box>
      {reading.tool !== 'softTape' && <span>· {toolWords[reading.tool].toLowerCase()}</span>}
      {aside && <span>{t`· set aside`}</span>}
      {reading.kept && <span>{t`· kept`}</span>}
    </Button>
  );
}

/** A reading as taken, with what can be done about it: take out, set aside with a reason, keep. */
export function ReadingChip({
  reading,
  name,
  onRemove,
  onJudge,
}: {
  reading: Reading;
  name: string;
  onRemove: () => void;
  onJudge: (judgement: Schemas['ReadingJudgement']) => Promise<void>;
}) {
  const aside = reading.setAside !== null;
  const [reason, setReason] = useState('');
  const [open, setOpen] = useState(false);
  const judge = (judgement: Schemas['ReadingJudgement']) =>
    void onJudge(judgement).catch((error: unknown) => complain(words(error)));
  const taken = dateText(reading.takenAt, 'moment');
  return (
    <Flex
      as="span"
      align="center"
      borderWidth={reading.standsApart ? '2px' : '1px'}
      borderStyle={aside ? 'dashed' : 'solid'}
      borderColor={reading.standsApart ? 'stop' : 'border.strong'}
      rounded="full"
      fontSize="xs"
    >
      {/* Nothing but a button until it is opened: there are many of them. */}
      {!open && <ChipButton reading={reading} name={name} onClick={() => setOpen(true)} />}
      {open && (
        <Popover.Root recipe={popoverSlotRecipe} open onOpenChange={(e) => setOpen(e.open)}>
          <Popover.Trigger asChild>
            <ChipButton reading={reading} name={name} />
          </Popover.Trigger>
          <Portal>
            <Popover.Positioner>
              <Popover.Content bg="bg.panel" maxW="22rem" aria-label={`${reading.asTaken}, ${name}`}>
                <Popover.Body display="flex" flexDirection="column" gap="2">
                  <Text>
                    <Trans>
                      <b>{reading.asTaken}</b> with the {toolWords[reading.tool].toLowerCase()}
                      {reading.takenBy ? t`, by ${reading.takenBy}` : ''}, {taken}.
                    </Trans>
                  </Text>
                  {aside ? (
                    <>
                      <Text>
                        <Trans>Set aside: {reading.setAside}. It counts for nothing and stays on record.</Trans>
                      </Text>
                      <Button size="sm" variant="outline" onClick={() => judge({})}>{t`Use it again`}</Button>
                    </>
                  ) : (
                    <>
                      {reading.standsApart && (
                        <Text color="stop" fontWeight="700">{t`It stands apart from the others.`}</Text>
                      )}
                      <Text>{t`Set it aside, because:`}</Text>
                      <Flex gap="1" wrap="wrap">
                        {reasons.map((r) => (
                          <Button key={r} size="xs" variant="outline" onClick={() => judge({ setAside: r })}>
                            {r}
                          </Button>
                        ))}
                      </Flex>
                      <Flex gap="1">
                        <Input
                          size="sm"
                          aria-label={t`Another reason`}
                          placeholder={t`another reason`}
                          value={reason}
                          borderColor="border.strong"
                          onChange={(e) => setReason(e.target.value)}
                        />
                        <Button size="sm" onClick={() => judge({ setAside: reason })}>{t`Set aside`}</Button>
                      </Flex>
                      {(reading.standsApart || reading.kept) && (
                        <Button size="sm" variant="outline" onClick={() => judge({ keep: !reading.kept })}>
                          {reading.kept ? t`No longer keep it` : t`Keep it all the same`}
                        </Button>
                      )}
                    </>
                  )}
                </Popover.Body>
              </Popover.Content>
            </Popover.Positioner>
          </Portal>
        </Popover.Root>
      )}
      <IconButton
        size="2xs"
        variant="plain"
        minW="6"
        rounded="full"
        onClick={onRemove}
        aria-label={t`Take out ${reading.asTaken}, ${name}`}
      >
        <span aria-hidden="true">×</span>
      </IconButton>
    </Flex>
  );
}
