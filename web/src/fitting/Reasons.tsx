import { Box, Button, Flex, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useDeferredValue } from 'react';
import type { Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { lengthText, useUnit } from '../shared/units';
import { verdictWords } from '../shared/words';
import { chanceText } from './chance';
import { Criteria } from './Criteria';
import { factsOf, nameOf } from './facts';

type Fit = Schemas['FitDto'];

/** How two are compared: the other one drawn over the first, or beside it. */
export type Laid = 'over' | 'beside';

/** What stands below the drawing: how another compares, what would save it, every criterion. */
export function Reasons({
  card,
  fit,
  fits,
  compared,
  other,
  onOther,
  laid,
  onLaid,
  onPick,
}: {
  card: Schemas['DogCardDto'];
  fit: Fit;
  fits: Schemas['FitsDto'];
  /** The one it is compared with, once it is there. */
  compared: Fit | undefined;
  /** The one it is to be compared with; empty for none. */
  other: string;
  onOther: (sizeId: string) => void;
  laid: Laid;
  onLaid: (laid: Laid) => void;
  onPick: (sizeId: string) => void;
}) {
  const { unit } = useUnit();
  const reasons = useDeferredValue(fit);
  return (
    <>
      {compared && (
        <Text fontSize="sm">
          <Trans>
            {laid === 'over' && t`Dashed: ${nameOf(compared)}. `}
            Nose {difference(fit.noseRoomMm, compared.noseRoomMm, unit)}, eye{' '}
            {difference(fit.eyeRoomMm, compared.eyeRoomMm, unit)}, mouth{' '}
            {fit.gapeDeg !== null && compared.gapeDeg !== null
              ? t`${Math.round(fit.gapeDeg)}° against ${Math.round(compared.gapeDeg)}°`
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
            .filter((f) => f.sizeId !== fit.sizeId)
            .slice(0, 40)
            .map((f) => [f.sizeId, `${f.model} ${f.sizeLabel}`])}
          onChange={onOther}
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
            onChange={onLaid}
          />
        )}
        <Link
          href={`/api/dogs/${card.dog.id}/fits/${fit.sizeId}/drawing.svg?unit=${unit}${other ? `&with=${other}` : ''}`}
          download={`${card.dog.name}-${fit.sizeId}.svg`}
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
    </>
  );
}

const difference = (a: number | null, b: number | null, unit: 'mm' | 'cm' | 'in') =>
  a === null || b === null ? t`not known` : t`${lengthText(a, unit)} against ${lengthText(b, unit)}`;
