import { Button, Input } from '@chakra-ui/react';
import type { ComponentProps } from 'react';

/** Large enough for a thumb that is in a hurry. */
export const BigInput = (props: ComponentProps<typeof Input>) => (
  <Input size="xl" h="14" fontSize="xl" borderColor="border.strong" {...props} />
);

export const BigButton = (props: ComponentProps<typeof Button>) => (
  <Button type="submit" size="xl" h="16" w="full" fontSize="xl" colorPalette="marigold" {...props} />
);
