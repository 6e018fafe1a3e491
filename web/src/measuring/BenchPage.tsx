import { Box, Button, Checkbox, Flex, Grid, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { dateText } from '../shared/dates';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Link as RouterLink, useLocation, useSearchParams } from 'react-router';
import { useThisDog } from '../shared/dog';
import { words } from '../shared/api';
import { complain } from '../shared/notices';
import { Key } from '../shared/Mark';
import { lengthText, useUnit } from '../shared/units';
import { useKept } from '../shared/useKept';
import { Waiting } from '../shared/Waiting';
import { Drafts, type Draft } from './drafts';
import { LiveAirway, LiveFindings, LiveHead, LiveHeadShape, LiveInHand, meanOf } from './Live';
import { MissingPanel } from './MissingPanel';
import { ReadingLine } from './ReadingLine';
import { Gap, SetBar } from './SetBar';
import { StringSheet } from './StringSheet';
import { isOn, linesOf, type Line } from './lines';
import { useBench, type Tool } from './useBench';
import { useTape } from './useTape';
import { BeforeMeasuring, WalkThrough } from './WalkThrough';

/** The measuring bench: the readings the fit style asks for, the dog's head beside them, what disagrees below. */
export function BenchPage() {
  const card = useThisDog();
  const dogId = card.dog.id;
  const { unit } = useUnit();
  const { bench, add, unsent, remove, judge, editSet, held, begin } = useBench(dogId, unit);
  // Asked once: whether what is read now belongs to the set of an earlier day after all.
  const [intoOldSet, setIntoOldSet] = useState(false);
  const [drafts] = useState(() => new Drafts(dogId));
  const [tool, setTool] = useState<Tool>('softTape');
  const [by, setBy] = useKept('jaunty-badge.taken-by', '');
  const [mode, setMode] = useState<'list' | 'ready' | 'walk' | 'done' | 'string'>('list');
  const [step, setStep] = useState(0);
  const lines = bench.data ? linesOf(bench.data) : { asked: [], others: [] };
  const first = lines.asked[0] ?? null;

  const keep = (line: Line, { text, fromTape }: Draft) =>
    add({
      measure: line.guide.measure,
      side: line.side,
      text,
      tool: fromTape ? 'digitalTape' : tool,
      takenBy: by,
      intoOldSet,
    });
  // A reading of the tape lands in the field in hand; one that finds text there is kept at once, so that neither is lost.
  const tape = useTape(dogId, (mm) => {
    const line = drafts.active ?? first;
    if (!line) return;
    const text = `${mm} mm`;
    if (drafts.of(line.key).text.trim() === '') drafts.type(line, text, true);
    else keep(line, { text, fromTape: true }).catch((error: unknown) => complain(words(error)));
  });
  // Whoever comes for one measure finds its field in hand.
  const [search] = useSearchParams();
  const at = search.get('at');
  const come = useLocation().key;
  const loaded = bench.data !== undefined;
  useEffect(() => {
    if (!loaded || !at) return;
    let soon = requestAnimationFrame(() => {
      setMode('list');
      soon = requestAnimationFrame(() => goTo(at));
    });
    return () => cancelAnimationFrame(soon);
  }, [loaded, at, come]);
  if (!bench.data) return <Waiting query={bench} />;
  const data = bench.data;

  const walkTo = (at: number) => {
    const line = lines.asked[at];
    setStep(at);
    if (line) drafts.take(line);
    else setMode('done');
  };
  const next = (line: Line) => {
    const at = lines.asked.findIndex((l) => l.key === line.key);
    if (mode === 'walk') walkTo(at + 1);
    else if (at >= 0) goTo((lines.asked[at + 1] ?? first)?.key ?? '');
  };
  /** Back to one measure, whichever way the fitter measures. */
  const retake = (measure: string) => {
    const step = lines.asked.findIndex((l) => l.guide.measure === measure);
    if (step < 0) setMode('list');
    else {
      setMode('walk');
      walkTo(step);
    }
  };
  const live = { dogId, bench: data, drafts, first, tool };
  const field = { dogId, drafts, tool, onAdd: keep, onNext: next };
  const rows = (some: Line[]) =>
    some.map((line) => (
      <ReadingLine
        key={line.key}
        {...field}
        line={line}
        readings={data.readings.filter((r) => isOn(line, r))}
        unsent={unsent.filter(
          ({ id, body }) =>
            body.measure === line.guide.measure &&
            (body.side ?? null) === line.side &&
            data.readings.every((r) => r.id !== id),
        )}
        measured={data.measures.find((m) => isOn(line, m))}
        change={data.changes.find((c) => isOn(line, c))}
        doubtful={data.doubted.includes(line.guide.measure)}
        picture={<LiveInHand {...live} name={card.dog.name} />}
        onRemove={(reading) => void remove(reading)}
        onJudge={judge}
      />
    ));
  const walked = mode === 'walk' ? lines.asked[step] : undefined;
  const mean = meanOf(walked ?? null, data.measures);
  const read = lines.others.filter((line) => data.measures.some((m) => isOn(line, m))).length;

  return (
    <Grid
      templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1.1fr) minmax(27rem, 1fr)' }}
      gap={{ base: 4, lg: 8 }}
      alignItems="start"
    >
      {/* Walked through, the drawing stays in sight on a phone too. */}
      <Box
        position={{ base: mode === 'walk' ? 'sticky' : 'static', lg: 'sticky' }}
        top={{ base: 0, lg: 4 }}
        bg="bg"
        zIndex="1"
      >
        <LiveHead {...live} name={card.dog.name} tape={tape} walking={mode === 'walk'} />
      </Box>
      <Box>
        <LiveAirway {...live} />
        {(data.measureAgain.length > 0 || data.set.isOver) && (
          <Box borderInlineStartWidth="4px" borderColor="accent" ps="3" mb="2">
            {data.measureAgain.map((why) => (
              <Text key={why}>
                <b>{t`Measure again:`}</b> {why}
              </Text>
            ))}
            <Flex gap="3" align="center" wrap="wrap">
              {data.set.isOver && data.set.day && (
                <Checkbox.Root checked={!intoOldSet} onCheckedChange={(e) => setIntoOldSet(e.checked !== true)}>
                  <Checkbox.HiddenInput />
                  <Checkbox.Control borderColor="border.strong" />
                  <Checkbox.Label>{t`This set is of ${day(data.set.day)}: what is read now begins a new one`}</Checkbox.Label>
                </Checkbox.Root>
              )}
              <Button
                size="xs"
                variant="outline"
                borderColor="border.strong"
                onClick={() => void begin()}
              >{t`Begin a new set`}</Button>
            </Flex>
          </Box>
        )}
        {mode === 'ready' ? (
          <BeforeMeasuring
            dogId={dogId}
            tool={tool}
            onTool={setTool}
            onBegin={() => {
              setMode('walk');
              walkTo(0);
            }}
            onLeave={() => setMode('list')}
          />
        ) : walked ? (
          <WalkThrough
            {...field}
            line={walked}
            at={step}
            of={lines.asked.length}
            shown={mean === undefined ? null : lengthText(mean, unit)}
            readings={data.readings.filter((r) => isOn(walked, r) && r.setAside === null)}
            findings={data.findings.filter((f) => f.measures.includes(walked.guide.measure))}
            onHeld={(how) => void held(how)}
            gap={
              walked.guide.measure === 'fitLineLength' ? (
                <Gap set={data.set} onEdit={(set) => editSet({ ...set, intoOldSet })} />
              ) : null
            }
            onBack={() => walkTo(step - 1)}
            onLeave={() => setMode('list')}
          />
        ) : mode === 'done' ? (
          <Box as="section" aria-label={t`Measured`}>
            <Arrived>
              {data.isReady ? t`Measured. A muzzle comes next.` : t`Read through. This is still wanting:`}
            </Arrived>
            <LiveFindings {...live} onRetake={retake} onHeld={(how) => void held(how)} />
            <MissingPanel bench={data} dogId={dogId} />
            <Button mt="3" variant="outline" borderColor="border.strong" onClick={() => setMode('list')}>
              {t`Back to the list`}
            </Button>
          </Box>
        ) : (
          <>
            <SetBar
              set={data.set}
              tool={tool}
              onTool={setTool}
              by={by}
              onBy={setBy}
              onEdit={(set) => editSet({ ...set, intoOldSet })}
            />
            <Flex gap="2" wrap="wrap" my="2" align="center">
              <Mode onClick={() => setMode('ready')}>{t`Walk me through`}</Mode>
              <Mode onClick={() => setMode(mode === 'string' ? 'list' : 'string')}>{t`String and ruler`}</Mode>
              <Way to={`/dogs/${dogId}/measure/photos`}>{t`From a photo`}</Way>
              <Way
                to={`/dogs/${dogId}/measure/history`}
              >{t`History${data.set.setsBefore > 0 ? t` (${data.set.setsBefore + 1} sets)` : ''}`}</Way>
            </Flex>
            {mode === 'string' && (
              <StringSheet
                lines={[...lines.asked, ...lines.others]}
                onAdd={(reading) => add({ ...reading, takenBy: by, intoOldSet })}
                onClose={() => setMode('list')}
              />
            )}
            <Text fontSize="sm" color="fg.muted">
              <Trans>
                Type as you read: 95 · 9,5 cm · 3 3/4 in. <Key>Enter</Key> keeps it and goes on.
              </Trans>
            </Text>
            <ul>{rows(lines.asked)}</ul>
            <Box as="details" mt="2">
              <Box
                as="summary"
                cursor="pointer"
                fontWeight="700"
                py="1"
              >{t`More measures${read > 0 ? t`, ${read} read` : ''}`}</Box>
              <ul>{rows(lines.others)}</ul>
            </Box>
            <LiveFindings {...live} onRetake={goTo} onHeld={(how) => void held(how)} />
            <MissingPanel bench={data} dogId={dogId} />
            <LiveHeadShape {...live} />
          </>
        )}
      </Box>
    </Grid>
  );
}

const day = (at: string) => dateText(at, 'near');

/** Puts the focus into the field of a measure, or of one of its sides. */
function goTo(key: string) {
  const field = document.querySelector<HTMLInputElement>(`[data-reading^="${key}"]`);
  field?.closest('details')?.setAttribute('open', '');
  field?.focus();
}

/** A heading that is come to: keys go on from it. */
function Arrived({ children }: { children: string }) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus(), []);
  return (
    <Heading as="h2" size="2xl" ref={heading} tabIndex={-1} outline="none">
      {children}
    </Heading>
  );
}

function Mode({ onClick, children }: { onClick: () => void; children: string }) {
  return (
    <Button size="xs" variant="outline" borderColor="border.strong" onClick={onClick}>
      {children}
    </Button>
  );
}

function Way({ to, children }: { to: string; children: ReactNode }) {
  return (
    <Link asChild fontSize="sm" textDecoration="underline" color="fg">
      <RouterLink to={to}>{children}</RouterLink>
    </Link>
  );
}
