import { Box, Button, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useEffect, useRef } from 'react';
import { matchPath, useLocation } from 'react-router';
import { Key } from '../shared/Mark';
import type { Shortcut } from '../shared/rooms';

/** The keys each room answers to, as its `shortcuts.ts` says. */
const all = Object.values(import.meta.glob<{ shortcuts: Shortcut[] }>('../*/shortcuts.ts', { eager: true })).flatMap(
  (module) => module.shortcuts,
);

/** A sheet of the keys that do something on this page and elsewhere; opens whenever it is asked for once more. */
export function Shortcuts({ asked }: { asked: number }) {
  const sheet = useRef<HTMLDialogElement>(null);
  const { pathname } = useLocation();
  useEffect(() => {
    if (asked > 0 && !sheet.current?.open) sheet.current?.showModal();
  }, [asked]);
  const here = all.filter((s) => matchPath(s.at, pathname));
  const elsewhere = all.filter((s) => !here.includes(s));
  return (
    <Box
      asChild
      m="auto"
      p="5"
      maxW="min(34rem, calc(100vw - 2rem))"
      bg="bg.panel"
      color="fg"
      borderWidth="1px"
      borderColor="border"
      borderRadius="md"
      css={{ '&::backdrop': { background: 'rgb(0 0 0 / 0.4)' } }}
    >
      <dialog ref={sheet} aria-labelledby="shortcuts">
        <Flex justify="space-between" align="center" gap="4">
          <Heading as="h2" id="shortcuts" size="xl">{t`Keys`}</Heading>
          <Button variant="outline" minH="11" onClick={() => sheet.current?.close()}>{t`Close`}</Button>
        </Flex>
        <Keys heading={t`On this page`} some={here} />
        <Keys heading={t`Elsewhere`} some={elsewhere} />
      </dialog>
    </Box>
  );
}

function Keys({ heading, some }: { heading: string; some: Shortcut[] }) {
  if (some.length === 0) return null;
  return (
    <>
      <Text fontWeight="700" mt="4">
        {heading}
      </Text>
      <Grid as="dl" templateColumns="6.5rem 1fr" rowGap="1.5" mt="1">
        {some.map((s) => (
          <Box key={`${s.at} ${s.keys}`} display="contents">
            <Box as="dt">
              <Key fontSize="sm" css={{ '@media (pointer: coarse), (max-width: 40em)': { display: 'inline-block' } }}>
                {s.keys}
              </Key>
            </Box>
            <Box as="dd">{s.does}</Box>
          </Box>
        ))}
      </Grid>
    </>
  );
}
