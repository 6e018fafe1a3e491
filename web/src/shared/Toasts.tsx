import { createToaster, Flex, Toast, Toaster } from '@chakra-ui/react';
import { toastSlotRecipe } from '@chakra-ui/react/theme';
import { t } from '@lingui/core/macro';
import { useEffect } from 'react';
import { showNotices } from './notices';

const toaster = createToaster({ placement: 'top-end', duration: 8000 });

const undoStays = 60_000;

/** Shows notices in the corner. */
export function Toasts() {
  // In a task of its own: the corner begins to listen in a microtask after it is drawn, and what is said before that it never shows.
  useEffect(() => {
    const listening = setTimeout(() =>
      showNotices(({ title, type, undo }) =>
        toaster.create({
          title,
          type,
          ...(undo ? { duration: undoStays, action: { label: t`Undo`, onClick: undo } } : {}),
        }),
      ),
    );
    return () => clearTimeout(listening);
  }, []);
  return (
    <Toaster aria-label={t`Notices`} toaster={toaster} insetInline={{ mdDown: '4' }}>
      {(toast) => (
        <Toast.Root
          recipe={toastSlotRecipe}
          // Chakra gives it the width of its words, which is none while it is placed.
          w={{ base: 'calc(100vw - 2rem)', md: '24rem' }}
          bg={toast.type === 'error' ? 'brick.solid' : 'spruce.solid'}
          color={toast.type === 'error' ? 'brick.contrast' : 'spruce.contrast'}
        >
          <Flex flex="1" align="center">
            <Toast.Title>{toast.title}</Toast.Title>
          </Flex>
          {toast.action && <Toast.ActionTrigger color="inherit">{toast.action.label}</Toast.ActionTrigger>}
          {/* Beside Undo, not over its corner. */}
          <Toast.CloseTrigger aria-label={t`Close`} position="static" alignSelf="center" flexShrink="0" />
        </Toast.Root>
      )}
    </Toaster>
  );
}
