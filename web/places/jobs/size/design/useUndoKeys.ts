import { useHotkeys } from 'react-hotkeys-hook';
import { KEYS } from '../../../../app/keys.ts';
import { useOpenJob } from '../../openJob.ts';

/** Ctrl Z (or ⌘ Z) steps back through the changes of the design, with Shift forth. Not while typing: there it undoes letters. */
export function useUndoKeys(): void {
  const { undo, redo } = useOpenJob('undo', 'redo');
  useHotkeys(KEYS.undo.press, ({ shiftKey }) => (shiftKey ? redo : undo)?.(), {
    // By the letter, not by its place: Z lies elsewhere on some keyboards.
    useKey: true,
    ignoreModifiers: true,
    ignoreEventWhen: (event) => !(event.ctrlKey || event.metaKey),
    preventDefault: true,
  });
}
