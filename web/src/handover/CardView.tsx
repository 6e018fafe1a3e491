import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';

/** Read at a door: these come first, and large. */
const door: Schemas['CardItem'][] = ['wornToday', 'signs', 'present', 'muzzle', 'bites'];

/** A card as it is read: how long at most, when to take it off, how it goes on; then the rest. */
export function CardView({ card, level }: { card: Schemas['CardDto']; level: 'h1' | 'h2' }) {
  const below = level === 'h1' ? 'h2' : 'h3';
  const first = card.parts.filter((p) => door.includes(p.item));
  const rest = card.parts.filter((p) => !door.includes(p.item));
  return (
    <Box as="section" aria-label={t`Card: ${card.title}`}>
      <Heading as={level} fontSize={{ base: '3xl', md: '4xl' }} lineHeight="1.05" color={card.stop ? 'stop' : 'fg'}>
        {card.stop && <span aria-hidden="true">⬣ </span>}
        {card.headline}
      </Heading>
      <Flex direction="column" gap="3" mt="3">
        {first.map((part) => (
          <Part key={part.item} part={part} as={below} large />
        ))}
      </Flex>
      <Box
        mt="5"
        css={{
          columns: { base: '1', lg: '2' },
          columnGap: '3rem',
          '& > *': { breakInside: 'avoid', marginBottom: '1rem' },
        }}
      >
        {rest.map((part) => (
          <Part key={part.item} part={part} as={below} />
        ))}
      </Box>
      <Text fontWeight="700" mt="3">
        {card.holds}
      </Text>
    </Box>
  );
}

function Part({ part, as, large = false }: { part: Schemas['CardPart']; as: 'h2' | 'h3'; large?: boolean }) {
  const warns = part.item === 'signs' || part.item === 'notTrained';
  return (
    <Box borderTopWidth="1px" borderColor={warns ? 'stop' : 'border'} pt="1">
      <Text as={as} fontFamily="heading" fontWeight="700" color={warns ? 'stop' : 'fg.muted'}>
        {part.heading}
      </Text>
      {part.lines.map((line) => (
        <Text key={line} fontSize={large ? 'lg' : 'md'}>
          {part.item === 'call' ? <Ring line={line} /> : line}
        </Text>
      ))}
    </Box>
  );
}

/** A number that is rung with one tap. */
function Ring({ line }: { line: string }) {
  const number = /\+?[0-9][0-9 ()/.-]{2,38}$/.exec(line)?.[0];
  if (!number) return line;
  return (
    <>
      {line.slice(0, -number.length)}
      <a href={`tel:${number.replace(/[^+0-9]/g, '')}`} style={{ textDecoration: 'underline', fontWeight: 700 }}>
        {number}
      </a>
    </>
  );
}
