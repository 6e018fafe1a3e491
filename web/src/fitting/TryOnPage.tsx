import { Box, Button, Flex, Heading, Input, Link, Text, Textarea } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { dateText } from '../shared/dates';
import { readNumber } from '../shared/numbers';
import { useState } from 'react';
import { Link as RouterLink, useSearchParams } from 'react-router';
import { useWatch } from 'react-hook-form';
import { useDogChanged, useThisDog } from '../shared/dog';
import { firstProblem } from '../shared/form/refuse';
import { newId } from '../shared/ids';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { Refused, request, sendPicture, words, type Schemas } from '../shared/api';
import { Answer } from '../shared/Answer';
import { Cautions } from '../shared/Cautions';
import { complain, notify } from '../shared/notices';
import { lengthText, useUnit } from '../shared/units';
import { Waiting } from '../shared/Waiting';
import { Diagnosis } from './Diagnosis';
import { strapText } from './strap';
import { nothingSeen, useGuide, useRemoveTryOn, useTryOns, type Seen } from './useTryOn';

type Guide = Schemas['TryOnGuide'];

/** The checks on the dog, one hand on a phone: each is fine or not, and what is not leads to its cause. */
export function TryOnPage() {
  const card = useThisDog();
  const { unit } = useUnit();
  const [search] = useSearchParams();
  const guide = useGuide(card.dog.id, search.get('size'), unit);
  if (guide.error instanceof Refused) {
    return (
      <Text fontSize="lg">
        {guide.error.message}{' '}
        <Link asChild color="fg" textDecoration="underline">
          <RouterLink to={`/dogs/${card.dog.id}/fit`}>{t`To the fitting room`}</RouterLink>
        </Link>
      </Text>
    );
  }
  if (!guide.data) return <Waiting query={guide} />;
  return <Checks key={guide.data.sizeId} guide={guide.data} dogId={card.dog.id} />;
}

function Checks({ guide, dogId }: { guide: Guide; dogId: string }) {
  const { unit } = useUnit();
  const kept = useKeptForm<Seen>(`try-on/${dogId}.${guide.sizeId}`, nothingSeen);
  const { form } = kept;
  const { answers, symptoms, setting, note } = useWatch({ control: form.control }) as Seen;
  const setSeen = (change: Partial<Seen>) => {
    for (const [part, value] of Object.entries(change)) form.setValue(part as keyof Seen, value as never);
  };
  const changed = useDogChanged();
  const setSetting = (next: string) => setSeen({ setting: next });
  const setNote = (next: string) => setSeen({ note: next });
  const setSymptoms = (next: Record<string, string>) => setSeen({ symptoms: next });
  const [picture, setPicture] = useState<File | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const sending = useSubmit<Seen, Schemas['TryOnDto']>(kept, 'root', async ({ id }) => {
    form.reset(nothingSeen);
    setPicture(null);
    notify(t`The try-on is kept.`);
    // A picture does not fit on the device: it goes from this page, once what it belongs to is there.
    if (picture)
      await sendPicture(`/api/dogs/${dogId}/try-ons/${id}/picture`, picture, newId()).catch((error: unknown) =>
        complain(t`The try-on is kept, its picture is not: ${words(error)}`),
      );
    await changed(dogId);
  });
  const refused = problem ?? firstProblem(form);
  const number = readNumber(setting);
  const holes = guide.holePitchMm !== null;
  const noNumber = number !== null && !Number.isFinite(number);
  const setAt = noNumber ? null : number;
  const fastened = { hole: holes ? setAt : null, fromTightestMm: holes ? null : setAt };
  const answered = Object.keys(answers).length;
  const wrong = Object.values(answers).filter((fine) => !fine).length;

  const answer = (check: string, fine: boolean) => {
    // Of what stands by now: two taps may come before the next drawing.
    const seen = form.getValues();
    const others = Object.fromEntries(Object.entries(seen.symptoms).filter(([id]) => id !== check));
    const known = guide.checks.find((c) => c.id === check)?.symptoms ?? [];
    setSeen({
      answers: { ...seen.answers, [check]: fine },
      symptoms: !fine && known.length === 1 && known[0] ? { ...others, [check]: known[0] } : others,
    });
  };
  const send = () => {
    setProblem(null);
    if (noNumber)
      return setProblem(t`"${setting}" is not a number: say where the strap is fastened, or leave it empty.`);
    sending.submit({
      ...request(
        'post',
        '/api/dogs/{id}/try-ons',
        { id: dogId },
        { sizeId: guide.sizeId, answers, symptoms: Object.values(symptoms), ...fastened, note: note || null },
      ),
      what: t`a try-on of ${guide.muzzle}`,
      dogId,
    });
  };

  return (
    <Box maxW="44rem">
      <Heading as="h2" size="2xl">{t`${guide.muzzle} on the dog`}</Heading>
      <Text>
        <Trans>
          First fastening a little loose. Adjust off the dog. Stop at any sign of worry.
          {guide.right && (
            <>
              <Trans>
                {' '}
                Neck strap: <b>{strapText(guide.right, unit)}</b>, a loop of {lengthText(guide.right.loopMm, unit)}.
              </Trans>
            </>
          )}
        </Trans>
      </Text>
      {guide.caution && (
        <Text borderInlineStartWidth="4px" borderColor="stop" ps="3" mt="3">
          {guide.caution}
        </Text>
      )}
      {!guide.accepts && (
        <Text borderInlineStartWidth="4px" borderColor="stop" ps="3" mt="3" role="note">
          <Trans>
            <b>Not yet.</b> A try-on comes late, on a dog that already accepts the muzzle
            {guide.nextStep ? t`; this one stands at “${guide.nextStep}”` : ''}. Go on with the plan first, or look only
            as far as it offers.
          </Trans>
        </Text>
      )}
      {guide.neckRange && (
        <Box as="label" display="block" mt="4">
          <Text fontWeight="700">
            {holes
              ? t`Fastened at hole${guide.right?.holes ? t` 1 to ${guide.right.holes}` : ''}, 1 the tightest`
              : t`Slider from its tightest, mm`}
          </Text>
          <Input
            size="lg"
            w="8rem"
            inputMode="decimal"
            value={setting}
            borderColor="border.strong"
            aria-invalid={noNumber}
            onChange={(e) => setSetting(e.target.value)}
          />
          {noNumber && (
            <Text color="stop" fontWeight="700">
              △ {t`"${setting}" is not a number.`}
            </Text>
          )}
        </Box>
      )}
      <Box as="ol" mt="4">
        {guide.checks.map((check) => (
          <Box as="li" key={check.id} py="3" borderTopWidth="1px" borderColor="border">
            <Flex gap="3" align="center">
              <Box flex="1">
                <Text fontSize="lg" fontWeight="700" lineHeight="1.2">
                  {check.asks}
                </Text>
                <Text fontSize="sm" color="fg.muted">
                  {check.good}
                </Text>
              </Box>
              <Answer
                label={check.asks}
                says={{ fine: t`Yes`, not: t`No` }}
                value={answers[check.id]}
                onChange={(fine) => answer(check.id, fine)}
              />
            </Flex>
            {answers[check.id] === false && (
              <Box mt="2">
                <Flex gap="2" wrap="wrap" role="group" aria-label={t`What is seen`}>
                  {check.symptoms.map((id) => (
                    <Button
                      key={id}
                      minH="12"
                      variant={symptoms[check.id] === id ? 'solid' : 'outline'}
                      borderColor="border.strong"
                      aria-pressed={symptoms[check.id] === id}
                      onClick={() => setSymptoms({ ...symptoms, [check.id]: id })}
                    >
                      {guide.symptoms.find((s) => s.id === id)?.says}
                    </Button>
                  ))}
                </Flex>
                {symptoms[check.id] && (
                  <Diagnosis
                    dogId={dogId}
                    entry={{ sizeId: guide.sizeId, symptom: symptoms[check.id] ?? '', ...fastened }}
                  />
                )}
              </Box>
            )}
          </Box>
        ))}
      </Box>
      <Box as="label" display="block" mt="3">
        <Text fontWeight="700">{t`Anything else`}</Text>
        <Textarea value={note} borderColor="border.strong" onChange={(e) => setNote(e.target.value)} />
      </Box>
      <Box as="label" display="block" mt="3">
        <Text fontWeight="700">{t`A picture, if it helps`}</Text>
        <Input
          type="file"
          pt="2"
          accept="image/jpeg,image/png,image/webp"
          borderColor="border.strong"
          onChange={(e) => setPicture(e.target.files?.[0] ?? null)}
        />
      </Box>
      <Flex mt="4" gap="4" align="center" wrap="wrap">
        <Button
          size="xl"
          colorPalette="marigold"
          disabled={answered === 0 || sending.isOnItsWay}
          onClick={send}
        >{t`Keep this try-on`}</Button>
        <Text role="status">{t`${answered} of ${guide.checks.length} looked at${wrong > 0 ? t`, ${wrong} not right` : ''}`}</Text>
      </Flex>
      <Text role="status" color="fg.muted">
        {sending.state} {sending.isOnItsWay && picture && t`The picture goes from this page: leave it open until then.`}
      </Text>
      {refused && (
        <Text role="alert" color="stop" fontWeight="700">
          △ {refused}
        </Text>
      )}
      <Kept dogId={dogId} guide={guide} />
      <Box mt="6">
        <Cautions cautions={guide.cautions} />
      </Box>
    </Box>
  );
}

function Kept({ dogId, guide }: { dogId: string; guide: Guide }) {
  const { unit } = useUnit();
  const tries = useTryOns(dogId);
  const { remove } = useRemoveTryOn(dogId);
  if (!tries.data || tries.data.length === 0) return null;
  return (
    <Box as="section" aria-label={t`Earlier try-ons`} mt="8">
      <Heading as="h3" size="lg">{t`Earlier try-ons`}</Heading>
      <ul>
        {tries.data.map((tried) => {
          const wrong = Object.entries(tried.seen.answers).filter(([, fine]) => !fine);
          return (
            <Flex as="li" key={tried.id} gap="4" py="2" borderTopWidth="1px" borderColor="border" align="start">
              <Box flex="1">
                <Text>
                  <Trans>
                    <b>{tried.seen.muzzle}</b>, {dateText(tried.at, 'day')}: {Object.keys(tried.seen.answers).length}{' '}
                    looked at, {wrong.length === 0 ? t`all fine` : t`${wrong.length} not right`}
                    {tried.seen.strap && `, ${strapText(tried.seen.strap, unit)}`}
                  </Trans>
                </Text>
                {tried.seen.unreadable && <Text color="stop">{t`This record cannot be read.`}</Text>}
                {tried.seen.symptoms.length > 0 && (
                  <Text color="stop">
                    {tried.seen.symptoms.map((id) => guide.symptoms.find((s) => s.id === id)?.says ?? id).join('; ')}
                  </Text>
                )}
                {tried.seen.note && <Text fontSize="sm">{tried.seen.note}</Text>}
              </Box>
              {tried.hasPicture && (
                <img
                  src={`/api/dogs/${dogId}/try-ons/${tried.id}/picture`}
                  alt={t`${tried.seen.muzzle} on the dog`}
                  width={120}
                />
              )}
              <Button size="xs" variant="ghost" onClick={() => void remove(tried.id)}>{t`Take out`}</Button>
            </Flex>
          );
        })}
      </ul>
    </Box>
  );
}
