import { useEffect, useState } from 'react';

const fields = ['input', 'textarea', 'select', '[contenteditable]'];

/** How often `?` was pressed, but for where somebody types. */
export function useAskedForKeys() {
  const [asked, setAsked] = useState(0);
  useEffect(() => {
    const hear = (event: KeyboardEvent) => {
      const at = event.target instanceof Element ? event.target : null;
      if (event.key === '?' && !fields.some((field) => at?.closest(field))) setAsked((before) => before + 1);
    };
    window.addEventListener('keydown', hear);
    return () => window.removeEventListener('keydown', hear);
  }, []);
  return asked;
}
