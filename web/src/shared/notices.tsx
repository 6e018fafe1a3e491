import { createToaster, Flex, Toast, Toaster } from '@chakra-ui/react';

const toaster = createToaster({ placement: 'bottom-start', duration: 8000 });

const undoStays = 60_000;

/** Says something in passing; with a way to undo it, it stays long enough for a hand that is on a dog. */
export function notify(title: string, undo?: () => void) {
  toaster.create({
    title,
    type: 'info',
    ...(undo ? { duration: undoStays, action: { label: 'Undo', onClick: undo } } : {}),
  });
}

export function complain(title: string) {
  toaster.create({ title, type: 'error' });
}

export function Notices() {
  return (
    <Toaster toaster={toaster} insetInline={{ mdDown: '4' }}>
      {(toast) => (
        <Toast.Root
          bg={toast.type === 'error' ? 'brick.solid' : 'spruce.solid'}
          color={toast.type === 'error' ? 'brick.contrast' : 'spruce.contrast'}
        >
          <Flex flex="1" align="center">
            <Toast.Title>{toast.title}</Toast.Title>
          </Flex>
          {toast.action && <Toast.ActionTrigger color="inherit">{toast.action.label}</Toast.ActionTrigger>}
          <Toast.CloseTrigger aria-label="Close" />
        </Toast.Root>
      )}
    </Toaster>
  );
}
