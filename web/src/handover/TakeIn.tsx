import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { sendFile, words, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { notify } from '../shared/notices';
import { FileButton } from './FileButton';
import { Trouble } from './Trouble';
import { useEverythingChanged } from './useHandover';

type Differing = 'ours' | 'theirs';

const sectionWords: Record<string, string> = {
  measuringSets: t`measuring sets`,
  readings: t`readings`,
  photos: t`photos`,
  overrules: t`lines overruled`,
  choices: t`muzzles chosen`,
  tryOns: t`try-ons`,
  setRules: t`ways to end a set`,
  waysOfWorking: t`ways of training`,
  planMoves: t`moves of the plan`,
  sessions: t`sessions`,
  passes: t`steps passed`,
  wears: t`wears`,
  inspections: t`inspections`,
  visits: t`visits`,
  handovers: t`handovers`,
  pictures: t`pictures`,
  breeds: t`breeds`,
};

/** Dogs from a colleague: what a file would bring is shown first; nothing is overwritten unasked. */
export function TakeIn() {
  const [file, setFile] = useState<File | null>(null);
  const [differing, setDiffering] = useState<Differing>('ours');
  const everything = useEverythingChanged();
  const look = useMutation({ mutationFn: (f: File) => sendFile<Schemas['DossiersDto']>('/api/dossiers/preview', f) });
  const take = useMutation({
    mutationFn: (f: File) => sendFile<Schemas['DossiersDto']>(`/api/dossiers?differing=${differing}`, f),
    onSuccess: async (taken) => {
      setFile(null);
      look.reset();
      await everything();
      notify(t`Taken in: ${taken.dogs.map((d) => d.name).join(', ')}.`);
    },
  });
  const problem = look.error ?? take.error;
  const dogs = look.data?.dogs ?? [];
  const disagrees = dogs.some((d) => d.disagrees);
  const brings = dogs.some((d) => d.bringsAnything || d.comesBack) || (disagrees && differing === 'theirs');
  return (
    <Box as="section" aria-label={t`Take in a dossier`}>
      <Heading as="h2" size="xl">{t`Take in a dossier`}</Heading>
      <Text mb="2">{t`A dog that a colleague hands over, or that comes back. You see first what would come in.`}</Text>
      <Flex gap="3" align="center" wrap="wrap">
        <FileButton
          does={t`Choose a dossier…`}
          name={t`A dossier as a file`}
          accept=".zip,application/zip"
          busy={look.isPending ? t`Looking…` : null}
          onPick={(picked) => {
            setFile(picked);
            take.reset();
            look.mutate(picked);
          }}
        />
        {file && <Text>{file.name}</Text>}
      </Flex>
      {problem && <Trouble says={words(problem)} />}
      {file && dogs.length > 0 && (
        <Box mt="3">
          <ul>
            {dogs.map((dog) => (
              <Box as="li" key={dog.id} py="2" borderTopWidth="1px" borderColor="border">
                <Text fontSize="lg">
                  <b>{dog.name}</b> · {standing(dog)}
                </Text>
                <Text color="fg.muted">{what(dog)}</Text>
                {dog.differs.map((d) => (
                  <Text key={d.field} fontSize="sm">
                    {t`${d.field}: here ${d.here ?? '–'}, in the file ${d.inFile ?? '–'}`}
                  </Text>
                ))}
              </Box>
            ))}
          </ul>
          <Flex gap="3" mt="3" align="center" wrap="wrap">
            {disagrees && (
              <Box w="20rem">
                <Choice<Differing>
                  size="sm"
                  label={t`Where they say something else`}
                  value={differing}
                  options={[
                    ['ours', t`What is here stays`],
                    ['theirs', t`What the file says replaces it`],
                  ]}
                  onChange={setDiffering}
                />
              </Box>
            )}
            <Button
              size="sm"
              colorPalette="marigold"
              disabled={!brings}
              loading={take.isPending}
              loadingText={t`Taking it in…`}
              onClick={() => take.mutate(file)}
            >{t`Take it in`}</Button>
            <Button
              size="sm"
              variant="ghost"
              onClick={() => {
                setFile(null);
                look.reset();
              }}
            >{t`Leave it`}</Button>
            {!brings && <Text role="status">{t`All of it is here already.`}</Text>}
          </Flex>
        </Box>
      )}
      {take.data && !file && (
        <Flex gap="4" mt="2" wrap="wrap">
          {take.data.dogs.slice(0, 8).map((d) => (
            <RouterLink key={d.id} to={`/dogs/${d.id}`} style={{ textDecoration: 'underline' }}>
              {d.name}
            </RouterLink>
          ))}
        </Flex>
      )}
    </Box>
  );
}

const standing = (dog: Schemas['DossierDogDto']) =>
  dog.comesBack ? t`comes back` : dog.isHere ? t`is here already` : t`is new here`;

const what = (dog: Schemas['DossierDogDto']) => {
  const come = dog.counts.filter((c) => c.new > 0).map((c) => `${sectionWords[c.section] ?? c.section} ${c.new}`);
  const differ = dog.counts.reduce((sum, c) => sum + c.differ, 0);
  return [
    come.length > 0 ? t`Would come in: ${come.join(', ')}.` : t`Nothing new.`,
    differ > 0 ? plural(differ, { one: '# record is otherwise here.', other: '# records are otherwise here.' }) : '',
  ]
    .filter(Boolean)
    .join(' ');
};
