import { Box, List, Text } from '@chakra-ui/react';
import { listSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';

/** The cautions, shown where the decision is made. */
export function Cautions({ cautions }: { cautions: readonly string[] }) {
  return (
    <Box as="aside" aria-label={t`Cautions`} borderInlineStartWidth="4px" borderColor="stop" ps="4" py="1">
      <Text fontWeight="700" color="stop">{t`Before you go on`}</Text>
      <List.Root recipe={listSlotRecipe} ps="4" fontSize="sm">
        {cautions.map((caution) => (
          <List.Item key={caution}>{caution}</List.Item>
        ))}
        <List.Item>{t`Laws on muzzles, transport and dangerous dogs differ by place: local rules decide.`}</List.Item>
      </List.Root>
    </Box>
  );
}
