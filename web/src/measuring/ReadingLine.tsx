import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import type { ReactNode } from 'react';
import type { Schemas } from '../shared/api';
import { changeText, doubtText, lengthText, useUnit } from '../shared/units';
import { ReadingChip } from './ReadingChip';
import { useActive } from './drafts';
import { ReadingField, type Field } from './ReadingField';
import { nameOf } from './lines';
import { takeBack } from '../shared/saving/changes';
import { useReachable } from '../shared/saving/server';
import type { Reading } from './useBench';

interface Props extends Field {
  readings: Reading[];
  /** Read, and not sent yet. */
  unsent: { id: string; body: Schemas['ReadingEntry']; refused: string | null }[];
  measured: Schemas['MeasuredDto'] | undefined;
  /** What it was in the set before. */
  change: Schemas['ChangeDto'] | undefined;
  /** A cross-check asks for this one to be taken again. */
  doubtful: boolean;
  /** Where the tape runs, shown while this line is in hand. */
  picture: ReactNode;
  onRemove: (reading: Reading) => void;
  onJudge: (reading: Reading, judgement: Schemas['ReadingJudgement']) => Promise<void>;
}

/** One measure: its mean, the readings it comes from, and the field for the next one. */
export function ReadingLine({
  readings,
  unsent,
  measured,
  change,
  doubtful,
  picture,
  onRemove,
  onJudge,
  ...field
}: Props) {
  const { unit } = useUnit();
  const name = nameOf(field.line);
  const inHand = useActive(field.drafts)?.key === field.line.key;
  return (
    <Flex as="li" wrap="wrap" pt="2" pb="1" borderBottomWidth="1px" borderColor="border" align="start" gap="3">
      <Box flex="1 1 8rem" minW="0">
        <Text fontWeight="700" lineHeight="1.2" aria-hidden="true">
          {name}
        </Text>
        <Flex wrap="wrap" gap="1" minH="6" align="center" mt="0.5">
          {readings.map((reading) => (
            <ReadingChip
              key={reading.id}
              reading={reading}
              name={name}
              onRemove={() => onRemove(reading)}
              onJudge={(judgement) => onJudge(reading, judgement)}
            />
          ))}
          {unsent.map(({ id, body, refused }) => (
            <Unsent
              key={id}
              text={body.text ?? `${body.from} – ${body.to}`}
              refused={refused}
              onBack={() => {
                takeBack(id);
                field.drafts.type(field.line, body.text ?? '');
              }}
            />
          ))}
          {readings.length === 0 && unsent.length === 0 && (
            <Text fontSize="sm" color="fg.muted">
              {field.line.guide.optional ? t`optional` : t`not read yet`}
            </Text>
          )}
        </Flex>
      </Box>
      <Box textAlign="end" minW="6.5rem" ms="auto">
        <Text fontSize="2xl" fontWeight="700" lineHeight="1.1" whiteSpace="nowrap">
          {measured ? lengthText(measured.meanMm, unit) : '–'}
        </Text>
        {measured && (
          <Text
            fontSize="xs"
            color="fg.muted"
            title={t`Twice the standard uncertainty of the mean: nineteen times in twenty the length lies within it`}
          >
            {t`± ${doubtText(2 * measured.standardUncertaintyMm, unit)}, 19 times in 20`}
            {measured.count > 1 && t`, ${measured.count} within ${lengthText(measured.spreadMm, unit)}`}
          </Text>
        )}
        {change?.changeMm != null && (
          <Text
            fontSize="xs"
            fontWeight={change.isReal ? 700 : 400}
            color={change.isReal ? 'fg' : 'fg.muted'}
          >{t`${changeText(change.changeMm, unit)} since`}</Text>
        )}
        {doubtful && <Text color="stop" fontSize="xs" fontWeight="700">{t`△ check`}</Text>}
      </Box>
      <ReadingField {...field} />
      {inHand && (
        <Flex w="full" align="center" gap="3" mt="-2" pb="1">
          {picture}
          {field.line.guide.asks && (
            <Text fontWeight="700" borderInlineStartWidth="4px" borderColor="accent" ps="2">
              {field.line.guide.asks}
            </Text>
          )}
        </Flex>
      )}
    </Flex>
  );
}

/** A reading that the server does not have yet, or will not take. */
function Unsent({ text, refused, onBack }: { text: string; refused: string | null; onBack: () => void }) {
  const reachable = useReachable();
  // On its way it is there in a moment.
  if (reachable && refused === null) return null;
  return (
    <Flex as="span" gap="1" align="center" borderWidth="1px" borderStyle="dashed" px="2" rounded="full" fontSize="xs">
      {text} · {refused === null ? t`not sent yet` : t`not saved: ${refused}`}
      {refused !== null && <Button size="2xs" variant="ghost" onClick={onBack}>{t`Correct it`}</Button>}
    </Flex>
  );
}
