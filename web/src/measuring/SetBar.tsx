import { Flex, Input } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { Amount, Small } from '../shared/Amount';
import { words, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { complain } from '../shared/notices';
import { coatWords, entries, fitStyleWords, toolWords } from '../shared/words';
import type { Tool } from './useBench';

type MeasuringSet = Schemas['MeasuringSetDto'];

/** What holds for the whole set, and for the next readings: fit style, coat, mass, gap; tool and whose hand. */
export function SetBar({
  set,
  tool,
  onTool,
  by,
  onBy,
  onEdit,
}: {
  set: MeasuringSet;
  tool: Tool;
  onTool: (tool: Tool) => void;
  by: string;
  onBy: (by: string) => void;
  onEdit: (set: Schemas['MeasuringSetEntry']) => Promise<void>;
}) {
  const entry = { fitStyle: set.fitStyle, bodyMassKg: set.bodyMassKg, coat: set.coat, fitLineGapMm: set.fitLineGapMm };
  const edit = (change: Partial<typeof entry>) =>
    void onEdit({ ...entry, ...change }).catch((e: unknown) => complain(words(e)));
  return (
    <Flex columnGap="2.5" rowGap="1" wrap="wrap" align="start">
      <Small label={t`Fit style`}>
        <Choice
          size="xs"
          value={set.fitStyle}
          options={entries(fitStyleWords)}
          onChange={(fitStyle) => edit({ fitStyle })}
        />
      </Small>
      <Small label={t`Tool`}>
        <Choice size="xs" value={tool} options={entries(toolWords)} onChange={onTool} />
      </Small>
      <Small label={t`Coat`}>
        <Choice size="xs" value={set.coat} options={entries(coatWords)} onChange={(coat) => edit({ coat })} />
      </Small>
      <Amount
        label={t`Body mass, kg`}
        value={set.bodyMassKg?.toString() ?? ''}
        onKeep={(bodyMassKg) => onEdit({ ...entry, bodyMassKg })}
      />
      <Gap set={set} onEdit={onEdit} />
      <Small label={t`Taken by`}>
        <Input
          size="xs"
          w="5rem"
          autoComplete="off"
          borderColor="border.strong"
          value={by}
          onChange={(e) => onBy(e.target.value)}
        />
      </Small>
    </Flex>
  );
}

/** The gap left between the eyes and the fit line, where it was written down. */
export function Gap({
  set,
  onEdit,
}: {
  set: MeasuringSet;
  onEdit: (set: Schemas['MeasuringSetEntry']) => Promise<void>;
}) {
  return (
    <Amount
      label={t`Eye gap, mm`}
      value={set.fitLineGapMm?.toString() ?? ''}
      placeholder={Math.round(set.usualGapMm).toString()}
      onKeep={(fitLineGapMm) =>
        onEdit({ fitStyle: set.fitStyle, bodyMassKg: set.bodyMassKg, coat: set.coat, fitLineGapMm })
      }
    />
  );
}
