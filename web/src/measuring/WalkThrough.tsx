import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { ReadingField, type Field } from './ReadingField';
import { nameOf } from './lines';

/** One measure at a time, large, for someone who has never measured: where, how, and the usual mistake. */
export function WalkThrough({
  at,
  of,
  shown,
  onBack,
  onLeave,
  ...field
}: Field & { at: number; of: number; shown: string | null; onBack: () => void; onLeave: () => void }) {
  const { guide } = field.line;
  return (
    <Box as="section" aria-label="Walk-through">
      <Flex align="center" gap="3">
        <Text color="fg.muted">
          {at + 1} of {of}
        </Text>
        <Flex gap="1" aria-hidden="true">
          {Array.from({ length: of }, (_, i) => (
            <Box key={i} w="5" h="1.5" borderRadius="full" bg={i <= at ? 'accent' : 'border'} />
          ))}
        </Flex>
        <Button ms="auto" size="sm" variant="outline" borderColor="border.strong" onClick={onLeave}>
          Back to the list
        </Button>
      </Flex>
      <Heading as="h2" size="3xl" mt="3" aria-live="polite">
        {nameOf(field.line)}
      </Heading>
      <Text fontSize="lg">{guide.where}</Text>
      <Heading as="h3" size="md" mt="3">
        Find it
      </Heading>
      <Text fontSize="lg">{guide.find}</Text>
      <Heading as="h3" size="md" mt="3">
        Hold the tape
      </Heading>
      <Text fontSize="lg">{guide.how}</Text>
      <Box borderLeftWidth="4px" borderColor="accent" ps="3" mt="3">
        <Text fontSize="lg">
          <b>Usual mistake:</b> {guide.mistake.charAt(0).toLowerCase() + guide.mistake.slice(1)}
        </Text>
      </Box>
      <Flex mt="5" gap="4" align="start" wrap="wrap">
        <ReadingField key={field.line.key} {...field} large />
        <Box>
          <Text fontSize="4xl" fontWeight="700" lineHeight="1">
            {shown ?? '–'}
          </Text>
          <Text fontSize="sm" color="fg.muted">
            read so far
          </Text>
        </Box>
      </Flex>
      <Flex gap="3" mt="4">
        <Button variant="outline" borderColor="border.strong" disabled={at === 0} onClick={onBack}>
          Back
        </Button>
        <Button colorPalette="marigold" onClick={() => field.onNext(field.line)}>
          {at + 1 === of ? 'Done' : 'Next'}
        </Button>
        <Text fontSize="sm" color="fg.muted" alignSelf="center">
          Take each two or three times: the same measure may be read again.
        </Text>
      </Flex>
    </Box>
  );
}
