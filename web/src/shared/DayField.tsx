import { Input, type InputProps } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';

/** A day as text, in the practice's way whatever the browser's own country; what is no day stays as typed. */
export const DayField = ({ onText, ...input }: { onText: (text: string) => void } & Omit<InputProps, 'onChange'>) => (
  <Input
    autoComplete="off"
    placeholder={t`day month year`}
    borderColor="border.strong"
    {...input}
    onChange={(event) => onText(event.target.value)}
  />
);
