import { Box, Button, Flex, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useEffect, useRef, type ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';
import type { Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { entries, toolWords } from '../shared/words';
import { HowHeld } from './Findings';
import { ReadingField, type Field } from './ReadingField';
import { nameOf } from './lines';
import type { Reading, Tool } from './useBench';

/** Before the first measure: the order of the work, for someone who has never measured. */
export function BeforeMeasuring({
  dogId,
  tool,
  onTool,
  onBegin,
  onLeave,
}: {
  dogId: string;
  tool: Tool;
  onTool: (tool: Tool) => void;
  onBegin: () => void;
  onLeave: () => void;
}) {
  return (
    <Box as="section" aria-label={t`Before you measure`}>
      <Flex align="center">
        <Heading as="h2" size="2xl">{t`Before you measure`}</Heading>
        <Button
          ms="auto"
          size="sm"
          variant="outline"
          borderColor="border.strong"
          onClick={onLeave}
        >{t`Back to the list`}</Button>
      </Flex>
      <Box as="ol" ps="5" mt="3" fontSize="lg" css={{ listStyle: 'decimal', '& li': { marginBottom: '0.75rem' } }}>
        <li>
          <Trans>
            <b>Calm first.</b> Let it settle where it is at ease, after its run. A bad day is a day off.
          </Trans>
        </li>
        <li>
          <Trans>
            <b>A tool it accepts.</b> Let it sniff the tool, lay it along the shoulder, then nearer the head, with a
            treat each time.
            <Box w="13rem" mt="1">
              <Choice size="sm" label={t`Tool`} value={tool} options={entries(toolWords)} onChange={onTool} />
            </Box>
          </Trans>
        </li>
        <li>
          <Trans>
            <b>It will not be touched?</b> Do not hold it. Take a string or a lead it knows, or{' '}
            <Link asChild color="fg" textDecoration="underline">
              <RouterLink to={`/dogs/${dogId}/measure/photos`}>measure from a photo</RouterLink>
            </Link>
            .
          </Trans>
        </li>
        <li>
          <Trans>
            <b>Each measure twice,</b> the tape laid anew. A third is asked for where two disagree.
          </Trans>
        </li>
        <li>
          <Trans>
            <b>Never a muzzle pushed on to try it:</b> it is chosen from the measures.
          </Trans>
        </li>
      </Box>
      <Button size="lg" colorPalette="marigold" mt="2" onClick={onBegin}>{t`It is calm: begin`}</Button>
    </Box>
  );
}

/** One measure at a time, large, for someone who has never measured: where, how, the usual mistake, and what does not add up yet. */
export function WalkThrough({
  at,
  of,
  shown,
  readings,
  findings,
  gap,
  onHeld,
  onBack,
  onLeave,
  ...field
}: Field & {
  at: number;
  of: number;
  shown: string | null;
  readings: Reading[];
  /** What concerns this measure. */
  findings: Schemas['FindingDto'][];
  gap: ReactNode;
  onHeld: (how: Schemas['JawHeld']) => void;
  onBack: () => void;
  onLeave: () => void;
}) {
  const { guide } = field.line;
  const once = readings.length === 1;
  const heading = useRef<HTMLHeadingElement>(null);
  // A field takes the focus where there is a keyboard; elsewhere the heading of the next measure does, so that it is not lost.
  useEffect(() => {
    if (!window.matchMedia('(pointer: fine)').matches) heading.current?.focus({ preventScroll: true });
    heading.current?.scrollIntoView({ block: 'start' });
  }, [field.line.key]);
  return (
    <Box as="section" aria-label={t`Walk-through`}>
      <Flex align="center" gap="3">
        <Text color="fg.muted">{t`${at + 1} of ${of}`}</Text>
        <Flex gap="1" aria-hidden="true">
          {Array.from({ length: of }, (_, i) => (
            <Box key={i} w="5" h="1.5" borderRadius="full" bg={i <= at ? 'accent' : 'border'} />
          ))}
        </Flex>
        <Button
          ms="auto"
          size="sm"
          variant="outline"
          borderColor="border.strong"
          onClick={onLeave}
        >{t`Back to the list`}</Button>
      </Flex>
      <Heading
        as="h2"
        size="3xl"
        mt="3"
        aria-live="polite"
        ref={heading}
        tabIndex={-1}
        outline="none"
        scrollMarginTop={{ base: '37vh', lg: '50vh' }}
      >
        {nameOf(field.line)}
      </Heading>
      <Text fontSize="lg">{guide.where}</Text>
      <Heading as="h3" size="md" mt="3">{t`Find it`}</Heading>
      <Text fontSize="lg">{guide.find}</Text>
      <Heading as="h3" size="md" mt="3">{t`Hold the tape`}</Heading>
      <Text fontSize="lg">{guide.how}</Text>
      <Box borderInlineStartWidth="4px" borderColor="accent" ps="3" mt="3">
        <Text fontSize="lg">
          <b>{t`Usual mistake:`}</b> {guide.mistake.charAt(0).toLowerCase() + guide.mistake.slice(1)}
        </Text>
      </Box>
      {guide.asks && (
        <Text fontSize="lg" fontWeight="700" mt="3">
          {guide.asks}
        </Text>
      )}
      <Flex mt="5" gap="4" align="start" wrap="wrap">
        <ReadingField
          key={field.line.key}
          {...field}
          large
          onKept={() => readings.length > 0 && field.onNext(field.line)}
        />
        <Box>
          <Text fontSize="4xl" fontWeight="700" lineHeight="1">
            {shown ?? '–'}
          </Text>
          <Text fontSize="sm" color="fg.muted">
            {readings.length === 0 ? t`read so far` : readings.map((r) => r.asTaken).join(' · ')}
          </Text>
        </Box>
        {gap}
      </Flex>
      {once && (
        <Text
          fontSize="lg"
          fontWeight="700"
          role="status"
        >{t`Once more: lay the tape anew and read it a second time.`}</Text>
      )}
      {findings.map((f) => (
        <Box
          key={f.code}
          borderInlineStartWidth="4px"
          borderColor={f.severity === 'check' ? 'stop' : 'border.strong'}
          ps="3"
          mt="3"
        >
          <Text>
            <b>{f.severity === 'check' ? t`△ Check: ` : t`○ Note: `}</b>
            {f.message} <b>{f.retake}</b>
          </Text>
          <HowHeld finding={f} onHeld={onHeld} />
        </Box>
      ))}
      <Flex gap="3" mt="4">
        <Button variant="outline" borderColor="border.strong" disabled={at === 0} onClick={onBack}>{t`Back`}</Button>
        <Button
          {...(once ? {} : { colorPalette: 'marigold' })}
          variant={once ? 'outline' : 'solid'}
          borderColor="border.strong"
          onClick={() => field.onNext(field.line)}
        >
          {at + 1 === of ? t`Done` : t`Next`}
        </Button>
      </Flex>
    </Box>
  );
}
