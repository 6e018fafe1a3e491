import { useEffect } from 'react';

/** Names the browser tab after what is on the page. */
export function usePageTitle(title: string) {
  useEffect(() => {
    document.title = title === '' ? 'Jaunty Badge' : `${title} · Jaunty Badge`;
  }, [title]);
}
