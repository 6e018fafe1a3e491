import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../shared/api';
import { keys } from '../shared/keys';
import { entries, signGroupWords } from '../shared/words';

interface Props {
  seen: Schemas['SeenDto'][];
  count: string[];
  onTap: (signId: string) => void;
  onTakeBack: (seenId: string) => void;
}

const marks: Record<Schemas['SignGroup'], string> = { atEase: '○', unsure: '◔', worried: '◑', overThreshold: '⬣' };

/** What the dog shows, one tap each. The worst stand first: they must not be looked for. */
export function Signs({ seen, count, onTap, onTakeBack }: Props) {
  const signs = useQuery({
    queryKey: keys.signs(),
    queryFn: ({ signal }) => ask(api.GET('/api/signs', { signal })),
    staleTime: Infinity,
  });
  const last = seen.at(-1);
  const name = (id: string) => signs.data?.find((s) => s.id === id)?.name ?? id;
  return (
    <Box as="section" aria-label="Signs" mt="3">
      {entries(signGroupWords)
        .reverse()
        .map(([group, words]) => (
          <Box key={group} mb="2">
            <Text fontWeight="700" fontSize="sm" color={group === 'overThreshold' ? 'stop' : 'fg'}>
              <span aria-hidden="true">{marks[group]}</span> {words}
            </Text>
            <Flex wrap="wrap" gap="1.5" mt="1">
              {signs.data
                ?.filter((s) => s.group === group)
                .map((s) => {
                  const times = count.filter((id) => id === s.id).length;
                  return (
                    <Button
                      key={s.id}
                      size="sm"
                      minH="11"
                      rounded="full"
                      fontWeight={times > 0 ? '700' : '400'}
                      variant={times > 0 ? 'solid' : 'outline'}
                      colorPalette={group === 'overThreshold' ? 'brick' : 'spruce'}
                      borderColor={group === 'overThreshold' ? 'stop' : 'border.strong'}
                      onClick={() => onTap(s.id)}
                    >
                      {s.name}
                      {times > 1 ? ` ×${times}` : ''}
                    </Button>
                  );
                })}
            </Flex>
          </Box>
        ))}
      {last && (
        <Button size="sm" variant="ghost" onClick={() => onTakeBack(last.id)}>
          Take back the sign “{name(last.signId)}”
        </Button>
      )}
    </Box>
  );
}
