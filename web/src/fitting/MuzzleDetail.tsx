import { Box, Button, Flex, Grid, Heading, Input, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useDeferredValue, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { Link as RouterLink } from 'react-router';
import { request, type Schemas } from '../shared/api';
import { Cautions } from '../shared/Cautions';
import { Choice } from '../shared/Choice';
import { useDogChanged } from '../shared/dog';
import { firstProblem } from '../shared/form/refuse';
import { VerdictMark } from '../shared/Mark';
import { notify } from '../shared/notices';
import { useKeptForm } from '../shared/saving/useKeptForm';
import { useSubmit } from '../shared/saving/useSubmit';
import { lengthText, useUnit } from '../shared/units';
import { priceText } from '../shared/writing';
import { Behind, Waiting } from '../shared/Waiting';
import { closureWords, frontWords, materialWords, verdictWords } from '../shared/words';
import { chanceText } from './chance';
import { Criteria, ReadIt } from './Criteria';
import { FitView } from './FitView';
import { fingersText, strapText } from './strap';
import { useFit, useWithdraw, type Question } from './useFits';

type Fit = Schemas['FitDto'];

/** The muzzle in hand on the dog: how surely it fits, drawn to scale, its strap's setting, and every reason. */
export function MuzzleDetail({
  card,
  sizeId,
  question,
  fits,
  onPick,
}: {
  card: Schemas['DogCardDto'];
  sizeId: string;
  question: Question;
  fits: Schemas['FitsDto'];
  onPick: (sizeId: string) => void;
}) {
  const { unit } = useUnit();
  const [other, setOther] = useState('');
  const [laid, setLaid] = useState<'over' | 'beside'>('over');
  const detail = useFit(card.dog.id, sizeId, question, unit);
  const second = useFit(card.dog.id, other || null, question, unit);
  // The drawing comes first; the reasons follow when there is time.
  const reasons = useDeferredValue(detail.data?.fit);
  if (!detail.data || !reasons) return <Waiting query={detail} />;
  const { fit, drawing } = detail.data;
  const compared = other !== '' && other !== fit.sizeId && second.data?.fit.sizeId === other ? second.data : undefined;
  const needed = fits.brief.neededGapeDeg;
  const nameOf = (f: Fit) => `${f.bare.name} ${f.size.label}`;
  return (
    <Box as="section" aria-label={nameOf(fit)}>
      <Behind query={detail} />
      <Flex align="baseline" wrap="wrap" columnGap="4">
        <Heading as="h2" size="3xl">
          {nameOf(fit)}
        </Heading>
        <Text color="fg.muted" display={{ base: 'none', md: 'block' }} flex="1" minW="12rem" truncate>
          {factsOf(fit)}
        </Text>
      </Flex>
      <Verdict fit={fit} />
      {fit.caution && (
        <Text borderInlineStartWidth="4px" borderColor="stop" ps="3" mb="2">
          {fit.caution}
        </Text>
      )}
      <Keep key={fit.sizeId} card={card} fit={fit} question={question} />
      {compared && laid === 'beside' ? (
        <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="6">
          {[detail.data, compared].map((one) => (
            <Box key={one.fit.sizeId}>
              <Text fontWeight="700">
                {nameOf(one.fit)}: {one.fit.headline.chance} {one.fit.headline.says}
              </Text>
              <FitView
                name={nameOf(one.fit)}
                drawing={one.drawing}
                coat={card.coatHex}
                neededDeg={needed}
                gapeClass={one.fit.gapeClass}
                compact
              />
            </Box>
          ))}
        </Grid>
      ) : (
        <FitView
          name={nameOf(fit)}
          drawing={drawing}
          over={compared?.drawing}
          coat={card.coatHex}
          neededDeg={needed}
          gapeClass={fit.gapeClass}
        />
      )}
      <Strap fit={fit} />
      {compared && (
        <Text fontSize="sm">
          <Trans>
            {laid === 'over' && t`Dashed: ${nameOf(compared.fit)}. `}
            Nose {difference(fit.noseRoomMm, compared.fit.noseRoomMm, unit)}, eye{' '}
            {difference(fit.eyeRoomMm, compared.fit.eyeRoomMm, unit)}, mouth{' '}
            {fit.gapeDeg !== null && compared.fit.gapeDeg !== null
              ? t`${Math.round(fit.gapeDeg)}° against ${Math.round(compared.fit.gapeDeg)}°`
              : t`not known`}
            .
          </Trans>
        </Text>
      )}
      <Flex gap="3" align="center" wrap="wrap" mt="3">
        <Text fontSize="sm">{t`Compare with`}</Text>
        <Choice
          size="xs"
          width="12rem"
          label={t`Compare with`}
          value={other}
          none={t`nothing`}
          options={fits.fits
            .filter((f) => f.sizeId !== sizeId)
            .slice(0, 40)
            .map((f) => [f.sizeId, `${f.model} ${f.sizeLabel}`])}
          onChange={setOther}
        />
        {other !== '' && (
          <Choice
            size="xs"
            width="8rem"
            label={t`How to compare`}
            value={laid}
            options={[
              ['over', t`over it`],
              ['beside', t`side by side`],
            ]}
            onChange={setLaid}
          />
        )}
        <Link
          href={`/api/dogs/${card.dog.id}/fits/${sizeId}/drawing.svg?unit=${unit}${other ? `&with=${other}` : ''}`}
          download={`${card.dog.name}-${sizeId}.svg`}
          fontSize="sm"
          color="fg"
          textDecoration="underline"
          ms="auto"
        >{t`Drawing as SVG`}</Link>
      </Flex>
      <Text mt="3">
        {fit.bare.note}{' '}
        <Text as="span" color="fg.muted">
          {factsOf(fit)}
        </Text>
      </Text>
      {fit.remedies.length > 0 && (
        <Box borderInlineStartWidth="4px" borderColor="accent" ps="3" mt="3">
          <Text fontWeight="700">{t`What would save it`}</Text>
          <ul>
            {fit.remedies.map((r) => (
              <li key={r.says}>
                <Trans>
                  {r.says} Then: {verdictWords[r.after].toLowerCase()}
                  {r.chance !== null && t`, ${chanceText(r.chance)} sure`}.{' '}
                  {r.kinds.includes('size') && (
                    <Button
                      size="xs"
                      variant="outline"
                      borderColor="border.strong"
                      onClick={() => onPick(r.sizeId)}
                    >{t`Look at it`}</Button>
                  )}
                </Trans>
              </li>
            ))}
          </ul>
        </Box>
      )}
      <Criteria fit={reasons} />
      <Box mt="6">
        <Cautions cautions={card.cautions} />
      </Box>
    </Box>
  );
}

const factsOf = (fit: Fit) =>
  [
    fit.bare.maker,
    materialWords[fit.bare.material].toLowerCase(),
    closureWords[fit.bare.closure].toLowerCase(),
    t`front ${frontWords[fit.bare.frontOpening].toLowerCase()}`,
    fit.size.massG ? `${fit.size.massG} g` : '',
    fit.size.price == null ? '' : priceText(fit.size.price),
    fit.inVan > 0 ? t`${fit.inVan} in the van` : fit.bare.leadDays === null ? '' : t`${fit.bare.leadDays ?? 0} days`,
    fit.colour ? t`in ${fit.colour}` : fit.bare.colours.map((c) => c.name).join(t` or `),
  ]
    .filter(Boolean)
    .join(' · ');

const difference = (a: number | null, b: number | null, unit: 'mm' | 'cm' | 'in') =>
  a === null || b === null ? t`not known` : t`${lengthText(a, unit)} against ${lengthText(b, unit)}`;

/** The answer in one line, as the core words it; below it the reading that would settle most. */
function Verdict({ fit }: { fit: Fit }) {
  const { chance, says } = fit.headline;
  const final = fit.training === null;
  return (
    <Box my="2">
      {!final && (
        <Text fontFamily="heading" fontSize="xl" fontWeight="750">
          <Trans>To train in: {fit.training}</Trans>
        </Text>
      )}
      <Flex
        align="baseline"
        gap="3"
        fontFamily="heading"
        fontSize={final ? 'xl' : 'md'}
        fontWeight="750"
        color={final && fit.verdict === 'out' ? 'stop' : 'fg'}
      >
        {final && (
          <Box alignSelf="center">
            <VerdictMark verdict={fit.verdict} size={24} />
          </Box>
        )}
        {chance !== null && (
          <Text fontSize={final ? '4xl' : 'md'} whiteSpace="nowrap">
            {chance}
          </Text>
        )}
        <Text flex="1" minW="0">
          {final ? says : t`As the final one: ${says}`}
        </Text>
      </Flex>
      {final && fit.retake && (
        <Text>
          <b>{fit.retake.says}</b>{' '}
          <Text as="span" color="fg.muted">{t`About ${Math.round(fit.retake.settles * 100)} % of it.`}</Text>{' '}
          <ReadIt measure={fit.retake.measure} side={fit.retake.side} />
        </Text>
      )}
    </Box>
  );
}

function Strap({ fit }: { fit: Fit }) {
  const { unit } = useUnit();
  if (!fit.strap) return null;
  const leaves = (strap: Schemas['StrapDto']) =>
    t`a loop of ${lengthText(strap.loopMm, unit)}${strap.fingers === null ? '' : t`, ${fingersText(strap.fingers)} under it`}`;
  return (
    <Text mt="3" fontSize="lg">
      <Trans>
        Neck strap: mark <b>{strapText(fit.strap, unit)}</b>{' '}
        <Text as="span" fontSize="md" color="fg.muted">
          {leaves(fit.strap)}
          {fit.neckLoopMm !== null && fit.strap.hole !== null && t`; ${lengthText(fit.neckLoopMm, unit)} is needed`}
          {fit.otherStrap &&
            t`. It lies between two: ${strapText(fit.otherStrap, unit)} makes ${leaves(fit.otherStrap)}`}
        </Text>
      </Trans>
    </Text>
  );
}

/** Choosing it, trying it on, and what to write down when it is out. */
function Keep({ card, fit, question }: { card: Schemas['DogCardDto']; fit: Fit; question: Question }) {
  const kept = useKeptForm<{ note: string }>(`choice/${card.dog.id}.${fit.sizeId}`, { note: '' });
  const { form } = kept;
  const note = useWatch({ control: form.control, name: 'note' });
  const withdraw = useWithdraw(card.dog.id);
  const changed = useDogChanged();
  const sending = useSubmit<{ note: string }, Schemas['ChoiceDto']>(kept, 'note', async (choice) => {
    form.reset({ note: '' });
    await changed(card.dog.id);
    notify(t`${choice.kept.model} ${choice.kept.size.label} is kept with its reasons.`, () => void withdraw(choice.id));
  });
  const problem = firstProblem(form);
  const chosen = card.choice?.sizeId === fit.sizeId;
  const choose = () =>
    sending.submit({
      ...request(
        'post',
        '/api/dogs/{id}/choice',
        { id: card.dog.id },
        { sizeId: fit.sizeId, ...question, note: note === '' ? null : note },
      ),
      what: t`${fit.bare.name} ${fit.size.label} for ${card.dog.name}`,
      dogId: card.dog.id,
    });
  return (
    <Flex my="2" gap="3" align="end" wrap="wrap">
      {fit.needsNote && !chosen && (
        <Box as="label" flex="1 1 16rem">
          <Text as="span" fontSize="sm">{t`It is out. To keep it all the same, write down why:`}</Text>
          <Input value={note} onChange={(e) => form.setValue('note', e.target.value)} borderColor="border.strong" />
        </Box>
      )}
      <Button
        colorPalette={fit.needsNote ? 'brick' : 'marigold'}
        size="md"
        minH="11"
        disabled={chosen || sending.isOnItsWay}
        onClick={choose}
      >
        {chosen ? t`Chosen` : fit.needsNote ? t`Keep it all the same` : t`Choose ${fit.bare.name} ${fit.size.label}`}
      </Button>
      <Button asChild variant="outline" size="md" minH="11" borderColor="border.strong">
        <RouterLink to={`/dogs/${card.dog.id}/fit/try?size=${fit.sizeId}`}>{t`Try it on`}</RouterLink>
      </Button>
      {chosen && (
        <Button asChild variant="outline" size="md" minH="11" borderColor="border.strong">
          <RouterLink to={`/dogs/${card.dog.id}/plan`}>{t`On to the plan`}</RouterLink>
        </Button>
      )}
      {sending.state && (
        <Text role="status" w="full" fontSize="sm" color="fg.muted">
          {sending.state}
        </Text>
      )}
      {problem && (
        <Text role="alert" color="stop">
          {problem}
        </Text>
      )}
    </Flex>
  );
}
