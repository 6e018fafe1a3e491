import { Box, Button, Flex, Heading, Link, Table, Text } from '@chakra-ui/react';
import { tableSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink, useNavigate } from 'react-router';
import { useTakeInOfDog, useThisDog } from '../shared/dog';
import { api, ask, words, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { keys } from '../shared/keys';
import { Choice } from '../shared/Choice';
import { complain, notify } from '../shared/notices';
import { changeText, doubtText, lengthText, useUnit } from '../shared/units';
import { Waiting } from '../shared/Waiting';
import { coatWords, fitStyleWords, sideWord } from '../shared/words';
import { ImportSheet } from './ImportSheet';
import { useBench } from './useBench';

type MeasuringSet = Schemas['MeasuringSetRecordDto'];

const day = (at: string) => dateText(at, 'short');

function useHistory(dogId: string) {
  const takeIn = useTakeInOfDog(dogId);
  const key = keys.ofDog(dogId, 'measuring-sets');
  const history = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/measuring-sets', { signal, params: { path: { id: dogId } } })),
  });
  const take = async (call: Promise<Schemas['HistoryDto']>) => takeIn(key, await call);
  const complained = (error: unknown) => complain(words(error));
  const one = (setId: string) => ({ params: { path: { id: dogId, setId } } });
  const start = () => take(ask(api.POST('/api/dogs/{id}/measuring-sets', { params: { path: { id: dogId } } })));
  const restore = (setId: string) =>
    take(ask(api.POST('/api/dogs/{id}/measuring-sets/{setId}/restore', one(setId)))).catch(complained);
  const remove = (set: MeasuringSet) =>
    take(ask(api.DELETE('/api/dogs/{id}/measuring-sets/{setId}', one(set.id))))
      .then(() => notify(t`The set of ${day(set.day)} is out of the record.`, () => void restore(set.id)))
      .catch(complained);
  return { history, start: () => start().catch(complained), remove };
}

/** A dog's measuring sets over time: what changed, two of them beside each other, and readings as files. */
export function HistoryPage() {
  const card = useThisDog();
  const dogId = card.dog.id;
  const go = useNavigate();
  const { history, start, remove } = useHistory(dogId);
  const [picked, setPicked] = useState<{ before?: string; after?: string }>({});
  if (!history.data) return <Waiting query={history} />;
  const { sets, measureAgain } = history.data;
  const after = sets.find((s) => s.id === picked.after) ?? sets[0];
  const dates = sets.map((s): [string, string] => [s.id, day(s.day)]);
  const before = sets.find((s) => s.id === picked.before) ?? sets.find((s) => s.id !== after?.id);

  return (
    <Flex direction="column" gap="6">
      <Flex gap="4" align="center" wrap="wrap">
        <Link asChild textDecoration="underline" color="fg">
          <RouterLink to={`/dogs/${dogId}/measure`}>{t`Back to the bench`}</RouterLink>
        </Link>
        <Button
          size="sm"
          colorPalette={measureAgain.length > 0 ? 'marigold' : 'spruce'}
          variant={measureAgain.length > 0 ? 'solid' : 'outline'}
          borderColor="border.strong"
          onClick={() => void start().then(() => go(`/dogs/${dogId}/measure`))}
        >{t`Begin a new set`}</Button>
        {measureAgain.map((why) => (
          <Text key={why}>
            <b>{t`Measure again:`}</b> {why}
          </Text>
        ))}
      </Flex>
      {sets.length === 0 && <Text>{t`Nothing was measured yet.`}</Text>}
      {after && before && (
        <Box as="section" aria-label={t`Two sets beside each other`}>
          <Flex gap="2" align="center" wrap="wrap">
            <Heading as="h2" size="lg">{t`What changed from`}</Heading>
            <Choice
              label={t`Earlier set`}
              size="sm"
              width="auto"
              value={before.id}
              options={dates}
              onChange={(id) => setPicked({ ...picked, before: id })}
            />
            <Text>{t`to`}</Text>
            <Choice
              label={t`Later set`}
              size="sm"
              width="auto"
              value={after.id}
              options={dates}
              onChange={(id) => setPicked({ ...picked, after: id })}
            />
          </Flex>
          <Comparison dogId={dogId} before={before} after={after} />
        </Box>
      )}
      <Box as="section">
        <Heading as="h2" size="lg">{t`Sets`}</Heading>
        <ul>
          {sets.map((set, i) => (
            <Flex
              as="li"
              key={set.id}
              py="2"
              borderBottomWidth="1px"
              borderColor="border"
              gap="4"
              align="baseline"
              wrap="wrap"
            >
              <Text fontWeight="700" minW="8rem">
                {day(set.day)}
              </Text>
              <Text flex="1">
                {[
                  t`${set.measures.length} measures`,
                  set.bodyMassKg ? `${set.bodyMassKg} kg` : '',
                  t`${coatWords[set.coat].toLowerCase()} coat`,
                  set.fitStyle ? t`${fitStyleWords[set.fitStyle].toLowerCase()} style` : '',
                  set.takenBy.length > 0 ? t`by ${set.takenBy.join(', ')}` : '',
                  i === 0 ? t`in use` : '',
                ]
                  .filter(Boolean)
                  .join(' · ')}
                {set.setAside.length > 0 && (
                  <Text
                    as="span"
                    color="fg.muted"
                  >{t` Set aside: ${set.setAside.map((r) => `${r.asTaken} (${r.setAside ?? ''})`).join(', ')}`}</Text>
                )}
              </Text>
              <Button
                size="xs"
                variant="ghost"
                aria-label={t`Take out the set of ${day(set.day)}`}
                onClick={() => void remove(set)}
              >{t`Take out`}</Button>
            </Flex>
          ))}
        </ul>
      </Box>
      <Box as="section">
        <Heading as="h2" size="lg">{t`As files`}</Heading>
        <Link
          href={`/api/dogs/${dogId}/readings.csv`}
          download
          textDecoration="underline"
          color="fg"
        >{t`All readings as CSV`}</Link>
        <ImportSheet dogId={dogId} />
      </Box>
    </Flex>
  );
}

function Comparison({ dogId, before, after }: { dogId: string; before: MeasuringSet; after: MeasuringSet }) {
  const { unit } = useUnit();
  const { bench } = useBench(dogId, unit);
  const changes = useQuery({
    queryKey: keys.ofDog(dogId, 'measuring-sets', 'compare', before.id, after.id),
    queryFn: ({ signal }) =>
      ask(
        api.GET('/api/dogs/{id}/measuring-sets/compare', {
          signal,
          params: { path: { id: dogId }, query: { before: before.id, after: after.id } },
        }),
      ),
  });
  if (!changes.data || !bench.data) return <Waiting query={changes} />;
  const cell = (mm: number | null) => (mm === null ? '–' : lengthText(mm, unit));
  return (
    <Table.ScrollArea maxW="46rem">
      <Table.Root
        recipe={tableSlotRecipe}
        size="sm"
        css={{ '& td, & th, & tr': { background: 'transparent', borderColor: 'border' } }}
      >
        <Table.Header>
          <Table.Row>
            <Table.ColumnHeader ps="0">{t`Measure`}</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="end">{day(before.day)}</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="end">{day(after.day)}</Table.ColumnHeader>
            <Table.ColumnHeader textAlign="end">{t`Change`}</Table.ColumnHeader>
            <Table.ColumnHeader>{t`Is it one?`}</Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {changes.data.map((c) => (
            <Table.Row key={c.measure + (c.side ?? '')}>
              <Table.Cell ps="0">
                {bench.data.guides.find((g) => g.measure === c.measure)?.name}
                {c.side ? `, ${sideWord[c.side]}` : ''}
              </Table.Cell>
              <Table.Cell textAlign="end">{cell(c.beforeMm)}</Table.Cell>
              <Table.Cell textAlign="end">{cell(c.afterMm)}</Table.Cell>
              <Table.Cell textAlign="end" fontSize="lg" fontWeight={c.isReal ? 700 : 400}>
                {c.changeMm === null ? '' : changeText(c.changeMm, unit)}
              </Table.Cell>
              <Table.Cell color={c.isReal ? 'fg' : 'fg.muted'}>
                {c.doubtMm === null
                  ? t`read only once`
                  : t`${c.isReal ? t`● more than` : t`○ within`} the doubt of ${doubtText(c.doubtMm, unit)}`}
              </Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Table.ScrollArea>
  );
}
