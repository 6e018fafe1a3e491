import { Box, Button, chakra, Flex, Link, Spacer, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { memo, Suspense, useDeferredValue, useEffect, useRef, useState } from 'react';
import { NavLink, Outlet, useLocation, useMatch } from 'react-router';
import { late } from '../shared/late';
import { useMe, type Kind } from '../shared/me';
import { lyingFlat } from '../shared/padSizes';
import { links } from '../shared/rooms';
import { useWriting } from '../shared/writing';
import { askForBold } from './fonts';
import { Notices } from './Notices';
import { ServerState } from './ServerState';
import { useHeadingFocus } from './useHeadingFocus';
import { usePlaceOnPage } from './usePlaceOnPage';
import { usePracticeWriting } from './usePracticeWriting';
import { currentScheme, keepScheme } from './scheme';

const Settings = late(() => import('./Settings').then((m) => m.Settings));
const SignInPage = late(() => import('../people/SignInPage').then((m) => m.SignInPage));

const SkipLink = chakra('a', {
  base: {
    position: 'absolute',
    // Above the page: what lies beside it widens a page that is read from the right.
    top: '-999px',
    insetInlineStart: '2',
    _focus: { top: '2', bg: 'accent', color: '#1d2b12', p: '2', zIndex: 10 },
  },
});

/** On a phone the links along the top stay in one row, which is drawn along by a finger and fades where there is more. */
const alongARow = {
  mdDown: {
    overflowX: 'auto',
    scrollbarWidth: 'none',
    paddingInlineEnd: '12',
    paddingBottom: '2px',
    '--to': 'right',
    '[dir=rtl] &': { '--to': 'left' },
    maskImage: 'linear-gradient(to var(--to), #000 calc(100% - 3rem), transparent)',
    '& > a': { flexShrink: 0 },
  },
} as const;

/** The strip along the top and the page below it. */
export function Shell() {
  // On a phone the pad, and a card at a door, have the screen to themselves: the badge still leads home.
  const [onSession, atDoor] = [useMatch('/sessions/:id') !== null, useMatch('/cards/:dogId/:audience') !== null];
  const onPad = onSession || atDoor;
  const { me, kind: known, refused } = useMe();
  // What is there for whoever it is is drawn in small pieces, so that a tap meanwhile is answered.
  const kind = useDeferredValue(known);
  // Where one comes in nobody is known yet.
  const [atPair, atComeIn] = [useMatch('/pair') !== null, useMatch('/come-in') !== null];
  const comes = atPair || atComeIn;
  // Nobody is shown out while a dog is trained or wears its muzzle: what is tapped there is kept, and looked at before it counts.
  const atWear = useMatch('/dogs/:dogId/wear') !== null;
  const stays = refused !== null && me !== null && (onSession || atWear);
  const { locale, currency } = useWriting();
  useHeadingFocus();
  usePlaceOnPage();
  const nav = useOwnLinkInSight(kind);
  useEffect(askForBold, []);
  return (
    <Flex direction="column" minH="100dvh">
      <SkipLink href="#page">{t`Skip to the page`}</SkipLink>
      <Flex
        as="header"
        align="center"
        wrap={{ base: 'wrap', md: 'nowrap' }}
        columnGap={{ base: 3, md: 6 }}
        px={{ base: 4, md: 8 }}
        py="2"
        borderBottomWidth="1px"
        borderColor="border"
        _print={{ display: 'none' }}
        css={onPad ? { [lyingFlat]: { display: 'none' } } : {}}
      >
        <NavLink to="/" end>
          <Flex align="center" gap="2" fontFamily="heading" fontWeight="750" fontSize={{ base: 'md', md: 'xl' }}>
            <img src="/badge.svg" alt={t`Jaunty Badge, home`} width={30} height={30} />
            <Box as="span" display="inline" whiteSpace="nowrap">
              Jaunty Badge
            </Box>
          </Flex>
        </NavLink>
        <Flex
          as="nav"
          ref={nav}
          aria-label={t`Main`}
          columnGap={{ base: 3, md: 5 }}
          whiteSpace="nowrap"
          flexWrap={{ md: 'wrap' }}
          minW="0"
          css={alongARow}
          display={{ base: onPad ? 'none' : 'flex', md: 'flex' }}
          order={{ base: 1, md: 0 }}
          w={{ base: 'full', md: 'auto' }}
        >
          {(kind && !comes && !refused ? links(kind) : []).map(({ to, label }) => (
            <TopLink key={to} to={to} label={label} end={to === '/'} />
          ))}
        </Flex>
        <Spacer />
        <Flex align="center" gap={{ base: 3, md: 6 }} display={{ base: onPad ? 'none' : 'flex', md: 'flex' }}>
          {(kind === 'fitter' || kind === 'helper') && !comes && !refused && <Settings />}
          <SchemeButton />
        </Flex>
      </Flex>
      <PracticeWriting isKnown={!comes && refused === null && kind !== null} />
      <ServerState />
      <Box
        as="main"
        id="page"
        flex="1"
        // A phone's footer lies below its screen while the page is on its way, too, and need not move.
        minH={{ base: onPad ? undefined : '100dvh', md: 'auto' }}
        _print={{ minH: 'auto' }}
        px={{ base: 4, md: 8 }}
        py={{ base: 4, md: 6 }}
        w="full"
        maxW="90rem"
        mx="auto"
        css={onPad ? { [lyingFlat]: { padding: '0.25rem 1rem' } } : {}}
      >
        {stays && (
          <Text role="status" borderInlineStartWidth="4px" borderColor="stop" ps="3" mb="3">
            <b>{refused?.message}</b> {t`What you tap here is kept, and looked at before it counts.`}
          </Text>
        )}
        {refused && !comes && !stays ? (
          <Suspense>
            <SignInPage refused={refused} />
          </Suspense>
        ) : (
          (kind !== null || comes) && <Page writing={`${locale} ${currency} ${kind ?? ''}`} />
        )}
      </Box>
      <Box
        as="footer"
        display={onPad ? 'none' : 'block'}
        px={{ base: 4, md: 8 }}
        pb="4"
        maxW="90rem"
        w="full"
        mx="auto"
        _print={{ display: 'none' }}
      >
        <Link asChild fontSize="sm" color="fg.muted" py="1">
          <NavLink to="/about">{t`About`}</NavLink>
        </Link>
        {me?.signedIn && (
          <Link asChild fontSize="sm" color="fg.muted" py="1" ms="5">
            <NavLink to="/me">{t`Me: ${me.name}`}</NavLink>
          </Link>
        )}
      </Box>
      <Notices />
    </Flex>
  );
}

/**
 * The page itself; what was written the other way is written anew. It is left alone while the strip above it changes: a page that is just on its way would
 * be drawn at one go with it, and nothing could be tapped meanwhile.
 */
const Page = memo(function Page({ writing }: { writing: string }) {
  return (
    <Suspense>
      <Outlet key={writing} />
    </Suspense>
  );
});

/** Shows the link of the page one is at, where there is no room for all that somebody has. */
function useOwnLinkInSight(kind: Kind | null) {
  const nav = useRef<HTMLDivElement>(null);
  const { pathname } = useLocation();
  useEffect(() => {
    const own = nav.current?.querySelector('[aria-current=page]')?.getBoundingClientRect();
    const row = nav.current?.getBoundingClientRect();
    if (own && row) nav.current?.scrollBy({ left: (own.left + own.right - row.left - row.right) / 2 });
  }, [pathname, kind]);
  return nav;
}

/** Writes as the practice does, beside the strip: what is heard of it would otherwise draw the strip anew. */
function PracticeWriting({ isKnown }: { isKnown: boolean }) {
  usePracticeWriting(isKnown);
  return null;
}

function TopLink({ to, label, end }: { to: string; label: string; end?: boolean }) {
  return (
    <Link
      asChild
      fontSize="sm"
      color="fg"
      py="1"
      css={{ '&[aria-current=page]': { boxShadow: '0 2px 0 var(--chakra-colors-accent)' } }}
    >
      <NavLink to={to} end={end}>
        {label}
      </NavLink>
    </Link>
  );
}

function SchemeButton() {
  const [scheme, setScheme] = useState(currentScheme);
  const other = scheme === 'dark' ? 'light' : 'dark';
  return (
    <Button
      size="sm"
      variant="ghost"
      px="2"
      aria-label={other === 'dark' ? t`Use the dark scheme` : t`Use the light scheme`}
      onClick={() => {
        keepScheme(other);
        setScheme(other);
      }}
    >
      <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
        <circle cx="9" cy="9" r="7.5" fill="none" stroke="currentColor" strokeWidth="1.5" />
        <path d="M9 1.5a7.5 7.5 0 0 1 0 15z" fill="currentColor" />
      </svg>
    </Button>
  );
}
