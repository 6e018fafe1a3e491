import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { FormProvider, useForm } from 'react-hook-form';
import { refuse } from './refuse';
import { TextField } from './fields';

/** One thing done with a reason that stays on record; what is refused is said beside the reason. */
export function NoteForm({
  label,
  field,
  does,
  size = 'md',
  strong = false,
  onSend,
  onLeave,
}: {
  label: string;
  /** What the server calls the reason. */
  field: 'note' | 'reason';
  does: string;
  size?: 'sm' | 'md';
  strong?: boolean;
  onSend: (note: string) => Promise<unknown>;
  onLeave?: () => void;
}) {
  const form = useForm({ defaultValues: { [field]: '' } });
  const send = form.handleSubmit(async (typed) => {
    try {
      await onSend(typed[field] ?? '');
      form.reset();
    } catch (error) {
      refuse(form, error, field);
    }
  });
  return (
    <FormProvider {...form}>
      <Flex as="form" gap="3" mt="2" align="start" wrap="wrap" onSubmit={(event) => void send(event)}>
        <Box flex="1 1 14rem">
          <TextField size={size} name={field} label={label} autoFocus={onLeave !== undefined} />
        </Box>
        <Flex gap="2" pt={{ base: '0', md: size === 'sm' ? '6' : '7' }}>
          <Button
            type="submit"
            size={size}
            variant={strong ? 'solid' : 'outline'}
            {...(strong ? { colorPalette: 'marigold' } : { borderColor: 'border.strong' })}
            loading={form.formState.isSubmitting}
          >
            {does}
          </Button>
          {onLeave && <Button size={size} variant="ghost" onClick={onLeave}>{t`Leave it`}</Button>}
        </Flex>
        <Text role="status" srOnly>
          {form.formState.isSubmitting ? t`Saving …` : ''}
        </Text>
      </Flex>
    </FormProvider>
  );
}
