import { chakra } from '@chakra-ui/react';
import type { Schemas } from './api';

/** A verdict as a shape, so that no state is told by colour alone: full, half, crossed. */
export function VerdictMark({ verdict, size = 16 }: { verdict: Schemas['Verdict']; size?: number }) {
  return (
    <chakra.svg
      width={`${size}px`}
      height={`${size}px`}
      viewBox="0 0 16 16"
      aria-hidden="true"
      flexShrink="0"
      color={verdict === 'out' ? 'stop' : 'fg'}
    >
      {verdict === 'out' ? (
        <path d="M3 3l10 10M13 3L3 13" stroke="currentColor" strokeWidth="2.4" strokeLinecap="round" />
      ) : (
        <>
          <circle cx="8" cy="8" r="6.4" fill="none" stroke="currentColor" strokeWidth="1.8" />
          {verdict === 'fits' ? (
            <circle cx="8" cy="8" r="6" fill="currentColor" />
          ) : (
            <path d="M8 2a6 6 0 0 1 0 12z" fill="currentColor" />
          )}
        </>
      )}
    </chakra.svg>
  );
}

/** A key to press, shown where it acts; hidden where there is no keyboard. */
export const Key = chakra('kbd', {
  base: {
    fontFamily: 'body',
    fontSize: '0.72em',
    lineHeight: '1.4',
    px: '1.5',
    borderWidth: '1px',
    borderColor: 'currentColor',
    borderRadius: 'sm',
    display: 'inline-block',
    '@media (pointer: coarse), (max-width: 40em)': { display: 'none' },
  },
});
