import type { RefObject } from 'react';

/** When something has opened over the page the keyboard goes on in its first field; before that it is not to be seen yet. */
export const startIn = (box: RefObject<HTMLElement | null>) => (open: boolean) => {
  if (open) box.current?.querySelector('input')?.focus();
};
