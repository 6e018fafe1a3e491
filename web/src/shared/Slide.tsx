import { Box, chakra, Flex, Text } from '@chakra-ui/react';
import { useId } from 'react';

const THUMB = '1.25rem';

/** Each engine has a name of its own for them, and heeds no rule that names another's. */
const track = {
  height: '6px',
  borderRadius: 'full',
  borderWidth: '1px',
  borderColor: 'border.strong',
  bg: 'border.strong',
};
const thumb = {
  boxSizing: 'border-box',
  width: THUMB,
  height: THUMB,
  borderRadius: 'full',
  borderWidth: '2px',
  borderColor: 'fg',
  bg: 'accent',
};
const ring = { outlineWidth: '2px', outlineStyle: 'solid', outlineColor: 'fg', outlineOffset: '2px' };

const Range = chakra('input', {
  base: {
    display: 'block',
    width: 'full',
    height: '8',
    margin: '0',
    cursor: 'pointer',
    appearance: 'none',
    bg: 'transparent',
    '&::-webkit-slider-runnable-track': track,
    '&::-moz-range-track': track,
    '&::-webkit-slider-thumb': { appearance: 'none', marginTop: `calc((4px - ${THUMB}) / 2)`, ...thumb },
    '&::-moz-range-thumb': thumb,
    _focusVisible: { outline: 'none', '&::-webkit-slider-thumb': ring, '&::-moz-range-thumb': ring },
  },
});

/** A number set by sliding, with its name before it and its value after. The browser's own slider: it comes with the page, and keys and screen readers know it. */
export function Slide({
  label,
  suffix = '',
  value,
  min = 0,
  max,
  marks = [],
  width,
  onChange,
  onEnd,
}: {
  label: string;
  suffix?: string;
  value: number;
  min?: number;
  max: number;
  marks?: { value: number; label: string }[];
  width?: string;
  onChange: (value: number) => void;
  /** Called once the slider is let go. */
  onEnd?: (value: number) => void;
}) {
  const id = useId();
  return (
    <Box flex={width ? undefined : '1 1 16rem'} w={width} minW="0">
      <Flex justify="space-between">
        <chakra.label htmlFor={id} fontSize="sm" fontWeight="500">
          {label}
        </chakra.label>
        <Text fontWeight="700">
          {value}
          {suffix}
        </Text>
      </Flex>
      <Range
        id={id}
        type="range"
        min={min}
        max={max}
        value={value}
        aria-valuetext={`${value}${suffix}`}
        onChange={(e) => onChange(e.currentTarget.valueAsNumber)}
        // The browser says that it was let go; React hears only that it moved.
        ref={(range: HTMLInputElement | null) => {
          const ended = () => range && onEnd?.(range.valueAsNumber);
          range?.addEventListener('change', ended);
          return () => range?.removeEventListener('change', ended);
        }}
      />
      {marks.length > 0 && (
        <Box position="relative" h="5" fontSize="xs" whiteSpace="nowrap">
          {marks.map((mark) => (
            <Flex
              key={mark.label}
              position="absolute"
              w="0"
              justify="center"
              style={{
                insetInlineStart: `calc(${THUMB} / 2 + (100% - ${THUMB}) * ${(mark.value - min) / (max - min)})`,
              }}
            >
              {mark.label}
            </Flex>
          ))}
        </Box>
      )}
    </Box>
  );
}
