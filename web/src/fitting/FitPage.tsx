import { Box, Button, Flex, Grid, Heading, Input, Link, NativeSelect, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { useThisDog } from '../dogs/useDog';
import { Refused, words, type Schemas } from '../shared/api';
import { Cautions } from '../shared/Cautions';
import { VerdictMark } from '../shared/Mark';
import { lengthText, useUnit } from '../shared/units';
import { Waiting } from '../shared/Waiting';
import { Why } from '../shared/Why';
import { criterionWords, purposeWords, verdictWords } from '../shared/words';
import { Criteria } from './Criteria';
import { FitList } from './FitList';
import { FitView } from './FitView';
import { useChoose, useFit, useFits, type Question } from './useFits';

/** From measurements to the right muzzle: the brief, the ranked catalogue, and the one in hand drawn over the snout. */
export function FitPage() {
  const card = useThisDog();
  const { unit } = useUnit();
  const [question, setQuestion] = useState<Question>({ uses: null, school: null, fingers: null });
  const [picked, setPicked] = useState<string | null>(null);
  const fits = useFits(card.dog.id, question, unit);
  if (!fits.data) return <Waiting query={fits} />;
  if (fits.data.fits.length === 0) {
    return (
      <Text fontSize="lg">
        A muzzle is chosen from measurements, not by trying it on. Nose to inner eye comes first:{' '}
        <Link asChild textDecoration="underline" color="fg">
          <RouterLink to={`/dogs/${card.dog.id}/measure`}>to the bench</RouterLink>
        </Link>
        .
      </Text>
    );
  }
  const inHand = fits.data.fits.find((f) => f.sizeId === (picked ?? card.choice?.sizeId)) ?? fits.data.fits[0];
  return (
    <Flex direction="column" gap="6">
      <Brief fits={fits.data} card={card} question={question} onChange={setQuestion} />
      <Grid templateColumns={{ base: '1fr', lg: '21rem minmax(0, 1fr)' }} gap={{ base: 6, lg: 10 }} alignItems="start">
        <FitList
          fits={fits.data.fits}
          inHand={inHand?.sizeId ?? ''}
          chosen={card.choice?.sizeId ?? null}
          onPick={setPicked}
        />
        {inHand && (
          <InHand
            key={inHand.sizeId}
            card={card}
            sizeId={inHand.sizeId}
            question={question}
            neededDeg={fits.data.neededGapeDeg}
          />
        )}
      </Grid>
    </Flex>
  );
}

function Brief({
  fits,
  card,
  question,
  onChange,
}: {
  fits: Schemas['FitsDto'];
  card: Schemas['DogCardDto'];
  question: Question;
  onChange: (q: Question) => void;
}) {
  const rests = fits.snout.filter((s) => s.provenance !== 'measured' && s.name !== 'Fit line');
  return (
    <Box as="section" aria-label="The brief">
      <Flex wrap="wrap" gap="4" align="end" mb="3">
        <Heading as="h2" size="xl" me="auto">
          What {card.dog.name} needs
        </Heading>
        <Pick
          label="For"
          value={question.uses?.[0] ?? ''}
          onChange={(v) => onChange({ ...question, uses: v === '' ? null : [v as Schemas['Purpose']] })}
        >
          <option value="">All its purposes</option>
          {card.dog.purposes.map((p) => (
            <option key={p} value={p}>
              {purposeWords[p]} only
            </option>
          ))}
        </Pick>
        <Pick
          label="School"
          value={fits.school}
          onChange={(v) => onChange({ ...question, school: v as Schemas['School'], fingers: null })}
        >
          <option value="everyday">Everyday</option>
          <option value="working">Working</option>
        </Pick>
        <Pick
          label="Fingers"
          value={String(fits.fingers)}
          onChange={(v) => onChange({ ...question, fingers: Number(v) })}
        >
          <option value="1">One</option>
          <option value="2">Two</option>
        </Pick>
      </Flex>
      <Grid as="dl" templateColumns={{ base: '1fr', md: 'repeat(auto-fit, minmax(13rem, 1fr))' }} gap="4">
        {fits.brief.map((line) => (
          <Box key={line.topic} borderTopWidth="2px" borderColor="fg" pt="1">
            <Flex as="dt" justify="space-between" fontSize="sm" color="fg.muted">
              {line.topic} <Why basis={line.basis} about={line.topic} />
            </Flex>
            <Box as="dd">
              <Text fontWeight="700">{line.says}</Text>
              <Text fontSize="sm">{line.reason}</Text>
            </Box>
          </Box>
        ))}
      </Grid>
      {rests.length > 0 && (
        <Text fontSize="sm" mt="3">
          {rests.some((s) => s.provenance === 'assumed') && <b>Take the missing readings before you order. </b>}
          Not read but worked out: {rests.map((s) => `${s.name.toLowerCase()} ${s.provenance} (${s.how})`).join('; ')}.
        </Text>
      )}
    </Box>
  );
}

function Pick({
  label,
  value,
  onChange,
  children,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  children: React.ReactNode;
}) {
  return (
    <Box as="label">
      <Text as="span" fontSize="sm" color="fg.muted">
        {label}
      </Text>
      <NativeSelect.Root size="sm" w="auto" minW="8.5rem">
        <NativeSelect.Field value={value} onChange={(e) => onChange(e.currentTarget.value)} borderColor="border.strong">
          {children}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    </Box>
  );
}

/** The answer in one line: the verdict, by how much, and what decides it. */
function Verdict({ fit }: { fit: Schemas['FitDto'] }) {
  const { unit } = useUnit();
  const { marginMm, name } = fit.deciding;
  const by =
    marginMm === null
      ? ''
      : fit.verdict === 'out'
        ? ` by ${lengthText(-marginMm, unit)}`
        : marginMm < 0
          ? ', with a warning'
          : `, ${lengthText(marginMm, unit)} to spare`;
  return (
    <Flex
      align="center"
      gap="3"
      my="2"
      fontFamily="heading"
      fontSize="2xl"
      fontWeight="750"
      color={fit.verdict === 'out' ? 'stop' : 'fg'}
    >
      <VerdictMark verdict={fit.verdict} size={24} />
      <Text>
        {verdictWords[fit.verdict]}
        {by}
        <Text as="span" fontSize="md" fontWeight="400" fontFamily="body" color="fg.muted">
          {' '}
          · decided by {criterionWords[name].toLowerCase()}
        </Text>
      </Text>
    </Flex>
  );
}

function InHand({
  card,
  sizeId,
  question,
  neededDeg,
}: {
  card: Schemas['DogCardDto'];
  sizeId: string;
  question: Question;
  neededDeg: number;
}) {
  const { unit } = useUnit();
  const detail = useFit(card.dog.id, sizeId, question, unit);
  const choose = useChoose(card.dog.id);
  const [note, setNote] = useState('');
  if (detail.data?.fit.sizeId !== sizeId) return <Waiting query={detail} />;
  const { fit, drawing } = detail.data;
  const chosen = card.choice?.sizeId === sizeId;
  return (
    <Box as="section" aria-label={`${fit.model} ${fit.sizeLabel}`}>
      <Flex align="baseline" wrap="wrap" columnGap="4">
        <Heading as="h2" size="3xl">
          {fit.model} {fit.sizeLabel}
        </Heading>
        <Text color="fg.muted">
          {fit.maker} · {fit.massG} g · {fit.colours.map((c) => c.name).join(' or ')}
        </Text>
      </Flex>
      <Text>{fit.note}</Text>
      <Verdict fit={fit} />
      {drawing ? (
        <FitView fit={fit} drawing={drawing} coat={card.coatHex} neededDeg={neededDeg} />
      ) : (
        <Text borderLeftWidth="4px" borderColor="stop" ps="3">
          {fit.type === 'sleeve'
            ? 'It holds the mouth shut: the dog cannot pant, drink or vomit in it. Five minutes at most, watched all the time.'
            : 'It lies on the face itself. Short visits only, never in warmth.'}
        </Text>
      )}
      <Criteria fit={fit} />
      <Flex mt="5" gap="3" align="end" wrap="wrap">
        {fit.verdict === 'out' && (
          <Box as="label" flex="1 1 16rem">
            <Text as="span" fontSize="sm">
              It is out. To keep it all the same, write down why:
            </Text>
            <Input value={note} onChange={(e) => setNote(e.target.value)} borderColor="border.strong" />
          </Box>
        )}
        <Button
          colorPalette={fit.verdict === 'out' ? 'brick' : 'marigold'}
          size="lg"
          disabled={chosen}
          loading={choose.isPending}
          onClick={() =>
            choose.mutate({
              sizeId,
              uses: question.uses,
              school: question.school,
              fingers: question.fingers,
              note: note === '' ? null : note,
            })
          }
        >
          {chosen ? 'Chosen' : fit.verdict === 'out' ? 'Keep it all the same' : `Choose ${fit.model} ${fit.sizeLabel}`}
        </Button>
        {chosen && (
          <Button asChild variant="outline" size="lg" borderColor="border.strong">
            <RouterLink to={`/dogs/${card.dog.id}/plan`}>On to the plan</RouterLink>
          </Button>
        )}
        {choose.error && (
          <Text role="alert" color="stop">
            {choose.error instanceof Refused ? (choose.error.fields.note ?? words(choose.error)) : words(choose.error)}
          </Text>
        )}
      </Flex>
      <Box mt="6">
        <Cautions cautions={card.cautions} />
      </Box>
    </Box>
  );
}
