import { useEffect } from 'react';
import { isTyping } from '../../../app/shellKeys.ts';
import { useBench } from '../jobBench.ts';

/** Ctrl Z (or ⌘ Z) steps back through the changes of the design, with Shift forth. Not while typing: there it undoes letters. */
export function useUndoKeys(): void {
  const { undo, redo } = useBench();
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z' || isTyping(event.target)) return;
      event.preventDefault();
      (event.shiftKey ? redo : undo)?.();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [undo, redo]);
}
