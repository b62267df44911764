import type { Difficulty, StageTemplate } from '../core/kit/kit.ts';

export const DIFFICULTY_NAME: Readonly<Record<Difficulty, string>> = {
  plain: 'plain work',
  practised: 'wants practice',
  expert: 'for experts',
};

/** How hard a stage is: what the kit says; live high voltage is for experts whatever it says. */
export const difficultyOf = ({ difficulty, liveHv }: Pick<StageTemplate, 'difficulty' | 'liveHv'>): Difficulty =>
  liveHv ? 'expert' : (difficulty ?? 'plain');
