import { Field, Flex, Input } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';
import { Refused, words, type Schemas } from '../shared/api';
import { Choice } from '../shared/Choice';
import { complain } from '../shared/notices';
import { coatWords, entries, schoolWords, toolWords } from '../shared/words';
import type { Tool } from './useBench';

type MeasuringSet = Schemas['MeasuringSetDto'];

function Small({ label, error, children }: { label: string; error?: string | null; children: ReactNode }) {
  return (
    <Field.Root w="auto" gap="0" invalid={Boolean(error)}>
      <Field.Label fontSize="xs" color="fg.muted" fontWeight="400">
        {label}
      </Field.Label>
      {children}
      {error && (
        <Field.ErrorText color="stop" maxW="12rem">
          {error}
        </Field.ErrorText>
      )}
    </Field.Root>
  );
}

/** A number of the set, kept when the field is left. */
function Amount({
  label,
  value,
  placeholder,
  onKeep,
}: {
  label: string;
  value: string;
  placeholder?: string;
  onKeep: (value: number | null) => Promise<void>;
}) {
  const [text, setText] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const keep = async () => {
    if (text === null || text.trim() === value) return setText(null);
    const number = text.trim() === '' ? null : Number(text.trim().replace(',', '.'));
    if (number !== null && !Number.isFinite(number)) return setError(`"${text}" is not a number.`);
    try {
      await onKeep(number);
      setText(null);
      setError(null);
    } catch (problem) {
      setError(problem instanceof Refused ? (Object.values(problem.fields)[0] ?? problem.message) : words(problem));
    }
  };
  return (
    <Small label={label} error={error}>
      <Input
        size="xs"
        w="4.6rem"
        inputMode="decimal"
        autoComplete="off"
        borderColor="border.strong"
        value={text ?? value}
        placeholder={placeholder}
        onChange={(e) => {
          setText(e.target.value);
          setError(null);
        }}
        onBlur={() => void keep()}
        onKeyDown={(e) => {
          if (e.key === 'Enter') e.currentTarget.blur();
        }}
      />
    </Small>
  );
}

/** What holds for the whole set, and for the next readings: school, coat, mass, gap; tool and whose hand. */
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
  const entry = { school: set.school, bodyMassKg: set.bodyMassKg, coat: set.coat, fitLineGapMm: set.fitLineGapMm };
  const edit = (change: Partial<typeof entry>) =>
    void onEdit({ ...entry, ...change }).catch((e: unknown) => complain(words(e)));
  return (
    <Flex columnGap="2.5" rowGap="1" wrap="wrap" align="start">
      <Small label="School">
        <Choice size="xs" value={set.school} options={entries(schoolWords)} onChange={(school) => edit({ school })} />
      </Small>
      <Small label="Tool">
        <Choice size="xs" value={tool} options={entries(toolWords)} onChange={onTool} />
      </Small>
      <Small label="Coat">
        <Choice size="xs" value={set.coat} options={entries(coatWords)} onChange={(coat) => edit({ coat })} />
      </Small>
      <Amount
        label="Body mass, kg"
        value={set.bodyMassKg?.toString() ?? ''}
        onKeep={(bodyMassKg) => onEdit({ ...entry, bodyMassKg })}
      />
      <Amount
        label="Eye gap, mm"
        value={set.fitLineGapMm?.toString() ?? ''}
        placeholder={Math.round(set.usualGapMm).toString()}
        onKeep={(fitLineGapMm) => onEdit({ ...entry, fitLineGapMm })}
      />
      <Small label="Taken by">
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
