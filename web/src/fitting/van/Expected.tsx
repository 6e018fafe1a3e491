import { Box, Button, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Labelled, Several } from '../../dogs/fields';
import { fieldsOf, type Schemas } from '../../shared/api';
import { Choice } from '../../shared/Choice';
import { entries, purposeWords, shapeWords } from '../../shared/words';
import { numberOf } from '../catalogue/draft';
import { useEditVan } from './useVan';

type Dogs = Schemas['ExpectedDogDto'];
type Draft = { shape: Dogs['headShape']; purposes: Dogs['purposes'] } & Record<Typed, string>;
type Typed = 'name' | (typeof fields)[number][0];

const fields = [
  ['count', 'How many'],
  ['eyeMm', 'Nose to eye, mm'],
  ['girthMm', 'Snout girth, mm'],
  ['widthMm', 'Snout width, mm'],
  ['neckMm', 'Neck girth, mm'],
] as const;

const blank: Draft = {
  name: '',
  count: '1',
  eyeMm: '',
  girthMm: '',
  widthMm: '',
  neckMm: '',
  shape: 'medium',
  purposes: ['walks'],
};
const draftOf = (dogs: Dogs): Draft => ({
  name: dogs.name,
  count: `${dogs.count}`,
  eyeMm: `${dogs.eyeMm}`,
  girthMm: `${dogs.girthMm ?? ''}`,
  widthMm: `${dogs.widthMm ?? ''}`,
  neckMm: `${dogs.neckMm ?? ''}`,
  shape: dogs.headShape,
  purposes: dogs.purposes,
});

/** Dogs the practice expects, described by a head. */
export function Expected({ expected }: { expected: Dogs[] }) {
  const { expect, amend, unexpect } = useEditVan();
  const [open, setOpen] = useState<Dogs | 'new' | null>(null);
  const close = () => setOpen(null);
  return (
    <Box as="section" aria-label="Dogs expected" mt="8">
      <Heading as="h2" size="lg">
        Dogs expected
      </Heading>
      <ul>
        {expected.map((d) => (
          <Box as="li" key={d.id} py="1.5" borderTopWidth="1px" borderColor="border">
            {open !== 'new' && open?.id === d.id ? (
              <Sheet
                start={draftOf(d)}
                does="Save"
                onSave={(entry) => amend(d.id, { ...entry, biteTier: d.biteTier })}
                onClose={close}
              />
            ) : (
              <Flex gap="1" align="center">
                <Text flex="1">
                  <b>
                    {d.count} {d.name}
                  </b>{' '}
                  <Text as="span" color="fg.muted" fontSize="sm">
                    {shapeWords[d.headShape].toLowerCase()}, {Math.round(d.eyeMm)} mm to the eye
                  </Text>
                </Text>
                <Button size="xs" variant="ghost" aria-label={`Correct: ${d.name}`} onClick={() => setOpen(d)}>
                  Correct
                </Button>
                <Button size="xs" variant="ghost" onClick={() => void unexpect(d)}>
                  Take out
                </Button>
              </Flex>
            )}
          </Box>
        ))}
      </ul>
      {open === 'new' ? (
        <Sheet start={blank} does="Expect them" onSave={expect} onClose={close} />
      ) : (
        <Button size="sm" variant="outline" borderColor="border.strong" mt="2" onClick={() => setOpen('new')}>
          Expect more dogs
        </Button>
      )}
    </Box>
  );
}

function Sheet({
  start,
  does,
  onSave,
  onClose,
}: {
  start: Draft;
  does: string;
  onSave: (entry: Schemas['ExpectedDogEntry']) => Promise<unknown>;
  onClose: () => void;
}) {
  const [draft, setDraft] = useState(start);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const save = () =>
    onSave({
      name: draft.name,
      headShape: draft.shape,
      purposes: draft.purposes,
      ...Object.fromEntries(fields.map(([key]) => [key, numberOf(draft[key])])),
    })
      .then(onClose)
      .catch((error: unknown) => setErrors(fieldsOf(error, 'name')));
  const labelled = (key: Typed, label: string, width: string) => (
    <Box key={key} w={width}>
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
    <Box borderLeftWidth="4px" borderColor="accent" ps="4" mt="2">
      <Flex gap="3" wrap="wrap">
        {labelled('name', 'What sort', '14rem')}
        <Box w="8rem">
          <Labelled label="Head">
            <Choice
              size="sm"
              value={draft.shape}
              options={entries(shapeWords)}
              onChange={(shape) => setDraft({ ...draft, shape })}
            />
          </Labelled>
        </Box>
        {fields.map(([key, label]) => labelled(key, label, '8.5rem'))}
      </Flex>
      <Box mt="3">
        <Several
          legend="For"
          values={draft.purposes}
          options={entries(purposeWords)}
          onChange={(purposes) => setDraft({ ...draft, purposes })}
        />
      </Box>
      <Flex gap="2" mt="3">
        <Button size="sm" colorPalette="marigold" onClick={() => void save()}>
          {does}
        </Button>
        <Button size="sm" variant="ghost" onClick={onClose}>
          Leave it
        </Button>
      </Flex>
    </Box>
  );
}
