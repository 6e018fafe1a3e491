import { Box, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';

/** The cautions, shown where the decision is made. */
export function Cautions({ cautions }: { cautions: readonly string[] }) {
  return (
    <Box as="aside" aria-label={t`Cautions`} borderInlineStartWidth="4px" borderColor="stop" ps="4" py="1">
      <Text fontWeight="700" color="stop">{t`Before you go on`}</Text>
      <Box as="ul" ps="4" fontSize="sm" listStyleType="disc">
        {cautions.map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
        <li>{t`Laws on muzzles, transport and dangerous dogs differ by place: local rules decide.`}</li>
      </Box>
    </Box>
  );
}
