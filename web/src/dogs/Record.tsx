import { Box, Button, Flex, Heading, Link, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { api, ask, type Schemas } from '../shared/api';
import { dateText } from '../shared/dates';
import { keys } from '../shared/keys';
import { Waiting } from '../shared/Waiting';
import { entries, recordWords } from '../shared/words';

const FEW = 14;
const PICTURES = 12;

/** Everything that happened with a dog, in whatever room, the newest first. */
export function Record({ dogId }: { dogId: string }) {
  const [kind, setKind] = useState<Schemas['RecordKind'] | null>(null);
  const [all, setAll] = useState(false);
  const record = useQuery({
    queryKey: keys.ofDog(dogId, 'record'),
    queryFn: ({ signal }) => ask(api.GET('/api/dogs/{id}/record', { signal, params: { path: { id: dogId } } })),
  });
  if (!record.data) return <Waiting query={record} />;
  if (record.data.length === 0) return null;
  const kinds = entries(recordWords).filter(([id]) => record.data.some((i) => i.kind === id));
  const shown = record.data.filter((i) => kind === null || i.kind === kind);
  const pictures = record.data.filter((i) => i.picture !== null).slice(0, PICTURES);
  return (
    <Box as="section" aria-label={t`Record`}>
      <Flex align="baseline" gap="3" wrap="wrap" borderBottomWidth="2px" borderColor="fg" pb="1">
        <Heading as="h2" size="lg">{t`Record`}</Heading>
        <Flex gap="1" wrap="wrap" role="group" aria-label={t`Show`}>
          <Filter on={kind === null} onClick={() => setKind(null)}>{t`All`}</Filter>
          {kinds.map(([id, text]) => (
            <Filter key={id} on={kind === id} onClick={() => setKind(kind === id ? null : id)}>
              {text}
            </Filter>
          ))}
        </Flex>
      </Flex>
      {pictures.length > 0 && (
        <Flex gap="2" py="3" overflowX="auto" aria-label={t`Pictures`} role="group">
          {pictures.map((p) => (
            <RouterLink key={p.picture} to={`/dogs/${dogId}/${p.room}`}>
              <img
                src={p.picture ?? ''}
                alt={`${p.title}, ${dateText(p.at, 'near')}`}
                loading="lazy"
                style={{ height: '5.5rem', width: 'auto', borderRadius: 4 }}
              />
            </RouterLink>
          ))}
        </Flex>
      )}
      <ul>
        {shown.slice(0, all ? undefined : FEW).map((item) => (
          <Item key={item.at + item.kind + item.title} dogId={dogId} item={item} />
        ))}
      </ul>
      {shown.length > FEW && (
        <Button size="sm" variant="ghost" onClick={() => setAll(!all)}>
          {all ? t`Fewer` : t`All ${shown.length}`}
        </Button>
      )}
    </Box>
  );
}

function Filter({ on, onClick, children }: { on: boolean; onClick: () => void; children: string }) {
  return (
    <Button size="xs" variant={on ? 'solid' : 'ghost'} aria-pressed={on} onClick={onClick}>
      {children}
    </Button>
  );
}

function Item({ dogId, item }: { dogId: string; item: Schemas['RecordItemDto'] }) {
  const [open, setOpen] = useState(false);
  const [first, ...rest] = item.lines;
  return (
    <Flex
      as="li"
      gap={{ base: 2, md: 4 }}
      py="1.5"
      borderBottomWidth="1px"
      borderColor="border"
      wrap={{ base: 'wrap', md: 'nowrap' }}
    >
      <Text w="7rem" flexShrink="0">
        {dateText(item.at, 'weekday')}
      </Text>
      <Text w="5.5rem" flexShrink="0" color="fg.muted">
        {recordWords[item.kind]}
      </Text>
      <Box flex="1" minW="12rem">
        <Link asChild color="fg" fontWeight="700">
          <RouterLink to={`/dogs/${dogId}/${item.room}`}>{item.title}</RouterLink>
        </Link>
        {item.by && (
          <Text as="span" color="fg.muted">
            {' '}
            {item.by}
          </Text>
        )}
        {first && (
          <Text fontSize="sm">
            {first}{' '}
            {rest.length > 0 && (
              <Button size="2xs" variant="ghost" aria-expanded={open} onClick={() => setOpen(!open)}>
                {open ? t`less` : t`${rest.length} more`}
              </Button>
            )}
          </Text>
        )}
        {open &&
          rest.map((line, i) => (
            <Text key={i} fontSize="sm">
              {line}
            </Text>
          ))}
      </Box>
    </Flex>
  );
}
