import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { dateText } from '../../shared/dates';
import { useAway, useEditCatalogue } from './useCatalogue';

/** The models offered for no dog: those put away, or those that nobody put away but that cannot be read. */
export function Away({ unreadable = false }: { unreadable?: boolean }) {
  const { bringBack, putAway } = useEditCatalogue();
  const away = useAway().data?.filter((m) => m.unreadable === unreadable) ?? [];
  if (away.length === 0) return null;
  const heading = unreadable ? t`Cannot be read` : t`Put away`;
  return (
    <Box
      as="section"
      aria-label={heading}
      {...(unreadable && { borderInlineStartWidth: '4px', borderColor: 'stop', ps: '4' })}
      my="4"
    >
      <Heading as="h2" size="lg" color={unreadable ? 'stop' : undefined}>
        {unreadable && '△ '}
        {heading}
      </Heading>
      <Text color="fg.muted">{t`Offered for no dog. Fits made with them stay as they were.`}</Text>
      <ul>
        {away.map(({ modelId, name, version, revision, at, before }) => (
          <Flex as="li" key={modelId} gap="4" align="center" wrap="wrap" py="1">
            <Text>
              <b>{name}</b>, {t`version ${revision}`}, {dateText(at, 'day')}
            </Text>
            {before !== null && (
              <Button
                size="xs"
                variant="outline"
                borderColor="border.strong"
                onClick={() => void bringBack(modelId, before, version)}
              >{t`Bring ${name} back as in version ${before}`}</Button>
            )}
            {unreadable && (
              <Button
                size="xs"
                variant="ghost"
                onClick={() => void putAway(modelId, version)}
              >{t`Put ${name} away`}</Button>
            )}
          </Flex>
        ))}
      </ul>
    </Box>
  );
}
