import { IconButton, Popover, Portal, Text } from '@chakra-ui/react';
import { popoverSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import type { Schemas } from './api';

const kindWords: Record<Schemas['BasisKind'], string> = {
  published: t`Published`,
  practice: t`Common practice, no source`,
  house: t`Our own choice`,
  memory: t`From memory, not looked up`,
};

/** The ground a number or rule stands on, one key away. */
export function Why({ basis, about }: { basis: Schemas['Basis']; about: string }) {
  return (
    <Popover.Root recipe={popoverSlotRecipe} lazyMount unmountOnExit positioning={{ placement: 'top' }}>
      <Popover.Trigger asChild>
        <IconButton
          size="2xs"
          variant="outline"
          rounded="full"
          minW="6"
          h="6"
          aria-label={t`Why? ${about}`}
          borderColor="border.strong"
        >
          ?
        </IconButton>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content bg="bg.panel" maxW="20rem" aria-label={t`Why? ${about}`}>
            <Popover.Body>
              <Text fontWeight="700">{kindWords[basis.kind]}</Text>
              <Text>{basis.note}</Text>
            </Popover.Body>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}
