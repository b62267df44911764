import type { Finding, FitRule } from '../finding.ts';

/** Hours to slide a cradle on its slots, check it all round and torque it again; common practice. */
export const SLIDE_HOURS = 0.5;

/** Each cradle as one piece: the slide that suits all its demands together, or the two that exclude each other. */
export const commonSlide: FitRule = {
  id: 'commonSlide',
  judge: ({ slides }) =>
    slides.flatMap(({ cradle, slide }): Finding[] => {
      const base = { rule: 'commonSlide', subject: cradle.name, unmeasured: [] } as const;
      if (slide.found) {
        if (slide.slideMm === 0) return [];
        return [
          {
            ...base,
            verdict: 'afterWork',
            left: { value: slide.slideMm, kind: 'length', source: 'sheet' },
            right: { value: slide.room.from, to: slide.room.to, kind: 'length', source: 'library' },
            margin: null,
            work: { hours: SLIDE_HOURS, slideMm: slide.slideMm, step: `Slide ${cradle.name}, check all round, torque` },
          },
        ];
      }
      // A bolt that nothing meets is told by its own rule.
      if (slide.between?.[0] === slide.between?.[1]) return [];
      const [a, b] = slide.between ?? [null, null];
      return [
        {
          ...base,
          verdict: 'doesNotFit',
          left: { value: a?.name ?? 'all demands together', kind: null, source: 'sheet' },
          right: { value: b?.name ?? 'no one slide', kind: null, source: 'library' },
          margin: slide.shortMm === null ? null : { value: -slide.shortMm, kind: 'length' },
          work: null,
        },
      ];
    }),
};
