import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useQuery } from '@tanstack/react-query';
import { Suspense, useState } from 'react';
import { useSearchParams } from 'react-router';
import { api, ask, sendPicture, words, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { useDogChanged, useThisDog } from '../shared/dog';
import { newId } from '../shared/ids';
import { draftOfDog, NEW } from '../shared/saving/drafts';
import { complain } from '../shared/notices';
import { Waiting } from '../shared/Waiting';
import { Why } from '../shared/Why';
import { late } from '../shared/late';
import { happyWearsQuery, lasting, useBalance, useTakeOut, useWears, wornSignsQuery } from './useWearing';
import { WearForm } from './WearForm';
import { WearRooms } from './WearRooms';
import { endingWords, occasionMarks, occasionWords, rubWords } from './words';

const BalanceChart = late(() => import('./BalanceChart').then((m) => m.BalanceChart));
const FEW = 20;

const verdictSays: Record<Schemas['BalanceVerdict'], string> = {
  good: t`● It still means good things`,
  warn: t`◐ Mind what it comes to mean`,
  sour: t`✕ It is becoming a sign of bad things`,
};

/** What the muzzle has come to mean, and every wear behind that. */
export function LogPage() {
  const { dog } = useThisDog();
  const balance = useBalance(dog.id);
  return (
    <Box>
      <WearRooms dogId={dog.id} />
      {balance.data ? <Balance balance={balance.data} /> : <Waiting query={balance} />}
      <Log dogId={dog.id} />
    </Box>
  );
}

function Balance({ balance }: { balance: Schemas['BalanceDto'] }) {
  if (balance.wears.length === 0 && balance.ratio === null)
    return <Text fontSize="lg">{t`Nothing worn yet. What each wear was to the dog will be weighed here.`}</Text>;
  return (
    <Flex gap={{ base: 4, lg: 10 }} direction={{ base: 'column', lg: 'row' }} align="start">
      <Box w={{ lg: '22rem' }} flexShrink="0">
        <Flex align="baseline" gap="2" color={balance.verdict === 'sour' ? 'stop' : 'fg'}>
          <Text fontFamily="heading" fontWeight="800" fontSize="5rem" lineHeight="0.95">
            {balance.ratioText ?? balance.wears.length}
          </Text>
          <Text fontSize="lg">
            {balance.ratio === null ? t`wears, none of them stressful` : t`good to one bad`}{' '}
            <Why basis={balance.basis} about={t`How many good wears to one bad`} />
          </Text>
        </Flex>
        <Heading as="h2" size="lg" mt="2">
          {verdictSays[balance.verdict]}
        </Heading>
        {balance.says && <Text>{balance.says}</Text>}
        {balance.ahead && (
          <Box
            mt="3"
            borderInlineStartWidth="4px"
            borderColor={balance.ahead.happyOn.length > 0 ? 'accent' : 'border'}
            ps="3"
          >
            <Text fontWeight="700">{t`Before it sours`}</Text>
            <Text>{balance.ahead.says}</Text>
            {balance.ahead.happyOn.length > 0 && (
              <Text fontSize="sm">{t`On: ${balance.ahead.happyOn.map((d) => dateText(d, 'weekday')).join(', ')}`}</Text>
            )}
          </Box>
        )}
      </Box>
      <Box flex="1" w="full">
        <Suspense fallback={<Box h="240px" />}>
          <BalanceChart balance={balance} />
        </Suspense>
        <Text
          fontSize="sm"
          color="fg.muted"
        >{t`The line: good wears to one bad. Dashed: ${balance.wanted} are wanted. Solid: under ${balance.sours} it sours. Below, each wear: ${occasionMarks.fun} fun, ${occasionMarks.ordinary} ordinary, ${occasionMarks.stressful} stressful. Waiting changes nothing; only wears do.`}</Text>
      </Box>
    </Flex>
  );
}

function Log({ dogId }: { dogId: string }) {
  const wears = useWears(dogId);
  const [search, setSearch] = useSearchParams();
  // What was being typed when the page was left is open again.
  const [left, setLeft] = useState(() => draftOfDog('wear', dogId));
  const [adding, setAdding] = useState(left === NEW);
  const [all, setAll] = useState(false);
  const open = search.get('wear') ?? left;
  const close = () => {
    setLeft(null);
    setSearch({}, { replace: true });
  };
  if (!wears.data) return <Waiting query={wears} />;
  return (
    <Box as="section" mt="8" aria-label={t`Every wear`}>
      <Flex align="baseline" gap="4" borderBottomWidth="2px" borderColor="fg" pb="1">
        <Heading as="h2" size="lg">{t`Every wear`}</Heading>
        <Text fontWeight="700">{wears.data.length}</Text>
        <Button
          size="sm"
          variant="outline"
          borderColor="border.strong"
          ms="auto"
          onClick={() => setAdding(true)}
        >{t`Enter one afterwards`}</Button>
      </Flex>
      {adding && <WearForm dogId={dogId} wear={null} onLeave={() => setAdding(false)} />}
      <ul>
        {wears.data.slice(0, all ? undefined : FEW).map((w) => (
          <li key={w.id}>
            {open === w.id ? (
              <WearForm dogId={dogId} wear={w} onLeave={close} />
            ) : (
              <Row dogId={dogId} wear={w} onOpen={() => setSearch({ wear: w.id }, { replace: true })} />
            )}
          </li>
        ))}
      </ul>
      {wears.data.length > FEW && (
        <Button size="sm" variant="ghost" onClick={() => setAll(!all)}>
          {all ? t`Fewer` : t`All ${wears.data.length}`}
        </Button>
      )}
    </Box>
  );
}

function Row({ dogId, wear, onOpen }: { dogId: string; wear: Schemas['WearDto']; onOpen: () => void }) {
  const happy = useQuery(happyWearsQuery);
  const signs = useQuery(wornSignsQuery);
  const takeOut = useTakeOut(dogId);
  const path = { params: { path: { id: dogId, wearId: wear.id } } };
  const worn = wear.seconds === null ? null : lasting(wear.seconds);
  // Until the signs are known by name, none is shown: an id is no word.
  const known = signs.data?.signs;
  const seen = known ? wear.signs.map((s) => known.find((x) => x.id === s.signId)?.name ?? s.signId) : [];
  const said = [
    happy.data?.find((h) => h.id === wear.happyId)?.name,
    wear.forWhat,
    wear.place,
    wear.who,
    wear.strap,
    wear.treatPieces > 0 ? t`${wear.treatPieces} treats` : null,
  ].filter(Boolean);
  return (
    <Flex
      gap="4"
      py="2"
      borderBottomWidth="1px"
      borderColor="border"
      align="start"
      wrap={{ base: 'wrap', md: 'nowrap' }}
    >
      <Text w="8rem" flexShrink="0">
        {dateText(wear.startedAt, 'weekday')}, {dateText(wear.startedAt, 'time')}
      </Text>
      <Box flex="1" minW="14rem">
        <Text>
          <b>
            {worn ? `${worn.number} ${worn.unit}` : t`On now`},{' '}
            <span aria-hidden="true">{occasionMarks[wear.wentBadly ? 'stressful' : wear.occasion]}</span>{' '}
            {wear.wentBadly ? t`it went badly` : occasionWords[wear.occasion].toLowerCase()}
          </b>
          {wear.ending !== 'takenOff' && ` · ${endingWords[wear.ending].toLowerCase()}`}
          {wear.overCap && t` · longer than it was told`}
        </Text>
        {said.length > 0 && <Text fontSize="sm">{said.join(' · ')}</Text>}
        {seen.length > 0 && (
          <Text
            fontSize="sm"
            color={wear.red || wear.worst === 'worried' || wear.worst === 'overThreshold' ? 'stop' : 'fg'}
          >{t`It showed: ${seen.join(', ')}`}</Text>
        )}
        {wear.rubs.length > 0 && (
          <Text
            fontSize="sm"
            color="stop"
          >{t`△ Marks: ${wear.rubs.map((r) => rubWords[r].toLowerCase()).join(', ')}`}</Text>
        )}
        {wear.note && <Text fontSize="sm">{wear.note}</Text>}
      </Box>
      {wear.hasPicture && (
        <img src={`/api/dogs/${dogId}/wears/${wear.id}/picture`} alt={t`Taken at this wear`} width={96} />
      )}
      <Flex gap="1" flexShrink="0">
        <Button size="xs" variant="ghost" onClick={onOpen}>{t`Correct`}</Button>
        <AddPicture dogId={dogId} wearId={wear.id} />
        <Button
          size="xs"
          variant="ghost"
          onClick={() =>
            void takeOut(
              t`The wear is out of the record.`,
              () => ask(api.DELETE('/api/dogs/{id}/wears/{wearId}', path)),
              () => ask(api.POST('/api/dogs/{id}/wears/{wearId}/restore', path)),
            )
          }
        >{t`Take out`}</Button>
      </Flex>
    </Flex>
  );
}

function AddPicture({ dogId, wearId }: { dogId: string; wearId: string }) {
  const changed = useDogChanged();
  const send = async (file: File) => {
    try {
      await sendPicture(`/api/dogs/${dogId}/wears/${wearId}/picture`, file, newId());
      await changed(dogId);
    } catch (error) {
      complain(words(error));
    }
  };
  return (
    <Button asChild size="xs" variant="ghost">
      <label>
        <Trans>
          Picture
          <input
            type="file"
            hidden
            accept="image/jpeg,image/png,image/webp"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file) void send(file);
              event.target.value = '';
            }}
          />
        </Trans>
      </label>
    </Button>
  );
}
