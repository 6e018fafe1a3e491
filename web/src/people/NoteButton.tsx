import { Button, CloseButton, Dialog, Portal } from '@chakra-ui/react';
import { t } from '@lingui/core/macro';
import { useState } from 'react';
import { notify } from '../shared/notices';
import { NewsForm } from './NewsForm';

/** Writes to the fitter from wherever one is; where that was goes along. */
export function NoteButton({ dogId, name, about }: { dogId: string; name: string; about: string }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={(e) => setOpen(e.open)} placement="center" size={{ base: 'full', md: 'md' }}>
      <Dialog.Trigger asChild>
        <Button variant="outline" borderColor="border.strong" minH="11">
          {t`Tell your fitter`}
        </Button>
      </Dialog.Trigger>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header>
              <Dialog.Title>{t`To your fitter, about ${name}`}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>
              <NewsForm
                dogId={dogId}
                about={about}
                onSent={() => {
                  setOpen(false);
                  notify(t`Sent. You see here when it was read.`);
                }}
              />
            </Dialog.Body>
            <Dialog.CloseTrigger asChild>
              <CloseButton aria-label={t`Close`} />
            </Dialog.CloseTrigger>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
