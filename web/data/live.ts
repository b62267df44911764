import { useEffect } from 'react';
import { mutate } from 'swr';
import { keys } from './resources.ts';

interface Note {
  readonly resource: string;
  readonly job: string | null;
}

/** Follows what others do: each note makes the affected data ask again. */
export function useLive(): void {
  useEffect(() => {
    const source = new EventSource('/api/events');
    source.addEventListener('note', (event) => {
      const note = JSON.parse((event as MessageEvent<string>).data) as Note;
      if (note.resource === 'all') {
        void mutate((key) => typeof key === 'string' && key !== '/session');
        return;
      }
      void mutate(keys.floor);
      void mutate(keys.jobs);
      if (note.job) void mutate(keys.job(note.job));
      if (note.resource === 'parts') void mutate(keys.library);
    });
    return () => source.close();
  }, []);
}
