import { Button, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { useMutation } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { words, type Refused } from '../shared/api';
import { outbox } from '../shared/queries';
import { sendAside } from './aside';

/** What a device that may come in no more still holds: it goes to the fitter to be looked at, and is dropped here once it is there. */
export function LeftHere({ refused }: { refused: Refused }) {
  useSyncExternalStore(outbox.subscribe, outbox.moment);
  const left = outbox.left().length;
  const send = useMutation({ mutationFn: sendAside });
  if (refused.ended !== 'withdrawn' || left === 0) return null;
  return (
    <>
      <Text mt="3">
        {plural(left, {
          one: 'One thing recorded here was not sent. Your fitter looks at it before it counts.',
          other: '# things recorded here were not sent. Your fitter looks at them before they count.',
        })}
      </Text>
      <Button
        mt="2"
        size="lg"
        loading={send.isPending}
        onClick={() => send.mutate()}
      >{t`Send them to be looked at`}</Button>
      {send.error && <Text role="alert">{words(send.error)}</Text>}
    </>
  );
}
