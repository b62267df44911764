import { useEffect } from 'react';
import { mutate } from 'swr';
import { keys } from './resources.ts';

const RETRY_MS = 3000;

interface Note {
  readonly resource: string;
  readonly job: string | null;
}

/** Follows what others do: each note makes the affected data ask again. */
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
      const note = JSON.parse((event as MessageEvent<string>).data) as Note;
      if (note.resource === 'all') {
        void mutate((key) => typeof key === 'string' && key !== '/session');
        return;
      }
      void mutate(keys.floor);
      void mutate(keys.jobs);
      if (note.job) void mutate(keys.job(note.job));
      if (note.resource === 'parts') void mutate(keys.library);
    };
    open();
    return () => {
      clearTimeout(again);
      source.close();
    };
  }, []);
}
