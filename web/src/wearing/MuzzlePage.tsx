import { Box, Button, Flex, Heading, Text, Textarea } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useWatch } from 'react-hook-form';
import { api, ask, request, type Schemas } from '../shared/api';
import { Answer } from '../shared/Answer';
import { dateText } from '../shared/dates';
import { useDogChanged, useThisDog } from '../shared/dog';
import { firstProblem } from '../shared/form/refuse';
import { notify } from '../shared/notices';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { Waiting } from '../shared/Waiting';
import { useInspections, useTakeOut } from './useWearing';
import { Spare } from './Habits';
import { WearRooms } from './WearRooms';

/** The muzzle itself: its state, the checklist, and what was found before. */
export function MuzzlePage() {
  const { dog } = useThisDog();
  const state = useInspections(dog.id);
  return (
    <Box maxW="46rem">
      <WearRooms dogId={dog.id} />
      {!state.data ? (
        <Waiting query={state} />
      ) : state.data.muzzle === null ? (
        <Text fontSize="lg">{t`No muzzle is chosen yet: there is nothing to inspect.`}</Text>
      ) : (
        <>
          <Heading as="h2" size="2xl">
            {state.data.muzzle}
          </Heading>
          <Text
            fontSize="xl"
            fontWeight="700"
            color={state.data.due === 'outOfUse' ? 'stop' : 'fg'}
            role={state.data.due === 'outOfUse' ? 'alert' : undefined}
          >
            {state.data.due === 'outOfUse' ? '⬣ ' : state.data.due === 'notYet' ? '' : '◐ '}
            {state.data.says}
          </Text>
          {/* The inspection stands above. */}
          <ComingUp upkeep={state.data.upkeep.filter((u) => u.what !== 'inspect')} />
          <Spare dogId={dog.id} />
          <Checklist dogId={dog.id} checks={state.data.checks} />
          <Earlier dogId={dog.id} inspections={state.data.inspections} checks={state.data.checks} />
        </>
      )}
    </Box>
  );
}

const upkeepWords: Record<Schemas['Upkeep'], string> = {
  inspect: t`Inspect it`,
  tryOn: t`Look at the fit again`,
  measure: t`Measure the dog again`,
};

/** What it needs, and by when. */
function ComingUp({ upkeep }: { upkeep: Schemas['UpkeepDto'][] }) {
  return (
    <Box as="ul" mt="2" aria-label={t`What it needs`}>
      {upkeep.map((u) => (
        <Flex as="li" key={u.what} gap="3">
          <Text w="8rem" flexShrink="0" fontWeight={u.isDue ? 700 : 400}>
            {u.isDue ? t`Now` : dateText(u.on, 'short')}
          </Text>
          <Text flex="1">
            {upkeepWords[u.what]}
            {u.why && `: ${u.why}`}
          </Text>
        </Flex>
      ))}
    </Box>
  );
}

/** What was seen so far. */
interface Looked {
  answers: Record<string, boolean>;
  note: string;
}

const notLooked: Looked = { answers: {}, note: '' };

function Checklist({ dogId, checks }: { dogId: string; checks: Schemas['InspectionCheck'][] }) {
  const kept = useKeptForm<Looked>(`inspection/${dogId}`, notLooked);
  const { form } = kept;
  const { answers, note } = useWatch({ control: form.control }) as Looked;
  const changed = useDogChanged();
  const sending = useSubmit<Looked, Schemas['InspectionDto']>(kept, 'root', async (done) => {
    form.reset(notLooked);
    notify(done.failed.length === 0 ? t`Inspected: fine.` : t`Inspected: out of use until it is mended.`);
    await changed(dogId);
  });
  const problem = firstProblem(form);
  const failed = checks.filter((c) => answers[c.id] === false).map((c) => c.id);
  const all = checks.every((c) => answers[c.id] !== undefined);
  const keep = () =>
    sending.submit({
      ...request('post', '/api/dogs/{id}/inspections', { id: dogId }, { failed, note: note || null }),
      what: t`an inspection`,
      dogId,
    });
  return (
    <Box as="section" aria-label={t`Inspect it`} mt="5">
      <Heading as="h3" size="lg">{t`Inspect it, off the dog`}</Heading>
      <ol>
        {checks.map((check) => (
          <Flex as="li" key={check.id} gap="3" py="2" align="center" borderTopWidth="1px" borderColor="border">
            <Box flex="1">
              <Text fontWeight="700">{check.name}</Text>
              <Text fontSize="sm" color="fg.muted">
                {check.fine}
              </Text>
            </Box>
            <Answer
              label={check.name}
              says={{ fine: t`Fine`, not: t`Not` }}
              value={answers[check.id]}
              // Of what stands by now: two taps may come before the next drawing.
              onChange={(fine) => form.setValue('answers', { ...form.getValues('answers'), [check.id]: fine })}
            />
          </Flex>
        ))}
      </ol>
      <Box as="label" display="block" mt="2">
        <Text fontWeight="700">{t`What was found`}</Text>
        <Textarea
          rows={2}
          borderColor="border.strong"
          value={note}
          onChange={(e) => form.setValue('note', e.target.value)}
        />
      </Box>
      <Flex mt="3" gap="4" align="center" wrap="wrap">
        <Button
          size="lg"
          colorPalette="marigold"
          disabled={!all || sending.isOnItsWay}
          onClick={keep}
        >{t`Keep this inspection`}</Button>
        <Text role="status">
          <Trans>
            {Object.keys(answers).length} of {checks.length} looked at
            {failed.length > 0 && <b>{t`: it goes out of use`}</b>}
          </Trans>{' '}
          {sending.state}
        </Text>
      </Flex>
      {problem && (
        <Text role="alert" color="stop" fontWeight="700">
          △ {problem}
        </Text>
      )}
    </Box>
  );
}

function Earlier({
  dogId,
  inspections,
  checks,
}: {
  dogId: string;
  inspections: Schemas['InspectionDto'][];
  checks: Schemas['InspectionCheck'][];
}) {
  const takeOut = useTakeOut(dogId);
  if (inspections.length === 0) return null;
  return (
    <Box as="section" aria-label={t`Earlier inspections`} mt="7">
      <Heading as="h3" size="lg">{t`Earlier`}</Heading>
      <ul>
        {inspections.map((i) => {
          const path = { params: { path: { id: dogId, inspectionId: i.id } } };
          return (
            <Flex as="li" key={i.id} gap="4" py="2" borderTopWidth="1px" borderColor="border">
              <Text w="8rem" flexShrink="0">
                {dateText(i.at, 'short')}
              </Text>
              <Box flex="1">
                <Text color={i.failed.length > 0 ? 'stop' : 'fg'}>
                  <b>{i.muzzle}</b>:{' '}
                  {i.failed.length === 0
                    ? t`✓ fine`
                    : `✕ ${i.failed.map((f) => checks.find((c) => c.id === f)?.name.toLowerCase() ?? f).join(', ')}`}
                </Text>
                {i.note && <Text fontSize="sm">{i.note}</Text>}
              </Box>
              <Button
                size="xs"
                variant="ghost"
                onClick={() =>
                  void takeOut(
                    t`The inspection is out of the record.`,
                    () => ask(api.DELETE('/api/dogs/{id}/inspections/{inspectionId}', path)),
                    () => ask(api.POST('/api/dogs/{id}/inspections/{inspectionId}/restore', path)),
                  )
                }
              >{t`Take out`}</Button>
            </Flex>
          );
        })}
      </ul>
    </Box>
  );
}
