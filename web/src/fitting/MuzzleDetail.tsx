import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { Suspense, useState, type ReactNode } from 'react';
import type { Schemas } from '../shared/api';
import { Cautions } from '../shared/Cautions';
import { late } from '../shared/late';
import { VerdictMark } from '../shared/Mark';
import { lengthText, useUnit } from '../shared/units';
import { useCalm } from '../shared/useCalm';
import { Behind, Waiting } from '../shared/Waiting';
import { factsOf, nameOf } from './facts';
import { FitView } from './FitView';
import { ReadIt } from './ReadIt';
import type { Laid } from './Reasons';
import { strapText } from './strap';
import { useFit, type Question } from './useFits';
import { useIsWide } from './useIsWide';
import { Ways } from './Ways';

const Keep = late(() => import('./Keep').then((m) => m.Keep));
const Reasons = late(() => import('./Reasons').then((m) => m.Reasons));

type Fit = Schemas['FitDto'];

/** The muzzle in hand on the dog: how surely it fits, drawn to scale, its strap's setting, and every reason. */
export function MuzzleDetail({
  card,
  sizeId,
  question,
  fits,
  brief,
  onPick,
}: {
  card: Schemas['DogCardDto'];
  sizeId: string;
  question: Question;
  fits: Schemas['FitsDto'];
  /** Stands under the drawing. */
  brief: ReactNode;
  onPick: (sizeId: string) => void;
}) {
  const { unit } = useUnit();
  const isWide = useIsWide();
  const [other, setOther] = useState('');
  const [laid, setLaid] = useState<Laid>('over');
  const detail = useFit(card.dog.id, sizeId, question, unit);
  const second = useFit(card.dog.id, other || null, question, unit);
  // The drawing comes first; what it is chosen with, and the reasons, follow when there is time.
  const calm = useCalm(detail.data !== undefined);
  if (!detail.data) return <Waiting query={detail} />;
  const { fit, drawing } = detail.data;
  const compared = other !== '' && other !== fit.sizeId && second.data?.fit.sizeId === other ? second.data : undefined;
  const needed = fits.brief.neededGapeDeg;
  const ways = (
    <Flex my="2" gap="3" wrap="wrap">
      <Ways card={card} fit={fit} />
    </Flex>
  );
  return (
    <Box as="section" aria-label={nameOf(fit)}>
      <Behind query={detail} />
      <Flex align="baseline" wrap="wrap" columnGap="4">
        <Heading as="h2" size="3xl">
          {nameOf(fit)}
        </Heading>
        {isWide && (
          <Text color="fg.muted" flex="1" minW="12rem" truncate>
            {factsOf(fit)}
          </Text>
        )}
      </Flex>
      <Verdict fit={fit} />
      {fit.caution && (
        <Text borderInlineStartWidth="4px" borderColor="stop" ps="3" mb="2">
          {fit.caution}
        </Text>
      )}
      {calm ? (
        <Suspense fallback={ways}>
          <Keep key={fit.sizeId} card={card} fit={fit} question={question} />
        </Suspense>
      ) : (
        ways
      )}
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
      {brief && <Box mt="4">{brief}</Box>}
      {calm && (
        <Suspense>
          <Reasons
            card={card}
            fit={fit}
            fits={fits}
            compared={compared?.fit}
            other={other}
            onOther={setOther}
            laid={laid}
            onLaid={setLaid}
            onPick={onPick}
          />
        </Suspense>
      )}
      <Box mt="6">
        <Cautions cautions={card.cautions} />
      </Box>
    </Box>
  );
}

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
        columnGap="3"
        wrap={{ base: 'wrap', sm: 'nowrap' }}
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
        <Text
          flex={{ base: '1 0 100%', sm: '1' }}
          minW="0"
          fontSize={{ base: final ? 'lg' : 'md', sm: 'inherit' }}
          lineHeight="1.3"
        >
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
    t`a loop of ${lengthText(strap.loopMm, unit)}${strap.under === null ? '' : t`, ${strap.under} under it`}`;
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
