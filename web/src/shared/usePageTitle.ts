import { t } from '@lingui/core/macro';
import { useEffect } from 'react';

/** Names the browser tab after what is on the page. */
export function usePageTitle(title: string) {
  useEffect(() => {
    document.title = title === '' ? 'Jaunty Badge' : t`${title} · Jaunty Badge`;
  }, [title]);
}
