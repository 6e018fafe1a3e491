import { chakra, IconButton, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useId, useState } from 'react';
import type { Schemas } from './api';

const kindWords: Record<Schemas['BasisKind'], string> = {
  published: t`Published`,
  practice: t`Common practice, no source`,
  house: t`Our own choice`,
  memory: t`From memory, not looked up`,
};

/** The ground a number or rule stands on, one key away. The browser's own popover: it closes on Escape and a tap elsewhere, and hands the focus back. */
export function Why({ basis, about }: { basis: Schemas['Basis']; about: string }) {
  const id = useId();
  const [open, setOpen] = useState(false);
  return (
    <>
      <IconButton
        size="2xs"
        variant="outline"
        rounded="full"
        minW="6"
        h="6"
        aria-label={t`Why? ${about}`}
        aria-haspopup="dialog"
        borderColor="border.strong"
        popoverTarget={id}
      >
        ?
      </IconButton>
      <Ground
        id={id}
        popover="auto"
        role="dialog"
        aria-label={t`Why? ${about}`}
        tabIndex={-1}
        onToggle={(event) => {
          setOpen(event.newState === 'open');
          if (event.newState === 'open') event.currentTarget.focus();
        }}
      >
        {open && (
          <>
            <Text as="span" display="block" fontWeight="700">
              {kindWords[basis.kind]}
            </Text>
            {basis.note}
          </>
        )}
      </Ground>
    </>
  );
}

/** Beside what it is about where the browser can see to that; in the middle of the window elsewhere. It may stand in a sentence. */
const Ground = chakra('span', {
  base: {
    bg: 'bg.panel',
    color: 'fg',
    fontSize: 'sm',
    fontWeight: '400',
    textAlign: 'start',
    whiteSpace: 'normal',
    p: '4',
    maxW: 'min(20rem, 100vw - 2rem)',
    borderWidth: '1px',
    borderColor: 'border.strong',
    shadow: 'lg',
    rounded: 'md',
    '@supports (position-area: top)': {
      inset: 'auto',
      margin: '2',
      positionArea: 'top',
      positionTryFallbacks: 'flip-block, top span-left, top span-right, bottom span-left, bottom span-right',
    },
  },
});
