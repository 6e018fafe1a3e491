import { Flex, Slider, Text } from '@chakra-ui/react';
import { sliderSlotRecipe } from '@chakra-ui/react/theme';

/** A number set by sliding, with its name before it and its value after. */
export function Slide({
  label,
  suffix = '',
  value,
  min = 0,
  max,
  marks,
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
  return (
    <Slider.Root
      recipe={sliderSlotRecipe}
      flex={width ? undefined : '1 1 16rem'}
      w={width}
      min={min}
      max={max}
      step={1}
      value={[value]}
      onValueChange={(e) => onChange(e.value[0] ?? min)}
      onValueChangeEnd={(e) => onEnd?.(e.value[0] ?? min)}
    >
      <Flex justify="space-between">
        <Slider.Label>{label}</Slider.Label>
        <Text fontWeight="700">
          {value}
          {suffix}
        </Text>
      </Flex>
      <Slider.Control>
        <Slider.Track bg="border.strong">
          <Slider.Range bg="accent" />
        </Slider.Track>
        <Slider.Thumbs borderColor="fg" />
        {marks && <Slider.Marks marks={marks} />}
      </Slider.Control>
    </Slider.Root>
  );
}
