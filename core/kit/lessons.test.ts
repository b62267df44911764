import { expect, test } from 'vitest';
import { type LessonState, lessonRefusal } from './lessons.ts';

const lesson = (state: LessonState) => ({ state, kitId: 'k' });
const draft = { kitId: 'k', state: 'draft' };

test.each([
  ['waits, and is taken into a draft', lesson('waiting'), 'taken', draft, '', null],
  ['was set aside, and is taken in after all', lesson('aside'), 'taken', draft, '', null],
  ['was taken', lesson('taken'), 'left', draft, 'no', 'notWaiting'],
  ['was left', lesson('left'), 'taken', draft, '', 'notWaiting'],
  ['is left without a reason', lesson('waiting'), 'left', null, ' ', 'whyNeeded'],
  ['is set aside with one', lesson('waiting'), 'aside', null, 'next year', null],
  ['has no draft to go into', lesson('waiting'), 'taken', null, '', 'noDraft'],
  ['would go into what is released', lesson('waiting'), 'taken', { ...draft, state: 'released' }, '', 'noDraft'],
  ['would go into another kit', lesson('waiting'), 'taken', { ...draft, kitId: 'other' }, '', 'otherKit'],
  ['belongs to no kit', { state: 'waiting', kitId: null }, 'taken', draft, '', 'otherKit'],
] as const)('a lesson %s', (_, one, to, into, why, refusal) => expect(lessonRefusal(one, to, into, why)).toBe(refusal));
