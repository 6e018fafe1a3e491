import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { FormProvider } from 'react-hook-form';
import type { Change } from '../saving/changes';
import { useKeptForm } from '../saving/useKeptForm';
import { useSubmit } from '../saving/useSubmit';
import { TextField } from './fields';

/** One thing done with a reason that stays on record; what is refused is said beside the reason, and where another hand was faster it is asked whether to do it all the same. */
export function NoteForm<Answer>({
  label,
  field,
  draft,
  does,
  size = 'md',
  strong = false,
  change,
  stands,
  onKept,
  onLeave,
}: {
  label: string;
  /** What the server calls the reason. */
  field: 'note' | 'reason';
  /** What its draft goes by. */
  draft: string;
  does: string;
  size?: 'sm' | 'md';
  strong?: boolean;
  /** What is to be done, with the version it is an edit of. */
  change: (note: string, version?: number) => Change;
  /** How it stands now, where another hand was faster. */
  stands: (theirs: Answer) => string;
  onKept: (answer: Answer) => unknown;
  onLeave?: () => void;
}) {
  const kept = useKeptForm<Record<string, string>>(draft, { [field]: '' });
  const { form } = kept;
  const sending = useSubmit<Record<string, string>, Answer>(kept, field, (answer) => {
    form.reset({ [field]: '' });
    return onKept(answer);
  });
  const send = (version?: number) => sending.submit(change(form.getValues(field) ?? '', version));
  const { conflict } = sending;
  return (
    <FormProvider {...form}>
      <Flex
        as="form"
        gap="3"
        mt="2"
        align="start"
        wrap="wrap"
        onSubmit={(event) => {
          event.preventDefault();
          send();
        }}
      >
        <Box flex="1 1 14rem">
          <TextField size={size} name={field} label={label} autoFocus={onLeave !== undefined} />
        </Box>
        <Flex gap="2" pt={{ base: '0', md: size === 'sm' ? '6' : '7' }}>
          <Button
            type="submit"
            size={size}
            variant={strong ? 'solid' : 'outline'}
            {...(strong ? { colorPalette: 'marigold' } : { borderColor: 'border.strong' })}
            disabled={sending.isOnItsWay}
          >
            {does}
          </Button>
          {onLeave && (
            <Button
              size={size}
              variant="ghost"
              onClick={() => {
                sending.leave();
                onLeave();
              }}
            >{t`Leave it`}</Button>
          )}
        </Flex>
        <Text role="status" w="full" fontSize="sm" color="fg.muted">
          {sending.state}
        </Text>
        {conflict && (
          <Flex role="alert" w="full" gap="3" align="center" wrap="wrap">
            <Text color="stop">{t`Someone else was faster. ${stands(conflict.theirs)} Your words are still here.`}</Text>
            <Button
              size="sm"
              variant="outline"
              borderColor="border.strong"
              onClick={() => {
                sending.settled();
                send(conflict.version);
              }}
            >{t`Do it all the same`}</Button>
          </Flex>
        )}
      </Flex>
    </FormProvider>
  );
}
