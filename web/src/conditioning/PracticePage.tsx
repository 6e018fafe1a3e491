import { Box, Button, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { Labelled } from '../shared/fields';
import { Head } from '../shared/Head';
import { keys } from '../shared/keys';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { entries, temperamentWords } from '../shared/words';

type Move = Schemas['PracticeMove'];
type Temperament = Schemas['Temperament'];

const steps: [string, string][] = [
  ['touch-it', t`Touch it`],
  ['nose-all-in', t`All the way in`],
  ['hold-short', t`Stay in, a little`],
  ['close-gently', t`Closed, ten quiet seconds`],
  ['worn-still', t`Worn, sitting`],
];

const chosenWords: Record<Move, string> = {
  go: '',
  harder: t`went harder`,
  same: t`the same again`,
  easier: t`went easier`,
  end: t`ended it`,
  easyGo: t`ended it with an easy go`,
  stop: t`stopped`,
};

/** No two are alike, nor the first of two days. */
const anyDog = (): { temperament: Temperament; stepId: string; seed: number } => ({
  temperament: 'typical',
  stepId: 'hold-short',
  seed: Math.floor(Math.random() * 2 ** 30),
});

/** The pad against a dog that is only played: when to go on, when to go back, when to stop. */
export function PracticePage() {
  usePageTitle(t`Practice`);
  const [dog, setDog] = useState(anyDog);
  const [moves, setMoves] = useState<Move[]>([]);
  const played = useQuery({
    queryKey: keys.practice(dog, moves),
    queryFn: ({ signal }) => ask(api.POST('/api/practice', { signal, body: { ...dog, moves } })),
    staleTime: Infinity,
    placeholderData: keepPreviousData,
  });
  const another = (change: Partial<typeof dog>) => {
    setDog({ ...dog, seed: dog.seed + 1, ...change });
    setMoves([]);
  };
  const state = played.data;
  const make = (move: Move) => !played.isPlaceholderData && setMoves([...moves, move]);
  return (
    <Box maxW="44rem" mx="auto">
      <Heading as="h1" size="3xl">{t`Practice`}</Heading>
      <Text>{t`A dog that is only played, and no two alike. Ask for goes, watch what it shows, and say when it goes on: then see what the rule would have done.`}</Text>
      <Grid templateColumns={{ base: '1fr 1fr', sm: '1fr 1fr auto' }} gap="3" mt="4" alignItems="end">
        <Labelled label={t`What dog`}>
          <Choice
            value={dog.temperament}
            options={entries(temperamentWords)}
            onChange={(temperament) => another({ temperament })}
          />
        </Labelled>
        <Labelled label={t`At which step`}>
          <Choice value={dog.stepId} options={steps} onChange={(stepId) => another({ stepId })} />
        </Labelled>
        <Button variant="outline" borderColor="border.strong" onClick={() => another({})}>{t`Another dog`}</Button>
      </Grid>
      {!state ? (
        <Waiting query={played} />
      ) : state.ended ? (
        <Review state={state} onAgain={() => another({})} />
      ) : (
        <Playing state={state} moves={moves} onMove={make} />
      )}
    </Box>
  );
}

function Playing({
  state,
  moves,
  onMove,
}: {
  state: Schemas['PracticeDto'];
  moves: Move[];
  onMove: (move: Move) => void;
}) {
  const last = state.goes.at(-1);
  const staying = state.askedSeconds !== null && state.heldSeconds !== null;
  return (
    <Box mt="6" borderTopWidth="2px" borderColor="fg" pt="3">
      <Grid templateColumns={{ base: '1fr', md: '1fr 20rem' }} columnGap="6" alignItems="start">
        <Box>
          <Text fontWeight="700">{state.step}</Text>
          <Heading as="h2" fontSize={state.targetText.length > 14 ? '3xl' : '5xl'} lineHeight="1.05">
            {state.targetText}
          </Heading>
          <Text mt="1" color="fg.muted">
            {state.success}
          </Text>
          <Box role="status" minH="5rem" mt="2">
            {last === undefined ? (
              <Text fontSize="xl">{moves.length === 0 ? t`It looks at you.` : t`It waits.`}</Text>
            ) : (
              <Text fontSize="3xl" fontFamily="heading" fontWeight="750">
                {last ? state.yes : state.notYet}
                {staying && (
                  <Text as="span" fontSize="xl" color="fg.muted">
                    {' '}
                    {t`${state.heldSeconds ?? 0} of ${state.askedSeconds ?? 0} s`}
                  </Text>
                )}
              </Text>
            )}
            <Text role="group" color="fg.muted" aria-label={t`Goes of this set`}>
              {state.goes.map((good) => (good ? '✓' : '–')).join(' ')}
            </Text>
          </Box>
        </Box>
        <Seen key={moves.length} state={state} />
      </Grid>
      <Button w="full" h="20" fontSize="2xl" onClick={() => onMove('go')}>{t`Ask for a go`}</Button>
      <Grid templateColumns={{ base: '1fr 1fr', sm: 'repeat(3, 1fr)' }} gap="2" mt="3">
        {(
          [
            ['harder', t`One harder`, state.isHardest],
            ['same', t`Same again`, false],
            ['easier', t`One easier`, state.isEasiest],
            ['easyGo', t`End with an easy go`, false],
            ['end', t`End the session`, false],
          ] as const
        ).map(([move, label, off]) => (
          <Button
            key={move}
            h="14"
            whiteSpace="normal"
            lineHeight="1.15"
            variant="outline"
            borderColor="border.strong"
            disabled={off || (state.goes.length === 0 && move !== 'end' && move !== 'easyGo')}
            onClick={() => onMove(move)}
          >
            {label}
          </Button>
        ))}
        <Button h="14" colorPalette="brick" onClick={() => onMove('stop')}>{t`⬣ Stop`}</Button>
      </Grid>
      {state.allGoes > 0 && (
        <Text mt="2" color="fg.muted">
          {plural(state.allGoes, { one: 'One go so far.', other: '# goes so far.' })}
        </Text>
      )}
      {state.sets.length > 0 && (
        <Text
          mt="3"
          color="fg.muted"
        >{t`${plural(state.sets.length, { one: 'One set', other: '# sets' })} so far; what the rule says of them comes at the end.`}</Text>
      )}
    </Box>
  );
}

/** The dog as it is to be seen. What that is called is said to whoever asks, after they looked. */
function Seen({ state }: { state: Schemas['PracticeDto'] }) {
  const [said, setSaid] = useState(false);
  return (
    <Box mb="2" order={{ base: -1, md: 0 }}>
      <Flex justify="center" role="img" aria-label={state.sign ?? t`The dog`}>
        <Head portrait={state.picture} size={300} height={190} />
      </Flex>
      {state.sign && (
        <Flex justify="center" minH="11" align="center">
          {said ? (
            <Text fontSize="lg">{state.sign}</Text>
          ) : (
            <Button variant="ghost" minH="11" onClick={() => setSaid(true)}>{t`What does it show?`}</Button>
          )}
        </Flex>
      )}
    </Box>
  );
}

const marks: Record<Schemas['PracticeVerdict'], string> = {
  asTheRule: '✓',
  tooFast: '»',
  tooSlow: '«',
  tooSoon: '?',
  overThreshold: '⬣',
  wentOn: '»',
  noEasyGo: '◇',
  tooMany: '×',
};

function Review({ state, onAgain }: { state: Schemas['PracticeDto']; onAgain: () => void }) {
  const right = state.sets.filter((s) => s.verdict === 'asTheRule').length;
  return (
    <Box mt="6" borderTopWidth="2px" borderColor="fg" pt="3">
      <Heading as="h2" size="2xl">
        {state.sets.length === 0 ? t`Nothing was asked of it` : t`${right} of ${state.sets.length} as the rule has it`}
      </Heading>
      <Text mt="1">
        {state.easyGo === null ? '' : state.easyGo ? t`The easy go went well. ` : t`The easy go did not go well. `}
        {state.wentOver ? t`⬣ It went over threshold. ` : t`It never went over threshold. `}
        {(state.learned ?? 0) > 0.02
          ? t`It knows more than before.`
          : (state.learned ?? 0) < -0.02
            ? t`It knows less than before.`
            : t`It knows about as much as before.`}
      </Text>
      <Box as="ol" mt="3" listStyleType="none">
        {state.sets.map((set, i) => (
          <Flex as="li" key={i} gap="4" py="2" borderTopWidth="1px" borderColor="border">
            <Text fontFamily="heading" fontWeight="750" fontSize="xl" w="6" flexShrink="0" aria-hidden="true">
              {marks[set.verdict]}
            </Text>
            <Box>
              <Text fontWeight="700">{t`${set.targetText}: ${set.good} of ${set.goes}, and you ${chosenWords[set.chosen]}`}</Text>
              <Text>{set.says}</Text>
            </Box>
          </Flex>
        ))}
      </Box>
      <Button mt="4" size="lg" colorPalette="marigold" onClick={onAgain}>{t`Another dog`}</Button>
    </Box>
  );
}
