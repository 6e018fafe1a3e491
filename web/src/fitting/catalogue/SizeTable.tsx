import { Box, Button, chakra, Flex, Grid, Input, Text } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Trans } from '@lingui/react/macro';
import { useState } from 'react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import type { Schemas } from '../../shared/api';
import { StillView } from '../FitView';
import { basketFields, sizeEntryOf, tubeFields, type Draft, type SizeDraft } from './draft';
import { useDrawn } from './useCatalogue';

/** The sizes as rows of numbers, the row in hand drawn to scale with what is wrong with it. */
export function SizeTable() {
  const [inHand, setInHand] = useState(0);
  const { register, formState, getValues } = useFormContext<Draft>();
  const { fields: rows, append, remove } = useFieldArray<Draft, 'sizes', 'key'>({ name: 'sizes', keyName: 'key' });
  const [type, sizes] = useWatch<Draft, ['type', 'sizes']>({ name: ['type', 'sizes'] });
  const fields = type === 'basket' ? basketFields : tubeFields;
  const errors = formState.errors.sizes;
  const columns = `3.6rem repeat(${fields.length}, 4.6rem) 2rem`;
  const size = sizes[inHand];
  return (
    <Flex gap="6" wrap="wrap" mt="4" align="start">
      <Box overflowX="auto" maxW="full">
        <Grid templateColumns={columns} gap="1" fontSize="xs" fontWeight="700" alignItems="end">
          <span>{t`Size`}</span>
          {fields.map(([key, label]) => (
            <span key={key}>{label}</span>
          ))}
        </Grid>
        {rows.map((row, i) => {
          const label = sizes[i]?.label ?? '';
          const wrong = Object.entries(errors?.[i] ?? {}) as [string, { message?: string }][];
          return (
            <Box key={row.key} onFocus={() => setInHand(i)}>
              <Grid
                templateColumns={columns}
                gap="1"
                py="1"
                borderInlineStartWidth="3px"
                borderColor={i === inHand ? 'accent' : 'transparent'}
                ps="1"
              >
                <Input
                  size="xs"
                  aria-label={t`Label of size ${i + 1}`}
                  borderColor="border.strong"
                  {...register(`sizes.${i}.label`)}
                />
                {fields.map(([key, column]) => (
                  <Input
                    key={key}
                    size="xs"
                    textAlign="end"
                    inputMode="decimal"
                    aria-label={t`${column}, size ${label || i + 1}`}
                    aria-invalid={errors?.[i]?.[key] !== undefined}
                    borderColor={errors?.[i]?.[key] ? 'stop' : 'border.strong'}
                    {...register(`sizes.${i}.${key}`)}
                  />
                ))}
                <Button size="xs" variant="ghost" aria-label={t`Take size ${label} out`} onClick={() => remove(i)}>
                  ✕
                </Button>
              </Grid>
              {wrong.map(([field, { message }]) => (
                <Text key={field} fontSize="sm" color="stop" ps="2">
                  △ {message}
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
            append({ ...getValues('sizes').at(-1), id: '', label: '' });
            setInHand(rows.length);
          }}
        >{t`Add a size`}</Button>
        {errors?.message && (
          <Text role="alert" color="stop">
            △ {errors.message}
          </Text>
        )}
        <Text fontSize="sm" color="fg.muted" mt="1">
          <Trans>
            All lengths in mm, measured inside.
            {type === 'basket' && t` Depths and widths may be left out together: length and girth are enough.`}
          </Trans>
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
          label={t`Size ${size.label} over a head of its length, to scale`}
          drawing={drawn.data.drawing}
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
          <chakra.b>{t`Assumed:`}</chakra.b> {drawn.data.assumed}
        </Text>
      )}
    </Box>
  );
}
