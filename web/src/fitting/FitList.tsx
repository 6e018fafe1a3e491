import { Box, chakra, Checkbox, Flex, Heading, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { priceText } from '../shared/writing';
import { dateText, readDay } from '../shared/dates';
import { DayField } from '../shared/DayField';
import { readNumber } from '../shared/numbers';
import { memo, useState, type ReactNode } from 'react';
import { Small } from '../shared/Amount';
import type { Schemas } from '../shared/api';
import { VerdictMark } from '../shared/Mark';
import { lengthText, useUnit } from '../shared/units';
import { groupWords, materialWords } from '../shared/words';
import type { Filters } from './useFits';

type Fit = Schemas['FitRowDto'];

const Row = chakra('button', {
  base: {
    display: 'block',
    width: '100%',
    textAlign: 'start',
    py: '2',
    px: '3',
    borderBottomWidth: '1px',
    borderColor: 'border',
    borderInlineStartWidth: '4px',
    borderLeftColor: 'transparent',
    cursor: 'pointer',
    _hover: { bg: 'bg.subtle' },
    '&[aria-pressed=true]': { borderLeftColor: 'accent', bg: 'bg.subtle' },
  },
});

const markWords = { fits: t`holds in all`, marginal: t`just, or with a warning`, out: t`out` };

/** The ranked catalogue: what fits by how surely, what nearly does with what would save it, and why the rest is out. */
export function FitList({
  fits,
  inHand,
  chosen,
  filters,
  onFilter,
  onOut,
  onPick,
  onNear,
}: {
  fits: Schemas['FitsDto'];
  inHand: string;
  chosen: string | null;
  filters: Filters;
  onFilter: (filters: Filters) => void;
  /** Called when those that are out are looked at: all of them are wanted then. */
  onOut: () => void;
  onPick: (sizeId: string) => void;
  /** Called when a muzzle may be picked next, so that it can be fetched ahead. */
  onNear: (sizeId: string) => void;
}) {
  const of = (group: Schemas['FitGroup']) => fits.fits.filter((f) => f.group === group);
  const row = (f: Fit) => (
    <FitRow
      key={f.sizeId}
      fit={f}
      pressed={f.sizeId === inHand}
      chosen={f.sizeId === chosen}
      onPick={onPick}
      onNear={onNear}
    />
  );
  const nothing = of('fits').length === 0;
  return (
    <Box as="section" aria-label={t`Muzzles, ranked`}>
      <FilterBar filters={filters} left={fits.filteredOut} onFilter={onFilter} />
      {groups
        .filter((g) => g === 'fits' || g === 'near' || of(g).length > 0)
        .map((group) => (
          <Box key={group} mb="4">
            <Heading as="h2" size="md" borderBottomWidth="2px" borderColor="fg" pb="1">
              {groupWords[group]} {of(group).length}
            </Heading>
            {of(group).length > 0 && saidOf[group] && (
              <Text fontSize="xs" color="fg.muted">
                {saidOf[group]}
              </Text>
            )}
            {of(group).length === 0 ? (
              <Text fontSize="sm" py="2">
                {group === 'near'
                  ? t`None.`
                  : fits.filteredOut > 0
                    ? t`None of what the filters leave.`
                    : t`Nothing fits as it is: order one made to measure.`}
              </Text>
            ) : group === 'near' && !nothing ? (
              <Folded says={t`What would save them`}>{() => <ul>{of(group).map(row)}</ul>}</Folded>
            ) : (
              <ul>{of(group).map(row)}</ul>
            )}
          </Box>
        ))}
      <Flex gap="3" wrap="wrap" fontSize="xs" color="fg.muted" mb="2" aria-label={t`What the marks mean`} role="note">
        {(['fits', 'marginal', 'out'] as const).map((verdict) => (
          <Flex key={verdict} gap="1" align="center">
            <VerdictMark verdict={verdict} size={11} /> {markWords[verdict]}
          </Flex>
        ))}
      </Flex>
      {fits.fits.some((f) => f.invented) && (
        <Text fontSize="xs" color="fg.muted" mb="2">{t`Models and makers that came along are invented.`}</Text>
      )}
      {fits.training.length > 0 && (
        <Box mb="4">
          <Heading as="h2" size="md" borderBottomWidth="2px" borderColor="fg" pb="1">{t`To train in first`}</Heading>
          <ul>
            {fits.training.map((row) => (
              <li key={row.sizeId}>
                <Row type="button" aria-pressed={row.sizeId === inHand} onClick={() => onPick(row.sizeId)}>
                  <b>
                    {row.model} {row.sizeLabel}
                  </b>{' '}
                  <Text as="span" color="fg.muted">
                    {materialWords[row.material].toLowerCase()}
                    {row.price === null ? '' : `, ${priceText(row.price)}`}
                    {row.inVan > 0 ? t`, ${row.inVan} in the van` : ''}
                  </Text>
                  <Text fontSize="sm" color="fg.muted" lineHeight="1.3">
                    {row.says}
                  </Text>
                </Row>
              </li>
            ))}
          </ul>
        </Box>
      )}
      <Folded says={t`Out ${fits.out}: why, nearest miss first`} onOpen={onOut}>
        {() => <ul>{of('out').map(row)}</ul>}
      </Folded>
    </Box>
  );
}

const groups = ['fits', 'watched', 'unsure', 'near'] as const;

const saidOf: Partial<Record<Schemas['FitGroup'], string>> = {
  fits: t`the surest first; of those about as sure, what matters to you decides`,
  watched: t`right in size; they hold the mouth shut, so after any basket`,
  unsure: t`fit as read, but with less than an even chance: measure again`,
};

/** A list that is only made once it is opened. */
function Folded({ says, onOpen, children }: { says: string; onOpen?: () => void; children: () => ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <details
      onToggle={(e) => {
        setOpen(e.currentTarget.open);
        if (e.currentTarget.open) onOpen?.();
      }}
    >
      <chakra.summary fontFamily="heading" fontWeight="700" cursor="pointer" py="1">
        {says}
      </chakra.summary>
      {open && children()}
    </details>
  );
}

const FitRow = memo(function FitRow({
  fit,
  pressed,
  chosen,
  onPick,
  onNear,
}: {
  fit: Fit;
  pressed: boolean;
  chosen: boolean;
  onPick: (sizeId: string) => void;
  onNear: (sizeId: string) => void;
}) {
  const near = () => onNear(fit.sizeId);
  return (
    <li>
      <Row
        type="button"
        data-prints=""
        aria-pressed={pressed}
        onClick={() => onPick(fit.sizeId)}
        onFocus={near}
        onPointerEnter={near}
      >
        <RowText fit={fit} chosen={chosen} />
      </Row>
    </li>
  );
});

function RowText({ fit, chosen }: { fit: Fit; chosen: boolean }) {
  const { unit } = useUnit();
  const misses = fit.deciding.marginMm;
  const facts = [
    chosen ? t`chosen` : null,
    fit.gapeDeg === null ? null : t`opens ${Math.round(fit.gapeDeg)}°`,
    fit.massG ? `${fit.massG} g` : null,
    fit.price === null ? null : priceText(fit.price),
    fit.inVan > 0 ? t`${fit.inVan} in the van` : fit.leadDays === null ? null : t`${fit.leadDays} days`,
  ];
  return (
    <>
      <Flex align="baseline" columnGap="2" wrap="wrap">
        <Box alignSelf="center">
          <VerdictMark verdict={fit.verdict} size={13} />
        </Box>
        <b>
          {fit.model} {fit.sizeLabel}
        </b>
        <Text
          as="span"
          ms="auto"
          fontWeight="700"
          fontSize={fit.group === 'out' ? 'md' : 'lg'}
          color={fit.verdict === 'out' ? 'stop' : 'fg'}
          whiteSpace={fit.headline.instead ? 'normal' : 'nowrap'}
          textAlign="end"
        >
          {fit.verdict !== 'out' ? (
            <>
              {fit.headline.chance && <Trans>{fit.headline.chance} fits</Trans>}
              {fit.headline.instead && (
                <Text as="span" fontSize="sm" color="stop">
                  ⬣ {fit.headline.instead}
                </Text>
              )}
            </>
          ) : misses === null ? (
            fit.deciding.word
          ) : (
            `${fit.deciding.word} ${lengthText(misses, unit)}`
          )}
        </Text>
      </Flex>
      {fit.verdict !== 'out' && fit.headline.unchecked && (
        <Text fontSize="sm" lineHeight="1.3">
          {fit.headline.unchecked}
        </Text>
      )}
      <Text fontSize="sm" color="fg.muted" lineHeight="1.3">
        {fit.group === 'out'
          ? fit.deciding.reason
          : fit.group === 'near'
            ? [fit.remedies[0]?.says, fit.inVan > 0 ? t`${fit.inVan} in the van` : ''].filter(Boolean).join(' ')
            : facts.filter(Boolean).join(', ')}
      </Text>
    </>
  );
}

function FilterBar({ filters, left, onFilter }: { filters: Filters; left: number; onFilter: (f: Filters) => void }) {
  return (
    <Box mb="3">
      <Flex gap="3" wrap="wrap" align="end">
        <Checkbox.Root
          checked={filters.inVan}
          onCheckedChange={(e) => onFilter({ ...filters, inVan: e.checked === true })}
          pb="1.5"
        >
          <Checkbox.HiddenInput />
          <Checkbox.Control borderColor="border.strong" />
          <Checkbox.Label>{t`In the van`}</Checkbox.Label>
        </Checkbox.Root>
        <MostPrice price={filters.mostPrice} onPrice={(mostPrice) => onFilter({ ...filters, mostPrice })} />
        <HereBy day={filters.by} onDay={(by) => onFilter({ ...filters, by })} />
      </Flex>
      {left > 0 && <Text fontSize="sm" color="fg.muted" role="status">{t`${left} sizes are left out by this.`}</Text>}
    </Box>
  );
}

/** What is typed stays as typed, and narrows the list as soon as it is a day. */
function HereBy({ day, onDay }: { day: string | null; onDay: (day: string | null) => void }) {
  const [text, setText] = useState(day ? dateText(day, 'short') : '');
  return (
    <Small label={t`Here by`} error={readDay(text) === null ? t`A day is written as 26 Nov 2026 or 26.11.2026.` : null}>
      <DayField
        size="xs"
        w="7rem"
        value={text}
        onText={(typed) => {
          setText(typed);
          const read = readDay(typed);
          if (read !== null) onDay(read || null);
        }}
      />
    </Small>
  );
}

/** What is typed stays as typed, and narrows the list as soon as it is a price. */
function MostPrice({ price, onPrice }: { price: number | null; onPrice: (price: number | null) => void }) {
  const [text, setText] = useState(price?.toString() ?? '');
  const value = readNumber(text);
  const wrong = value !== null && !(value >= 0);
  return (
    <Small label={t`Price up to`} error={wrong ? t`A price is a number, such as 25.` : null}>
      <Input
        size="xs"
        w="4.2rem"
        inputMode="decimal"
        value={text}
        borderColor="border.strong"
        onChange={(e) => {
          setText(e.target.value);
          const typed = readNumber(e.target.value);
          if (typed === null || typed >= 0) onPrice(typed);
        }}
      />
    </Small>
  );
}
