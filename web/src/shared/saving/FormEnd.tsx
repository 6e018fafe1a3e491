import { Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Conflict } from './Conflict';
import type { Difference } from './differences';
import { LeaveButton } from './LeaveButton';
import type { FieldValues } from 'react-hook-form';
import type { useKeptForm } from './useKeptForm';
import type { useSubmit } from './useSubmit';

/** The end of a form that is sent by a button: what another hand did meanwhile, the button, the way out, and what became of it. */
export function FormEnd<T extends FieldValues, Answer, Theirs>({
  does,
  blocked = false,
  kept,
  sending: { conflict, settled, leave, state, isOnItsWay },
  says,
  differences,
  onSave,
  onTakeTheirs,
  onLeave,
}: {
  does: string;
  /** It cannot be sent as it stands. */
  blocked?: boolean;
  kept: ReturnType<typeof useKeptForm<T>>;
  sending: ReturnType<typeof useSubmit<T, Answer, Theirs>>;
  /** What the other hand did, in words. */
  says: (theirs: Theirs) => string;
  differences: (theirs: Theirs) => Difference[];
  onSave: (version?: number) => unknown;
  onTakeTheirs: (theirs: Theirs, version: number) => void;
  onLeave: () => void;
}) {
  return (
    <>
      {conflict && (
        <Conflict
          says={t`${says(conflict.theirs)} What you typed is still here.`}
          differences={differences(conflict.theirs)}
          keepMine={() => {
            kept.onVersion(conflict.version);
            settled();
            onSave(conflict.version);
          }}
          takeTheirs={() => {
            settled();
            leave();
            onTakeTheirs(conflict.theirs, conflict.version);
          }}
        />
      )}
      <Flex gap="2" mt="3" align="center" wrap="wrap">
        <Button size="sm" colorPalette="marigold" disabled={isOnItsWay || blocked} onClick={() => onSave()}>
          {does}
        </Button>
        <LeaveButton
          touched={kept.touched && !isOnItsWay}
          onLeave={() => {
            leave();
            onLeave();
          }}
          label={isOnItsWay ? t`Go on` : t`Leave it`}
        />
        <Text role="status" color="fg.muted" fontSize="sm">
          {state}
        </Text>
      </Flex>
    </>
  );
}
