import { Input, type InputProps } from '@chakra-ui/react';

/** A day as text, the day before the month whatever the browser's own country; what is no day stays as typed. */
export const DayField = ({ onText, ...input }: { onText: (text: string) => void } & Omit<InputProps, 'onChange'>) => (
  <Input
    autoComplete="off"
    placeholder="26 Nov 2026"
    borderColor="border.strong"
    {...input}
    onChange={(event) => onText(event.target.value)}
  />
);
