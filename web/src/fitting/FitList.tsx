import { Box, chakra, Flex, Heading, Text } from '@chakra-ui/react';
import type { Schemas } from '../shared/api';
import { VerdictMark } from '../shared/Mark';
import { lengthText, useUnit } from '../shared/units';
import { criterionWords, verdictWords } from '../shared/words';

type Fit = Schemas['FitDto'];

const Row = chakra('button', {
  base: {
    display: 'block',
    width: '100%',
    textAlign: 'start',
    py: '2',
    px: '3',
    borderBottomWidth: '1px',
    borderColor: 'border',
    borderLeftWidth: '4px',
    borderLeftColor: 'transparent',
    cursor: 'pointer',
    _hover: { bg: 'bg.subtle' },
    '&[aria-pressed=true]': { borderLeftColor: 'accent', bg: 'bg.subtle' },
  },
});

/** The ranked catalogue: what fits, what just fits, and what is out with the reason, nearest miss first. */
export function FitList({
  fits,
  inHand,
  chosen,
  onPick,
}: {
  fits: Fit[];
  inHand: string;
  chosen: string | null;
  onPick: (sizeId: string) => void;
}) {
  const { unit } = useUnit();
  const groups = (['fits', 'marginal', 'out'] as const).map((verdict) => ({
    verdict,
    fits: fits.filter((f) => f.verdict === verdict),
  }));
  const row = (f: Fit) => (
    <li key={f.sizeId}>
      <Row type="button" aria-pressed={f.sizeId === inHand} onClick={() => onPick(f.sizeId)}>
        <Flex align="center" gap="2">
          <VerdictMark verdict={f.verdict} size={13} />
          <b>
            {f.model} {f.sizeLabel}
          </b>
          {f.sizeId === chosen && <span>· chosen</span>}
          <Text as="span" ms="auto" fontWeight="700" color={f.verdict === 'out' ? 'stop' : 'fg'} whiteSpace="nowrap">
            {f.deciding.marginMm === null
              ? criterionWords[f.deciding.name]
              : `${criterionWords[f.deciding.name]} ${f.deciding.marginMm >= 0 ? '+' : ''}${lengthText(f.deciding.marginMm, unit)}`}
          </Text>
        </Flex>
        <Text fontSize="sm" color="fg.muted" lineHeight="1.3">
          {f.verdict === 'out'
            ? f.deciding.reason
            : f.gapeDeg === null
              ? f.note
              : `opens ${Math.round(f.gapeDeg)}°, ${f.massG} g`}
        </Text>
      </Row>
    </li>
  );
  return (
    <Box as="section" aria-label="Muzzles, ranked">
      {groups.slice(0, 2).map((g) => (
        <Box key={g.verdict} mb="4">
          <Heading as="h3" size="md" borderBottomWidth="2px" borderColor="fg" pb="1">
            {verdictWords[g.verdict]} {g.fits.length}
          </Heading>
          {g.fits.length === 0 ? (
            <Text fontSize="sm" py="2">
              {g.verdict === 'fits' ? 'None of the catalogue fits without a doubt.' : 'None.'}
            </Text>
          ) : (
            <ul>{g.fits.map(row)}</ul>
          )}
        </Box>
      ))}
      <details open={groups[0]?.fits.length === 0 && groups[1]?.fits.length === 0}>
        <chakra.summary fontFamily="heading" fontWeight="700" cursor="pointer" py="1">
          Out {groups[2]?.fits.length}: why, nearest miss first
        </chakra.summary>
        <ul>{groups[2]?.fits.map(row)}</ul>
      </details>
    </Box>
  );
}
