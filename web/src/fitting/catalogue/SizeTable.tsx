import { Box, Button, chakra, Flex, Grid, Input, Text } from '@chakra-ui/react';
import { useState } from 'react';
import type { Schemas } from '../../shared/api';
import { StillView } from '../FitView';
import { basketFields, sizeEntryOf, tubeFields, type SizeDraft } from './draft';
import { useDrawn } from './useCatalogue';

const NEUTRAL_COAT = '#b59b78';

/** The sizes as rows of numbers, the row in hand drawn to scale with what is wrong with it. */
export function SizeTable({
  type,
  sizes,
  errors,
  onChange,
}: {
  type: Schemas['MuzzleType'];
  sizes: SizeDraft[];
  errors: Record<string, string>;
  onChange: (sizes: SizeDraft[]) => void;
}) {
  const [inHand, setInHand] = useState(0);
  const fields = type === 'basket' ? basketFields : tubeFields;
  const set = (i: number, change: Partial<SizeDraft>) =>
    onChange(sizes.map((s, at) => (at === i ? { ...s, ...change } : s)));
  const columns = `3.6rem repeat(${fields.length}, 4.6rem) 2rem`;
  const size = sizes[inHand];
  return (
    <Flex gap="6" wrap="wrap" mt="4" align="start">
      <Box overflowX="auto" maxW="full">
        <Grid templateColumns={columns} gap="1" fontSize="xs" fontWeight="700" alignItems="end">
          <span>Size</span>
          {fields.map(([key, label]) => (
            <span key={key}>{label}</span>
          ))}
        </Grid>
        {sizes.map((s, i) => {
          const wrong = Object.entries(errors).filter(([field]) => field.startsWith(`sizes[${i}].`));
          return (
            <Box key={i} onFocus={() => setInHand(i)}>
              <Grid
                templateColumns={columns}
                gap="1"
                py="1"
                borderLeftWidth="3px"
                borderColor={i === inHand ? 'accent' : 'transparent'}
                ps="1"
              >
                <Input
                  size="xs"
                  aria-label={`Label of size ${i + 1}`}
                  value={s.label}
                  borderColor="border.strong"
                  onChange={(e) => set(i, { label: e.target.value })}
                />
                {fields.map(([key, label]) => (
                  <Input
                    key={key}
                    size="xs"
                    textAlign="end"
                    inputMode="decimal"
                    aria-label={`${label}, size ${s.label || i + 1}`}
                    aria-invalid={errors[`sizes[${i}].${key}`] !== undefined}
                    value={s[key] ?? ''}
                    borderColor={errors[`sizes[${i}].${key}`] ? 'stop' : 'border.strong'}
                    onChange={(e) => set(i, { [key]: e.target.value })}
                  />
                ))}
                <Button
                  size="xs"
                  variant="ghost"
                  aria-label={`Take size ${s.label} out`}
                  onClick={() => onChange(sizes.filter((_, at) => at !== i))}
                >
                  ✕
                </Button>
              </Grid>
              {wrong.map(([field, says]) => (
                <Text key={field} fontSize="sm" color="stop" ps="2">
                  △ {says}
                </Text>
              ))}
            </Box>
          );
        })}
        <Button
          size="xs"
          variant="outline"
          borderColor="border.strong"
          mt="1"
          onClick={() => {
            onChange([...sizes, { ...(sizes.at(-1) ?? { label: '' }), id: '', label: '' }]);
            setInHand(sizes.length);
          }}
        >
          Add a size
        </Button>
        <Text fontSize="sm" color="fg.muted" mt="1">
          All lengths in mm, measured inside.
          {type === 'basket' && ' Depths and widths may be left out together: length and girth are enough.'}
        </Text>
      </Box>
      {size && type === 'basket' && <Drawn type={type} size={size} />}
    </Flex>
  );
}

function Drawn({ type, size }: { type: Schemas['MuzzleType']; size: SizeDraft }) {
  const drawn = useDrawn(type, sizeEntryOf(size));
  return (
    <Box flex="1 1 16rem" maxW="30rem" aria-live="polite">
      {drawn.data?.drawing && (
        <StillView
          label={`Size ${size.label} over a head of its length, to scale`}
          drawing={drawn.data.drawing}
          coat={NEUTRAL_COAT}
          maxH="16rem"
        />
      )}
      {drawn.data?.problems.map((p) => (
        <Text key={p.field} color="stop">
          △ {p.says}
        </Text>
      ))}
      {drawn.data?.assumed && (
        <Text fontSize="sm">
          <chakra.b>Assumed:</chakra.b> {drawn.data.assumed}
        </Text>
      )}
    </Box>
  );
}
