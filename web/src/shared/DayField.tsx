import { Input, type InputProps } from '@chakra-ui/react';
import { dateText } from './dates';

/** A day as text, in the practice's way whatever the browser's own country; what is no day stays as typed. */
export const DayField = ({ onText, ...input }: { onText: (text: string) => void } & Omit<InputProps, 'onChange'>) => (
  <Input
    autoComplete="off"
    placeholder={dateText('2026-11-26', 'short')}
    borderColor="border.strong"
    {...input}
    onChange={(event) => onText(event.target.value)}
  />
);
