import { Box, Button, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import type { Schemas } from '../shared/api';
import { StepSketch } from './StepSketch';
import { useWaysOfWorking } from './useOutlook';

/** Before the first go: how the dog is, what to lay out, what today is about. */
export function BeforeSession({
  dogId,
  set,
  step,
  busy,
  onBegin,
  onNotToday,
}: {
  dogId: string;
  set: Schemas['SetDto'];
  step: Schemas['StepDto'];
  busy: boolean;
  onBegin: () => void;
  onNotToday: () => void;
}) {
  const [bad, setBad] = useState(false);
  const ways = useWaysOfWorking(true);
  if (bad) {
    return (
      <Box mt="4" role="status">
        <Heading as="h2" size="2xl">{t`A day off, then`}</Heading>
        <Text fontSize="lg" mt="2">
          {ways.data?.badDay}
        </Text>
        <Flex gap="3" mt="5" wrap="wrap">
          <Button
            size="lg"
            h="14"
            colorPalette="marigold"
            loading={busy}
            onClick={onNotToday}
          >{t`No session today`}</Button>
          <Button size="lg" h="14" variant="ghost" onClick={() => setBad(false)}>{t`It is well after all`}</Button>
        </Flex>
      </Box>
    );
  }
  return (
    <Box mt="3">
      <Text color="fg.muted">{t`Today`}</Text>
      <Heading as="h2" size="2xl" lineHeight="1.15">
        {set.stepName}
        {set.target < 0 && t`, an easier rung`}: {set.targetText}
      </Heading>
      {/* The drawing shows the step's own targets: an easier rung is set up otherwise. */}
      {set.target >= 0 && <StepSketch dogId={dogId} step={step} />}
      <Box as="dl" mt="3">
        <Part term={t`Lay out`} says={step.setUp} />
        <Part term={t`It counts when`} says={step.success} />
        <Part term={t`Treats go`} says={step.reward} />
        {step.notes.map((note) => (
          <Part key={note} term={t`For this dog`} says={note} />
        ))}
        {step.caution && <Part term={t`Caution`} says={step.caution} />}
      </Box>
      <Text mt="2">{t`Water near by, the door open: it may leave at any time.`}</Text>
      <Heading as="h3" size="lg" mt="5">{t`How is it today?`}</Heading>
      <Flex gap="3" mt="2">
        <Button
          flex="1"
          h="20"
          fontSize="lg"
          whiteSpace="normal"
          variant="outline"
          borderWidth="2px"
          borderColor="border.strong"
          onClick={() => setBad(true)}
        >{t`Not well, or tense`}</Button>
        <Button flex="1.4" h="20" fontSize="2xl" onClick={onBegin}>{t`Well: begin`}</Button>
      </Flex>
    </Box>
  );
}

function Part({ term, says }: { term: string; says: string }) {
  return (
    <Flex gap="3" py="1.5" borderTopWidth="1px" borderColor="border">
      <Text as="dt" w="7rem" flexShrink="0" color="fg.muted">
        {term}
      </Text>
      <Text as="dd">{says}</Text>
    </Flex>
  );
}
