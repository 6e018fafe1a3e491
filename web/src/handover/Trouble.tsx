import { Text } from '@chakra-ui/react';

/** Why something was not done. */
export const Trouble = ({ says }: { says: string }) => (
  <Text color="stop" role="alert" mt="2">
    <span aria-hidden="true">⬣ </span>
    {says}
  </Text>
);
