import { Box, Button, Flex, Heading, Input, Table, Text } from '@chakra-ui/react';
import { tableSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { usePageTitle } from '../shared/usePageTitle';
import { Waiting } from '../shared/Waiting';
import { WrittenSo } from './WrittenSo';
import { NumberForm } from './NumberForm';
import { kindWords, useNumbers, type HouseNumber } from './useNumbers';
import { keptDrafts } from '../shared/saving/drafts';

/** Every number of the job with what it stands on; those that are ours to choose are the practice's to change. */
export function NumbersPage() {
  usePageTitle(t`House numbers`);
  const numbers = useNumbers();
  const [search, setSearch] = useState('');
  const [ownOnly, setOwnOnly] = useState(false);
  // What was being typed when the page was left is open again.
  const [open, setOpen] = useState<string | null>(() => keptDrafts('number')[0] ?? null);
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const own = numbers.data?.filter((n) => n.isOwn).length ?? 0;
  const found = numbers.data?.filter(
    (n) =>
      (!ownOnly || n.isOwn) &&
      words.every((word) => `${n.what} ${n.room} ${n.value} ${n.basis.note}`.toLowerCase().includes(word)),
  );
  const rooms = [...new Set(found?.map((n) => n.room))];
  return (
    <Box maxW="64rem">
      <Heading as="h1" size="3xl">{t`House numbers`}</Heading>
      <Text mb="6">{t`Every number the checks, fits and decisions rest on, and where it comes from: a published source, common practice in the trade, our own choice, or memory. What is not published is yours to change, with a reason.`}</Text>
      <WrittenSo />
      <Flex gap="3" mb="6" align="center" wrap="wrap">
        <Input
          type="search"
          size="sm"
          maxW="20rem"
          borderColor="border.strong"
          aria-label={t`Find a number`}
          placeholder={t`Any words: chin, jowls, minutes`}
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
        <Button
          size="sm"
          variant={ownOnly ? 'solid' : 'outline'}
          aria-pressed={ownOnly}
          onClick={() => setOwnOnly(!ownOnly)}
        >{t`Changed here: ${own}`}</Button>
        <Text role="status" color="fg.muted" fontSize="sm">
          {found && (words.length > 0 || ownOnly) ? (found.length === 0 ? t`None.` : t`${found.length} shown`) : ''}
        </Text>
      </Flex>
      {!numbers.data && <Waiting query={numbers} />}
      {rooms.map((room) => (
        <Box as="section" key={room} mb="8" overflowX="auto" tabIndex={0} role="region" aria-label={room}>
          <Heading as="h2" size="xl" mb="1">
            {room}
          </Heading>
          <Table.Root
            recipe={tableSlotRecipe}
            size="sm"
            css={{
              '& td, & th': { background: 'transparent', borderColor: 'border', verticalAlign: 'top' },
              // On the narrowest screens each number is a paragraph of its own.
              '@media (max-width: 30rem)': {
                '& thead': { display: 'none' },
                '& td': { display: 'block', width: '100%', textAlign: 'start', paddingInline: 0 },
                '& td:not(:last-child)': { borderBottomWidth: 0, paddingBottom: 0 },
              },
            }}
          >
            <Table.Header>
              <Table.Row bg="transparent">
                <Table.ColumnHeader w="40%">{t`What it decides`}</Table.ColumnHeader>
                <Table.ColumnHeader w="13%" textAlign="end">{t`Value`}</Table.ColumnHeader>
                <Table.ColumnHeader>{t`Basis`}</Table.ColumnHeader>
                <Table.ColumnHeader>
                  <Box as="span" srOnly>{t`Change`}</Box>
                </Table.ColumnHeader>
              </Table.Row>
            </Table.Header>
            <Table.Body>
              {found
                ?.filter((n) => n.room === room)
                .map((n) =>
                  n.id === open ? (
                    <Table.Row key={n.id} bg="transparent">
                      <Table.Cell colSpan={4} px="0">
                        <NumberForm number={n} onLeave={() => setOpen(null)} />
                      </Table.Cell>
                    </Table.Row>
                  ) : (
                    <NumberRow key={n.id} number={n} onChange={() => setOpen(n.id)} />
                  ),
                )}
            </Table.Body>
          </Table.Root>
        </Box>
      ))}
    </Box>
  );
}

function NumberRow({ number, onChange }: { number: HouseNumber; onChange: () => void }) {
  return (
    <Table.Row bg="transparent">
      <Table.Cell>{number.what}</Table.Cell>
      <Table.Cell textAlign="end" whiteSpace="nowrap">
        <b>{number.value}</b>
        {number.isOwn && <Text fontSize="sm" color="fg.muted">{t`ours: ${number.ours}`}</Text>}
      </Table.Cell>
      <Table.Cell>
        {number.isOwn ? (
          <>
            <b>{t`This practice`}</b>: {number.changes[0]?.reason}
          </>
        ) : (
          <>
            <b>{kindWords[number.basis.kind]}</b>: {number.basis.note}
          </>
        )}
        {number.setElsewhere && <Text color="fg.muted">{number.setElsewhere}</Text>}
      </Table.Cell>
      <Table.Cell textAlign="end">
        {number.isEditable && (
          <Button
            size="2xs"
            variant="outline"
            borderColor="border.strong"
            aria-label={t`Change: ${number.what}`}
            onClick={onChange}
          >{t`Change`}</Button>
        )}
      </Table.Cell>
    </Table.Row>
  );
}
