import { Box, Flex, Heading, Table, Text } from '@chakra-ui/react';
import { tableSlotRecipe } from '@chakra-ui/react/theme';
import { plural, t } from '@lingui/core/macro';
import type { Schemas } from '../shared/api';
import { useThisDog } from '../shared/dog';
import { Waiting } from '../shared/Waiting';
import { Why } from '../shared/Why';
import { HabitsForm } from './Habits';
import { useHabits, useTreats } from './useWearing';
import { WearRooms } from './WearRooms';

/** What it may have in treats today, what was used, and what must never be given. */
export function TreatsPage() {
  const { dog } = useThisDog();
  const treats = useTreats(dog.id);
  const habits = useHabits(dog.id);
  return (
    <Box>
      <WearRooms dogId={dog.id} />
      {!treats.data || !habits.data ? (
        <Waiting query={treats} />
      ) : (
        <>
          <Flex gap={{ base: 6, lg: 12 }} direction={{ base: 'column', lg: 'row' }} align="start">
            <Left treats={treats.data} />
            <Day treats={treats.data} />
          </Flex>
          <Heading as="h2" size="lg" mt="8" mb="2">{t`This dog`}</Heading>
          <HabitsForm treats={treats.data} stored={habits.data} />
          <Flex gap={{ base: 6, lg: 12 }} mt="8" direction={{ base: 'column', lg: 'row' }} align="start">
            <ListOf treats={treats.data} />
            <Never never={treats.data.never} />
          </Flex>
        </>
      )}
    </Box>
  );
}

function Left({ treats }: { treats: Schemas['TreatsDto'] }) {
  return (
    <Box flex="1">
      {treats.concern && (
        <Text borderInlineStartWidth="4px" borderColor="stop" ps="3" mb="3" fontSize="lg">
          {treats.concern}
        </Text>
      )}
      {treats.piecesLeft === null ? (
        !treats.concern && <Text fontSize="lg">{t`What it weighs is not known: say so on its page.`}</Text>
      ) : (
        <>
          <Flex align="baseline" gap="2" color={treats.piecesLeft === 0 ? 'stop' : 'fg'}>
            <Text fontFamily="heading" fontWeight="800" fontSize="6rem" lineHeight="0.95">
              {treats.piecesLeft}
            </Text>
            <Text fontFamily="heading" fontWeight="700" fontSize="2xl">
              {plural(treats.piecesLeft ?? 0, { one: 'piece left today', other: 'pieces left today' })}
            </Text>
          </Flex>
          <Text fontSize="lg">
            {treats.treat ?? t`Pieces of its own food`}, {(treats.piecesLeft * treats.gramsPerPiece).toFixed(0)} g
          </Text>
          {treats.weightSays && <Text>{treats.weightSays}</Text>}
          {treats.piecesLeft === 0 && <Text>{t`Take the rest from its meals, or feed something lighter.`}</Text>}
        </>
      )}
    </Box>
  );
}

function Day({ treats }: { treats: Schemas['TreatsDto'] }) {
  if (treats.dailyKcal === null || treats.restingKcal === null || treats.treatKcal === null) return null;
  const kcal = (n: number) => `${Math.round(n)} kcal`;
  return (
    <Box flex="1" w="full">
      <Table.Root recipe={tableSlotRecipe} size="sm">
        <Table.Body>
          <Line what={t`At rest, 70 · kg^0.75 a day`} kcal={kcal(treats.restingKcal)} />
          <Line
            what={t`A day, by ${treats.by ?? ''}`}
            kcal={kcal(treats.dailyKcal)}
            {...(treats.basis ? { basis: treats.basis } : {})}
          />
          <Line what={t`A tenth of it may be treats`} kcal={kcal(treats.treatKcal)} strong />
          {treats.used.map((u) => (
            <Line key={u.what} what={`${u.what}: ${u.pieces}`} kcal={`− ${kcal(u.kcal)}`} />
          ))}
          {treats.used.length === 0 && <Line what={t`Nothing fed at sessions and wears today`} kcal="" />}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}

function Line({
  what,
  kcal,
  basis,
  strong,
}: {
  what: string;
  kcal: string;
  basis?: Schemas['Basis'];
  strong?: boolean;
}) {
  return (
    <Table.Row fontWeight={strong ? 700 : 400}>
      <Table.Cell>
        {what} {basis && <Why basis={basis} about={what} />}
      </Table.Cell>
      <Table.Cell textAlign="end" whiteSpace="nowrap">
        {kcal}
      </Table.Cell>
    </Table.Row>
  );
}

function ListOf({ treats }: { treats: Schemas['TreatsDto'] }) {
  return (
    <Box as="section" flex="1" w="full" aria-label={t`Treats`}>
      <Heading as="h2" size="lg">{t`What goes through the front`}</Heading>
      <ul>
        {treats.treats.map((t) => (
          <Flex
            as="li"
            key={t.id}
            gap="3"
            py="1.5"
            borderBottomWidth="1px"
            borderColor="border"
            align="center"
            color={t.not ? 'fg.muted' : 'fg'}
          >
            <Box flex="1">
              <Text fontWeight="700">
                {t.not && '✕ '}
                {t.name}
              </Text>
              <Text fontSize="sm">{t.not ?? t.how}</Text>
            </Box>
            <Text whiteSpace="nowrap">{t.kcalPerPiece.toFixed(1)} kcal</Text>
            <Why basis={t.basis} about={t.name} />
          </Flex>
        ))}
      </ul>
    </Box>
  );
}

function Never({ never }: { never: Schemas['NeverFeed'][] }) {
  return (
    <Box as="section" flex="1" w="full" aria-label={t`Never feed`}>
      <Heading as="h2" size="lg" color="stop">{t`⬣ Never`}</Heading>
      <Text fontSize="sm">{t`Poison, or worse. When it has eaten any of it: the veterinarian at once. What is doubtful is not given.`}</Text>
      <ul>
        {never.map((n) => (
          <Box as="li" key={n.name} py="1.5" borderBottomWidth="1px" borderColor="border">
            <b>{n.name}</b>. {n.where}
          </Box>
        ))}
      </ul>
    </Box>
  );
}
