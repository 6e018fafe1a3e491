import { Box, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';
import { lengthText, useUnit } from '../shared/units';
import { useActive, type Drafts } from './drafts';
import { Findings } from './Findings';
import { AirwayCaution, HeadShapePanel } from './HeadShapePanel';
import { HeadView, InHand } from './HeadView';
import { TapePanel } from './TapePanel';
import { isOn, type Line } from './lines';
import { useTyping, type Bench, type Tool } from './useBench';
import type { useTape } from './useTape';
import { sideWord } from '../shared/words';

interface Props {
  dogId: string;
  bench: Bench;
  drafts: Drafts;
  first: Line | null;
  tool: Tool;
}

/** The line in hand, and the bench as it would be with what is typed there. */
function useLive({ dogId, bench, drafts, first, tool }: Props) {
  const line = useActive(drafts) ?? first;
  const typing = useTyping(dogId, drafts, line, tool);
  return { line, live: typing.drawn ?? bench };
}

export const meanOf = (line: Line | null, measures: Schemas['MeasuredDto'][]) =>
  line === null ? undefined : measures.find((m) => isOn(line, m))?.meanMm;

/** The head with the measure in hand, how it is taken, and the digital tape. */
export function LiveHead({
  name,
  tape,
  walking,
  ...props
}: Props & { name: string; tape: ReturnType<typeof useTape>; walking: boolean }) {
  const { unit } = useUnit();
  const { line, live } = useLive(props);
  const mean = meanOf(line, live.measures);
  return (
    <>
      <HeadView
        drawing={live.drawing}
        line={line}
        value={mean === undefined ? null : lengthText(mean, unit)}
        name={name}
        tall={walking}
      />
      {line && !walking && (
        <Box mt="2" maxW="38rem" aria-live="polite">
          <Heading as="h2" size="xl">
            {line.guide.name}
            {line.side ? `, ${sideWord[line.side]}` : ''}
          </Heading>
          <Text>{line.guide.where}</Text>
          <Text>{line.guide.how}</Text>
          <Text color="fg.muted">{t`Usual mistake: ${line.guide.mistake.charAt(0).toLowerCase() + line.guide.mistake.slice(1)}`}</Text>
        </Box>
      )}
      <Box display={walking ? { base: 'none', lg: 'block' } : 'block'}>
        <TapePanel tape={tape} line={line} />
      </Box>
    </>
  );
}

/** Where the tape runs, beside the field in hand: on a phone the large head is out of sight by then. */
export function LiveInHand({ name, ...props }: Props & { name: string }) {
  const { line, live } = useLive(props);
  return (
    line && (
      <Box display={{ lg: 'none' }}>
        <InHand drawing={live.drawing} line={line} name={name} />
      </Box>
    )
  );
}

export function LiveFindings({
  onRetake,
  onHeld,
  ...props
}: Props & { onRetake: (measure: Schemas['Measure']) => void; onHeld: (how: Schemas['JawHeld']) => void }) {
  return <Findings findings={useLive(props).live.findings} onRetake={onRetake} onHeld={onHeld} />;
}

export function LiveHeadShape(props: Props) {
  return <HeadShapePanel choice={useLive(props).live.headShape} />;
}

export function LiveAirway(props: Props) {
  return <AirwayCaution choice={useLive(props).live.headShape} />;
}
