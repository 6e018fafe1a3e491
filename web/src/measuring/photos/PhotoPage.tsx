import { Box, Button, Flex, Grid, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { Link as RouterLink, useNavigate, useParams } from 'react-router';
import { useSayHeadShape, useThisDog } from '../../shared/dog';
import { Amount } from '../../shared/Amount';
import { request, words } from '../../shared/api';
import { Choice } from '../../shared/Choice';
import { Conflict } from '../../shared/saving/Conflict';
import { differences } from '../../shared/saving/differences';
import { Key } from '../../shared/Mark';
import { complain, notify } from '../../shared/notices';
import { sendChange } from '../../shared/saving/changes';
import { useKept } from '../../shared/useKept';
import { doubtText, lengthText, useUnit } from '../../shared/units';
import { Waiting } from '../../shared/Waiting';
import { entries, shapeWords, landmarkWords, referenceWords, sideWords, sideWord } from '../../shared/words';
import { useBench, useTakeBench, type Bench } from '../useBench';
import { markLabels, photoDocument } from './document';
import { nameOf, PhotoCanvas } from './PhotoCanvas';
import {
  cornersOf,
  placed,
  placeOf,
  same,
  targetsOf,
  useMarks,
  usePhoto,
  type Marks,
  type Photo,
  type Target,
} from './usePhoto';

/** Landmarks on a picture: place the reference, place the landmarks, take the measures over. */
export function PhotoPage() {
  const card = useThisDog();
  const { photoId = '' } = useParams();
  const photo = usePhoto(card.dog.id, photoId);
  if (!photo.data) return <Waiting query={photo} />;
  return <Marking key={photoId} dogId={card.dog.id} photo={photo.data} />;
}

function Marking({ dogId, photo }: { dogId: string; photo: Photo }) {
  const { marks, change, tryChange, undo, canUndo, state, theirs, keepMine, takeTheirs, sent } = useMarks(dogId, photo);
  const targets = targetsOf(marks, photo.wanted);
  // After the last mark nothing is in hand: a stray click then moves nothing.
  const firstFree = targets.find((t) => !placeOf(marks, t)) ?? null;
  const [chosen, setChosen] = useState(firstFree);
  const target = chosen && (targets.find((t) => same(t, chosen)) ?? firstFree);
  const next = (after = target) => {
    if (!after) return;
    const at = targets.findIndex((t) => same(t, after));
    setChosen(
      [...targets.slice(at + 1), ...targets.slice(0, at)].find((t) => !placeOf(marks, t) && !same(t, after)) ?? null,
    );
  };
  // The corners are placed one after the other, so a later one cannot come before an earlier one.
  const choose = (t: Target) => setChosen('corner' in t ? { corner: Math.min(t.corner, marks.corners.length) } : t);

  return (
    <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1.7fr) minmax(20rem, 1fr)' }} gap="6" alignItems="start">
      <Box>
        <PhotoCanvas
          photo={photo}
          src={`/api/dogs/${dogId}/photos/${photo.id}/picture`}
          marks={marks}
          target={target}
          onTake={setChosen}
          onPlace={(at, moved) => change(placed(marks, moved, at))}
          onNext={next}
          onUndo={undo}
        />
        <Flex mt="2" gap="3" align="center" wrap="wrap">
          <Text>
            {target ? (
              <Trans>
                In hand: <b>{nameOf(target, marks.kind)}</b>
              </Trans>
            ) : (
              t`Nothing in hand. Drag a mark to move it, or pick one from the list.`
            )}
          </Text>
          <Button
            size="xs"
            variant="outline"
            borderColor="border.strong"
            onClick={undo}
            disabled={!canUndo}
          >{t`Undo`}</Button>
          <Text id="photo-keys" fontSize="sm" color="fg.muted">
            <Trans>
              Click or drag; or <Key>← ↑ → ↓</Key> move it, with <Key>shift</Key> further, with <Key>alt</Key> finer,{' '}
              <Key>Enter</Key> next.
            </Trans>
          </Text>
          <Text role="status" fontSize="sm" color="fg.muted" ms="auto">
            {state}
          </Text>
        </Flex>
        {theirs && (
          <Conflict
            says={t`Someone else marked this picture in the meantime. Your marks are kept on this device.`}
            differences={differences(markLabels, marks, photoDocument.read(theirs))}
            keepMine={keepMine}
            takeTheirs={takeTheirs}
          />
        )}
      </Box>
      <Box>
        <Link asChild fontSize="sm" textDecoration="underline" color="fg">
          <RouterLink to={`/dogs/${dogId}/measure/photos`}>{t`All pictures`}</RouterLink>
        </Link>
        {marks.view === 'side' && (
          <Flex gap="2" align="center" mt="2">
            <Text>{t`Seen is`}</Text>
            <Choice
              label={t`Side of the dog`}
              size="sm"
              width="9rem"
              value={marks.side}
              options={entries(sideWords)}
              onChange={(side) => change({ ...marks, side })}
            />
          </Flex>
        )}
        <ReferenceBox
          marks={marks}
          target={target}
          onChange={change}
          onRuler={(rulerMm) => tryChange({ ...marks, rulerMm })}
          onChoose={choose}
        />
        <Heading as="h2" size="lg" mt="4">{t`Landmarks`}</Heading>
        <Flex wrap="wrap" gap="1" mt="1">
          {photo.wanted.map((landmark) => (
            <PointButton
              key={landmark}
              label={landmarkWords[landmark]}
              done={marks.landmarks[landmark] !== undefined}
              chosen={target !== null && same(target, { landmark })}
              onClick={() => choose({ landmark })}
            />
          ))}
        </Flex>
        <Outcome dogId={dogId} photo={photo} sent={sent} />
      </Box>
    </Grid>
  );
}

function ReferenceBox({
  marks,
  target,
  onChange,
  onRuler,
  onChoose,
}: {
  marks: Marks;
  target: Target | null;
  onChange: (marks: Marks) => void;
  onRuler: (mm: number | null) => Promise<void>;
  onChoose: (target: Target) => void;
}) {
  return (
    <>
      <Heading as="h2" size="lg" mt="2">{t`Reference`}</Heading>
      <Box my="1">
        <Choice
          label={t`What the reference is`}
          size="sm"
          width="12rem"
          value={marks.kind}
          options={entries(referenceWords)}
          onChange={(kind) => onChange({ ...marks, kind, corners: marks.corners.slice(0, cornersOf(kind)) })}
        />
      </Box>
      {marks.kind === 'ruler' ? (
        <Amount label={t`Distance of the two marks, mm`} value={marks.rulerMm?.toString() ?? ''} onKeep={onRuler} />
      ) : (
        <Text fontSize="sm" color="fg.muted">{t`From corner 1 to corner 2 runs a long side, then on around.`}</Text>
      )}
      <Flex wrap="wrap" gap="1" mt="1">
        {Array.from({ length: cornersOf(marks.kind) }, (_, corner) => (
          <PointButton
            key={corner}
            label={marks.kind === 'ruler' ? t`Mark ${corner + 1}` : t`Corner ${corner + 1}`}
            done={marks.corners.length > corner}
            chosen={target !== null && same(target, { corner })}
            onClick={() => onChoose({ corner })}
          />
        ))}
      </Flex>
    </>
  );
}

function PointButton({
  label,
  done,
  chosen,
  onClick,
}: {
  label: string;
  done: boolean;
  chosen: boolean;
  onClick: () => void;
}) {
  return (
    <Button
      size="xs"
      variant={chosen ? 'solid' : 'outline'}
      borderColor="border.strong"
      aria-pressed={chosen}
      onClick={onClick}
    >
      <span aria-hidden="true">{done ? '✓' : '○'}</span> {label}
      <Box as="span" srOnly>
        {done ? t`, placed` : t`, not placed`}
      </Box>
    </Button>
  );
}

/** The measures with their doubt, or why the picture cannot be measured and how to take it again. */
function Outcome({ dogId, photo, sent }: { dogId: string; photo: Photo; sent: () => Promise<void> }) {
  const { unit } = useUnit();
  const go = useNavigate();
  const take = useTakeBench(dogId, unit);
  const { bench } = useBench(dogId, unit);
  const sayShape = useSayHeadShape(useThisDog().dog);
  const [by] = useKept('jaunty-badge.taken-by', '');
  if (photo.refusal) {
    return (
      <Box role="alert" borderInlineStartWidth="4px" borderColor="stop" ps="3" mt="4">
        <Text color="stop" fontWeight="700">
          △ {photo.refusal.message}
        </Text>
        <Text>{photo.refusal.retake}</Text>
      </Box>
    );
  }
  if (photo.measures.length === 0)
    return (
      <Box mt="4">
        {photo.advice.length === 0 && (
          <Text>{t`Place the reference and two landmarks: the measures appear here.`}</Text>
        )}
        <Advice advice={photo.advice} />
      </Box>
    );
  const takeOver = () =>
    sent()
      .then(() =>
        take(
          // Once, also where the answer is lost: measures taken over twice would pass for repeats.
          sendChange<Bench>({
            ...request(
              'post',
              '/api/dogs/{id}/photos/{photoId}/take',
              { id: dogId, photoId: photo.id },
              { takenBy: by },
            ),
            what: t`measures of a picture`,
            dogId,
          }),
        ),
      )
      .then(() => {
        notify(t`The measures are readings now, each with its doubt.`);
        return go(`/dogs/${dogId}/measure`);
      })
      .catch((error: unknown) => complain(words(error)));
  return (
    <Box as="section" aria-label={t`Measures from the picture`} mt="4">
      <Heading as="h2" size="lg">{t`Measures`}</Heading>
      <ul>
        {photo.measures.map((m) => (
          <Flex
            as="li"
            key={m.measure + (m.side ?? '')}
            borderBottomWidth="1px"
            borderColor="border"
            py="1"
            align="baseline"
            gap="2"
            title={m.how}
          >
            <Text flex="1">
              {bench.data?.guides.find((g) => g.measure === m.measure)?.name ?? m.measure}
              {m.side ? `, ${sideWord[m.side]}` : ''}
            </Text>
            {m.waitsForShape ? (
              <Text color="fg.muted">{t`waits for the head's shape`}</Text>
            ) : (
              <>
                <Text fontSize="xl" fontWeight="700">
                  {lengthText(m.mm, unit)}
                </Text>
                <Text fontSize="xs" color="fg.muted" minW="4rem" textAlign="end">
                  ± {doubtText(m.expandedUncertaintyMm, unit)}
                </Text>
              </>
            )}
          </Flex>
        ))}
      </ul>
      <Text fontSize="sm" color="fg.muted" mt="1">
        <Trans>
          {photo.slantDeg != null && t`Reference turned by ${photo.slantDeg.toFixed(0)}°. `}A picture is less sure than
          a tape: nineteen times in twenty the length lies within what stands behind ±.
        </Trans>
      </Text>
      <Advice advice={photo.advice} />
      {photo.measures.some((m) => m.waitsForShape) && (
        <Flex role="group" aria-label={t`Head shape`} gap="2" mt="1" wrap="wrap">
          {entries(shapeWords).map(([shape, word]) => (
            <Button
              key={shape}
              size="sm"
              variant="outline"
              borderColor="border.strong"
              onClick={() => void sayShape(shape).catch((error: unknown) => complain(words(error)))}
            >
              {word}
            </Button>
          ))}
        </Flex>
      )}
      <Button mt="2" colorPalette="marigold" onClick={() => void takeOver()}>{t`Take them to the bench`}</Button>
    </Box>
  );
}

/** What would make more of the picture. */
function Advice({ advice }: { advice: string[] }) {
  return advice.map((a) => (
    <Text key={a} role="note">
      ○ {a}
    </Text>
  ));
}
