import { Button, Flex } from '@chakra-ui/react';

/** A check that is fine or not, by one of two large targets. */
export function Answer({
  label,
  says,
  value,
  onChange,
}: {
  label: string;
  /** What the two are called. */
  says: { fine: string; not: string };
  value: boolean | undefined;
  onChange: (fine: boolean) => void;
}) {
  return (
    <Flex gap="2" role="group" aria-label={label}>
      {([true, false] as const).map((fine) => (
        <Button
          key={String(fine)}
          minW="16"
          minH="14"
          variant={value === fine ? 'solid' : 'outline'}
          colorPalette={value === fine && !fine ? 'brick' : 'spruce'}
          borderColor="border.strong"
          aria-pressed={value === fine}
          onClick={() => onChange(fine)}
        >
          {fine ? `✓ ${says.fine}` : `✕ ${says.not}`}
        </Button>
      ))}
    </Flex>
  );
}
