import { Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState } from 'react';

/** Leaves a form; where something was typed, it asks first. */
export function LeaveButton({
  touched,
  onLeave,
  label = t`Leave it`,
}: {
  touched: boolean;
  onLeave: () => void;
  label?: string;
}) {
  const [asking, setAsking] = useState(false);
  if (!asking)
    return (
      <Button size="sm" variant="ghost" onClick={() => (touched ? setAsking(true) : onLeave())}>
        {label}
      </Button>
    );
  return (
    <Flex gap="2" align="center" role="alert" wrap="wrap">
      <Text fontSize="sm">{t`What you typed is saved nowhere else.`}</Text>
      <Button size="sm" variant="outline" borderColor="stop" onClick={onLeave}>{t`Throw it away`}</Button>
      <Button size="sm" variant="ghost" autoFocus onClick={() => setAsking(false)}>{t`Stay`}</Button>
    </Flex>
  );
}
