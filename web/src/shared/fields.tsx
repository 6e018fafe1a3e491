import { Checkbox, Field, Fieldset, Flex } from '@chakra-ui/react';
import { fieldSlotRecipe, fieldsetSlotRecipe } from '@chakra-ui/react/theme';
import type { ReactNode } from 'react';

/** A labelled field with its message beside it. */
export function Labelled({
  label,
  error,
  help,
  children,
}: {
  label: string;
  error?: string;
  help?: string;
  children: ReactNode;
}) {
  return (
    <Field.Root recipe={fieldSlotRecipe} invalid={error !== undefined}>
      <Field.Label fontWeight="700">{label}</Field.Label>
      {children}
      {help && !error && <Field.HelperText color="fg.muted">{help}</Field.HelperText>}
      <Field.ErrorText color="stop">{error}</Field.ErrorText>
    </Field.Root>
  );
}

/** Any number of a list. */
export function Several<V extends string>({
  legend,
  values,
  options,
  onChange,
}: {
  legend: string;
  values: V[];
  options: [V, string][];
  onChange: (values: V[]) => void;
}) {
  return (
    <Fieldset.Root recipe={fieldsetSlotRecipe}>
      <Fieldset.Legend fontWeight="700">{legend}</Fieldset.Legend>
      <Flex wrap="wrap" columnGap="5" rowGap="2">
        {options.map(([id, text]) => (
          <Checkbox.Root
            key={id}
            checked={values.includes(id)}
            onCheckedChange={(e) => onChange(e.checked === true ? [...values, id] : values.filter((v) => v !== id))}
          >
            <Checkbox.HiddenInput />
            <Checkbox.Control borderColor="border.strong" />
            <Checkbox.Label>{text}</Checkbox.Label>
          </Checkbox.Root>
        ))}
      </Flex>
    </Fieldset.Root>
  );
}
