import { Box, Button, Checkbox, Flex, Input, Text } from '@chakra-ui/react';
import { plural, t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { api, ask, Refused, request, words, type Schemas } from '../shared/api';
import { notify } from '../shared/notices';
import { bytesOf } from '../shared/bytes';
import { Choice } from '../shared/Choice';
import { lengthText, useUnit, type Unit } from '../shared/units';
import { toolWords, sideWord } from '../shared/words';
import { sendChange } from '../shared/saving/changes';
import { useTakeBench, type Bench } from './useBench';

/** Readings from a CSV file: what can be taken over and what cannot, row by row, before anything is stored. */
export function ImportSheet({ dogId }: { dogId: string }) {
  const { unit } = useUnit();
  const take = useTakeBench(dogId, unit);
  const [file, setFile] = useState<{ name: string; bytes: string } | null>(null);
  const [bare, setBare] = useState(unit);
  const [sheet, setSheet] = useState<Schemas['SheetDto'] | null>(null);
  const [newSet, setNewSet] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const params = { path: { id: dogId } };

  const attempt = async (work: () => Promise<void>) => {
    setProblem(null);
    try {
      await work();
    } catch (error) {
      setProblem(error instanceof Refused ? (Object.values(error.fields)[0] ?? error.message) : words(error));
    }
  };
  const read = (bytes: string, as: Unit) =>
    attempt(async () => {
      setSheet(null);
      setSheet(
        await ask(api.POST('/api/dogs/{id}/readings/import/preview', { params, body: { file: bytes, unit: as } })),
      );
    });
  const preview = async (chosen: File) => {
    const bytes = await bytesOf(chosen);
    setFile({ name: chosen.name, bytes });
    await read(bytes, bare);
  };
  const takeOver = () =>
    attempt(async () => {
      await take(
        sendChange<Bench>({
          ...request(
            'post',
            '/api/dogs/{id}/readings/import',
            { id: dogId },
            { file: file?.bytes ?? null, unit: bare, newSet },
          ),
          what: t`readings from ${file?.name ?? ''}`,
          dogId,
        }),
      );
      notify(t`${sheet?.good.length ?? 0} readings are taken over.`);
      setSheet(null);
      setFile(null);
    });

  return (
    <Box mt="2">
      <Flex gap="2" align="center" wrap="wrap">
        <Text>{t`Readings from a CSV file:`}</Text>
        <Input
          type="file"
          size="sm"
          w="17rem"
          pt="1"
          accept=".csv,text/csv,text/plain"
          aria-label={t`CSV file with readings`}
          borderColor="border.strong"
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            if (chosen) void preview(chosen);
            e.target.value = '';
          }}
        />
      </Flex>
      <Text
        fontSize="sm"
        color="fg.muted"
      >{t`Columns measure and value are needed; side, unit, tool, taken_by, taken_at, set_started, set_aside, uncertainty_mm and held may be there.`}</Text>
      {problem && (
        <Text role="alert" color="stop" fontWeight="700">
          △ {problem}
        </Text>
      )}
      {sheet && file && (
        <Box
          as="section"
          aria-label={t`What the file holds`}
          borderInlineStartWidth="4px"
          borderColor="accent"
          ps="4"
          mt="3"
        >
          <Text fontWeight="700">{t`${file.name}: ${plural(sheet.good.length, { one: '# row', other: '# rows' })} can be taken over, ${sheet.bad.length} cannot.`}</Text>
          <Flex as="label" gap="2" align="center" my="1">
            <Text fontSize="sm">{t`Numbers without a unit are`}</Text>
            <Choice
              size="xs"
              width="6rem"
              label={t`Unit of bare numbers`}
              value={bare}
              options={[
                ['mm', 'mm'],
                ['cm', 'cm'],
                ['in', t`inches`],
              ]}
              onChange={(as) => {
                setBare(as);
                void read(file.bytes, as);
              }}
            />
          </Flex>
          {sheet.bad.length > 0 && (
            <ul>
              {sheet.bad.map((row) => (
                <Text as="li" key={row.row} color="stop">
                  <Trans>
                    △ Row {row.row}: {row.problem}{' '}
                    <Text as="span" color="fg.muted" fontSize="sm">
                      {row.text}
                    </Text>
                  </Trans>
                </Text>
              ))}
            </ul>
          )}
          <Box as="ul" mt="2">
            {sheet.good.slice(0, 50).map((row) => (
              <Text as="li" key={row.row} fontSize="sm">
                <Trans>
                  Row {row.row}: {row.measure}
                  {row.side ? ` ${sideWord[row.side]}` : ''}, {row.asTaken} = <b>{lengthText(row.mm, unit)}</b>,{' '}
                  {toolWords[row.tool].toLowerCase()}
                </Trans>
              </Text>
            ))}
          </Box>
          {sheet.good.length > 50 && <Text fontSize="sm">{t`… and ${sheet.good.length - 50} more.`}</Text>}
          <Flex gap="4" align="center" mt="3">
            <Button
              size="sm"
              colorPalette="marigold"
              disabled={sheet.good.length === 0}
              onClick={() => void takeOver()}
            >{t`Take over the good rows`}</Button>
            <Checkbox.Root checked={newSet} onCheckedChange={(e) => setNewSet(e.checked === true)}>
              <Checkbox.HiddenInput />
              <Checkbox.Control borderColor="border.strong" />
              <Checkbox.Label>{t`as a new set`}</Checkbox.Label>
            </Checkbox.Root>
            <Button size="sm" variant="ghost" onClick={() => setSheet(null)}>{t`Leave it`}</Button>
          </Flex>
        </Box>
      )}
    </Box>
  );
}
