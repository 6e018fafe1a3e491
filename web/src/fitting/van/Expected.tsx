import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Labelled, Several } from '../../dogs/fields';
import { fieldsOf, type Schemas } from '../../shared/api';
import { Choice } from '../../shared/Choice';
import { entries, purposeWords, shapeWords } from '../../shared/words';
import { numberOf } from '../catalogue/draft';
import { useEditVan } from './useVan';

const blank = { name: '', count: '1', eyeMm: '', girthMm: '', widthMm: '', neckMm: '' };
const fields = [
  ['count', 'How many'],
  ['eyeMm', 'Nose to eye, mm'],
  ['girthMm', 'Snout girth, mm'],
  ['widthMm', 'Snout width, mm'],
  ['neckMm', 'Neck girth, mm'],
] as const;

/** Dogs the practice expects, described by a head. */
export function Expected({ expected }: { expected: Schemas['ExpectedDogDto'][] }) {
  const { expect, unexpect } = useEditVan();
  const [open, setOpen] = useState(false);
  const [draft, setDraft] = useState(blank);
  const [shape, setShape] = useState<Schemas['HeadShape']>('medium');
  const [purposes, setPurposes] = useState<Schemas['Purpose'][]>(['walks']);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const save = async () => {
    try {
      await expect({
        name: draft.name,
        headShape: shape,
        purposes,
        ...Object.fromEntries(fields.map(([key]) => [key, numberOf(draft[key])])),
      });
      setDraft(blank);
      setErrors({});
      setOpen(false);
    } catch (error) {
      setErrors(fieldsOf(error, 'name'));
    }
  };
  const labelled = (key: keyof typeof blank, label: string, width: string) => (
    <Box w={width}>
      <Labelled label={label} {...(errors[key] ? { error: errors[key] } : {})}>
        <Input
          size="sm"
          value={draft[key]}
          borderColor="border.strong"
          onChange={(e) => setDraft({ ...draft, [key]: e.target.value })}
        />
      </Labelled>
    </Box>
  );
  return (
    <Box as="section" aria-label="Dogs expected" mt="8">
      <Heading as="h2" size="lg">
        Dogs expected
      </Heading>
      <ul>
        {expected.map((d) => (
          <Flex as="li" key={d.id} gap="3" py="1.5" borderTopWidth="1px" borderColor="border" align="center">
            <Text flex="1">
              <b>
                {d.count} {d.name}
              </b>{' '}
              <Text as="span" color="fg.muted" fontSize="sm">
                {shapeWords[d.headShape].toLowerCase()}, {Math.round(d.eyeMm)} mm to the eye
              </Text>
            </Text>
            <Button size="xs" variant="ghost" onClick={() => void unexpect(d)}>
              Take out
            </Button>
          </Flex>
        ))}
      </ul>
      {open ? (
        <Box borderLeftWidth="4px" borderColor="accent" ps="4" mt="2">
          <Flex gap="3" wrap="wrap">
            {labelled('name', 'What sort', '14rem')}
            <Box w="8rem">
              <Labelled label="Head">
                <Choice size="sm" value={shape} options={entries(shapeWords)} onChange={setShape} />
              </Labelled>
            </Box>
            {fields.map(([key, label]) => (
              <Box key={key}>{labelled(key, label, '8.5rem')}</Box>
            ))}
          </Flex>
          <Box mt="3">
            <Several legend="For" values={purposes} options={entries(purposeWords)} onChange={setPurposes} />
          </Box>
          <Flex gap="2" mt="3">
            <Button size="sm" colorPalette="marigold" onClick={() => void save()}>
              Expect them
            </Button>
            <Button size="sm" variant="ghost" onClick={() => setOpen(false)}>
              Leave it
            </Button>
          </Flex>
        </Box>
      ) : (
        <Button size="sm" variant="outline" borderColor="border.strong" mt="2" onClick={() => setOpen(true)}>
          Expect more dogs
        </Button>
      )}
    </Box>
  );
}
