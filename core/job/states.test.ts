import { describe, expect, test } from 'vitest';
import {
  isOpen,
  JOB_ACTIONS,
  JOB_STATES,
  jobRefusal,
  stateAfterChoice,
  stateAfterClockOn,
  stateAfterFinish,
} from './states.ts';

describe('what may be done in which state', () => {
  test('nothing more is done to what is over, besides moving the vehicle, leaving it and noting what was learnt', () => {
    for (const state of ['handedOver', 'cancelled'] as const) {
      const possible = JOB_ACTIONS.filter((action) => jobRefusal(state, action) === null);
      expect(possible).toEqual(['clockOff', 'move', 'lesson', 'cost', 'state']);
      expect(isOpen(state)).toBe(false);
    }
  });
  test('an enquiry is worked out and measured, and takes no clock, part, reading or signature', () => {
    const refused = JOB_ACTIONS.filter((action) => jobRefusal('enquiry', action) !== null);
    expect(refused).toEqual([
      'sellDesign',
      'parts',
      'stages',
      'clockOn',
      'confirmLive',
      'reading',
      'decideReading',
      'finish',
      'sign',
      'register',
      'wish',
    ]);
  });
  test('what is being sized takes everything but a signature; later states take everything', () => {
    for (const state of ['sizing', 'offered', 'agreed'] as const)
      expect(JOB_ACTIONS.filter((action) => jobRefusal(state, action))).toEqual(['sign']);
    for (const state of ['waitingForClient', 'waitingForPart', 'waitingOutside', 'building', 'proving'] as const)
      expect(JOB_ACTIONS.filter((action) => jobRefusal(state, action))).toEqual([]);
  });
});

describe('states follow from what is done', () => {
  test('the first clock-on begins the building, wherever the job waited', () => {
    expect(JOB_STATES.map(stateAfterClockOn)).toEqual([
      'enquiry',
      ...Array(7).fill('building'),
      'proving',
      'handedOver',
      'cancelled',
    ]);
  });
  test('a choice makes an enquiry one that is being sized; the last stage sends it to be proved', () => {
    expect(stateAfterChoice('enquiry')).toBe('sizing');
    expect(stateAfterChoice('building')).toBe('building');
    expect(stateAfterFinish('building', 1)).toBe('building');
    expect(stateAfterFinish('building', 0)).toBe('proving');
    expect(stateAfterFinish('proving', 0)).toBe('proving');
  });
});
