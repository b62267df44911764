/** What a lesson can be about. */
export const LESSON_ABOUT = ['job', 'stage', 'snag', 'reading', 'finding', 'check'] as const;
export type LessonAbout = (typeof LESSON_ABOUT)[number];

/** Taken into a draft; left as it is, with why; set aside until later. */
export const LESSON_STATES = ['waiting', 'taken', 'left', 'aside'] as const;
export type LessonState = (typeof LESSON_STATES)[number];

export type LessonRefusal = 'noDraft' | 'notWaiting' | 'whyNeeded' | 'otherKit';

/**
 * May a lesson be settled this way? It is taken into a draft of its own kit; leaving it and setting it aside want a
 * reason; one that was set aside can still be taken in or left, one that was taken or left stays so.
 */
export function lessonRefusal(
  lesson: { readonly state: LessonState; readonly kitId: string | null },
  to: Exclude<LessonState, 'waiting'>,
  draft: { readonly kitId: string; readonly state: string } | null,
  why: string,
): LessonRefusal | null {
  if (lesson.state === 'taken' || lesson.state === 'left') return 'notWaiting';
  if (to !== 'taken') return why.trim() === '' ? 'whyNeeded' : null;
  if (draft?.state !== 'draft') return 'noDraft';
  return draft.kitId === lesson.kitId ? null : 'otherKit';
}
