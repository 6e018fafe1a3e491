import { Box, Button, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import { useRef, useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { useThisDog } from '../dogs/useDog';
import type { Schemas } from '../shared/api';
import { Key } from '../shared/Mark';
import { useUnit } from '../shared/units';
import { Waiting } from '../shared/Waiting';
import { Why } from '../shared/Why';
import { HeadView } from './HeadView';
import { ReadingLine } from './ReadingLine';
import { linesOf, useBench, type Bench, type Line } from './useBench';

/** The measuring bench: readings down the right, the dog's head beside them, what disagrees below. */
export function BenchPage() {
  const card = useThisDog();
  const { unit } = useUnit();
  const { bench, add, remove } = useBench(card.dog.id, unit);
  const [active, setActive] = useState<Line | null>(null);
  const list = useRef<HTMLUListElement>(null);
  if (!bench.data) return <Waiting query={bench} />;
  const lines = linesOf(bench.data);
  const shown = active ?? lines[0] ?? null;

  const focus = (measure: Schemas['Measure']) =>
    list.current?.querySelector<HTMLInputElement>(`[data-reading^="${measure}"]`)?.focus();
  const next = (at: number) => {
    const fields = list.current?.querySelectorAll<HTMLInputElement>('[data-reading]');
    fields?.[(at + 1) % fields.length]?.focus();
  };

  // A refused reading is gone back to, unless the next one is being typed already.
  const back = (field: HTMLElement | null) => {
    const now = document.activeElement;
    if (!(now instanceof HTMLInputElement) || now.value === '') field?.focus();
  };

  return (
    <Grid
      templateColumns={{ base: '1fr', lg: 'minmax(0, 1.15fr) minmax(26rem, 1fr)' }}
      gap={{ base: 4, lg: 10 }}
      alignItems="start"
    >
      <Box position={{ lg: 'sticky' }} top="4">
        <HeadView
          drawing={bench.data.drawing}
          coat={card.coatHex}
          active={shown?.guide.measure ?? null}
          label={`Head of ${card.dog.name}, side view and section, to scale. Marked: ${shown?.guide.name ?? 'nothing'}.`}
        />
        {shown && (
          <Box mt="2" maxW="38rem" aria-live="polite">
            <Heading as="h2" size="xl">
              {shown.guide.name}
              {shown.side ? `, ${shown.side}` : ''}
            </Heading>
            <Text>{shown.guide.where}</Text>
            <Text>{shown.guide.how}</Text>
            <Text color="fg.muted">
              Usual mistake: {shown.guide.mistake.charAt(0).toLowerCase() + shown.guide.mistake.slice(1)}
            </Text>
          </Box>
        )}
      </Box>
      <Box>
        <Text fontSize="sm" color="fg.muted" mb="1">
          Type as you read: 95 · 9,5 cm · 3 3/4 in. <Key>Enter</Key> saves and goes on. Two or three readings of each
          are better than one.
        </Text>
        <ul ref={list}>
          {lines.map((line, i) => (
            <ReadingLine
              key={line.guide.measure + (line.side ?? '')}
              line={line}
              readings={bench.data.readings.filter((r) => r.measure === line.guide.measure && r.side === line.side)}
              measured={bench.data.measures.find((m) => m.measure === line.guide.measure && m.side === line.side)}
              doubtful={bench.data.findings.some(
                (f) => f.severity === 'check' && f.measures.includes(line.guide.measure),
              )}
              onFocus={() => setActive(line)}
              onAdd={(text) =>
                add.mutateAsync({ id: crypto.randomUUID(), measure: line.guide.measure, side: line.side, text })
              }
              onNext={() => next(i)}
              onFail={back}
              onRemove={(reading) => void remove(reading)}
            />
          ))}
        </ul>
        <Findings bench={bench.data} onRetake={focus} />
        <HeadShape card={card} />
        <Missing bench={bench.data} dogId={card.dog.id} />
      </Box>
    </Grid>
  );
}

function Findings({ bench, onRetake }: { bench: Bench; onRetake: (measure: Schemas['Measure']) => void }) {
  if (bench.findings.length === 0) return null;
  return (
    <Box as="section" mt="5" aria-label="Cross-checks">
      <Heading as="h2" size="lg">
        Worth a second look
      </Heading>
      <ul>
        {bench.findings.map((f) => (
          <Flex as="li" key={f.code + f.message} gap="3" py="2" align="start">
            <Box
              as="span"
              fontWeight="700"
              flexShrink="0"
              borderWidth="1.5px"
              borderColor={f.severity === 'check' ? 'stop' : 'border.strong'}
              color={f.severity === 'check' ? 'stop' : 'fg'}
              px="1.5"
              borderRadius="sm"
              fontSize="sm"
            >
              {f.severity === 'check' ? '△ Check' : '○ Note'}
            </Box>
            <Box flex="1">
              <Text>{f.message}</Text>
              <Flex align="center" gap="2">
                <Text fontWeight="700">{f.retake}</Text>
                <Why basis={f.basis} about={f.message} />
              </Flex>
            </Box>
            {f.measures[0] && (
              <Button
                size="sm"
                variant="outline"
                borderColor="border.strong"
                onClick={() => f.measures[0] && onRetake(f.measures[0])}
                aria-label={`Take again: ${f.retake}`}
              >
                Take again
              </Button>
            )}
          </Flex>
        ))}
      </ul>
    </Box>
  );
}

function HeadShape({ card }: { card: Schemas['DogCardDto'] }) {
  return (
    <Flex mt="4" align="center" gap="2">
      <Text>
        Head shape: <b>{card.headShape.shape}</b>. {card.headShape.reason}
      </Text>
      <Why basis={card.headShape.basis} about="Head shape" />
    </Flex>
  );
}

function Missing({ bench, dogId }: { bench: Bench; dogId: string }) {
  const ready = !bench.missing.some((m) => m.blocking) && !bench.findings.some((f) => f.severity === 'check');
  const name = (m: Schemas['MissingMeasure']) =>
    (bench.guides.find((g) => g.measure === m.measure)?.name ?? m.measure).toLowerCase() + (m.side ? ` ${m.side}` : '');
  return (
    <Box mt="4">
      {bench.missing.length === 0 ? (
        <Text>Everything is read.</Text>
      ) : (
        <Text>Still wanting: {bench.missing.map((m) => `${name(m)} (${m.neededFor})`).join('; ')}.</Text>
      )}
      {bench.canFit && (
        <Button
          asChild
          mt="3"
          colorPalette={ready ? 'marigold' : 'spruce'}
          variant={ready ? 'solid' : 'outline'}
          borderColor="border.strong"
        >
          <RouterLink to={`/dogs/${dogId}/fit`}>
            {ready ? 'Choose a muzzle' : 'Look at muzzles with what there is'}
          </RouterLink>
        </Button>
      )}
    </Box>
  );
}
