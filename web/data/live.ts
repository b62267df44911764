import { useEffect } from 'react';
import { isResource, refreshAll, refreshTouched } from './refresh.ts';

const RETRY_MS = 3000;

interface Note {
  readonly resource: string;
  readonly job: string | null;
}

/** Follows what others do: each note makes what it touches be asked for again. */
export function useLive(): void {
  useEffect(() => {
    let source: EventSource;
    let again: ReturnType<typeof setTimeout> | undefined;
    const open = () => {
      source = new EventSource('/api/events');
      source.addEventListener('note', take);
      // A refused stream (signed out meanwhile) is not tried again by the browser itself.
      source.addEventListener('error', () => {
        if (source.readyState === EventSource.CLOSED) again = setTimeout(open, RETRY_MS);
      });
    };
    const take = (event: Event) => {
      const { resource, job } = JSON.parse((event as MessageEvent<string>).data) as Note;
      if (resource === 'all') void refreshAll();
      else if (isResource(resource)) void refreshTouched([{ job, resource }]);
    };
    open();
    return () => {
      clearTimeout(again);
      source.close();
    };
  }, []);
}
