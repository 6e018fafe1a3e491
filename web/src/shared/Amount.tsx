import { Field, Input } from '@chakra-ui/react';
import { fieldSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { readNumber } from './numbers';
import { useState, type ReactNode } from 'react';
import { Refused, words } from './api';

/** A small field under its name. */
export function Small({ label, error, children }: { label: string; error?: string | null; children: ReactNode }) {
  return (
    <Field.Root recipe={fieldSlotRecipe} w="auto" gap="0" invalid={Boolean(error)}>
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

/** A number, kept when the field is left; what is not accepted stays as typed, with the reason under it. */
export function Amount({
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
    const number = readNumber(text);
    if (number !== null && !Number.isFinite(number)) return setError(t`"${text}" is not a number.`);
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
