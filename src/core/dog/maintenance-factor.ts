/** How much a dog works. */
export const WORKS = ['none', 'light', 'moderate', 'heavy'] as const;
export type Work = (typeof WORKS)[number];

export const WORK_WORDS: Readonly<Record<Work, string>> = {
  none: 'walks and the sofa',
  light: 'light work',
  moderate: 'moderate work',
  heavy: 'heavy work',
};

export interface MaintenanceFactor {
  readonly factor: number;
  readonly low: number;
  readonly high: number;
  readonly because: string;
}

const FACTORS: Readonly<Record<'prone' | 'neutered' | 'entire' | Exclude<Work, 'none'>, MaintenanceFactor>> = {
  prone: { factor: 1.2, low: 1.0, high: 1.4, because: 'prone to gain' },
  light: { factor: 2.0, low: 1.6, high: 2.0, because: 'light work' },
  moderate: { factor: 3.0, low: 2.0, high: 5.0, because: 'moderate work' },
  heavy: { factor: 5.0, low: 5.0, high: 11.0, because: 'heavy work' },
  neutered: { factor: 1.6, low: 1.4, high: 1.6, because: 'neutered adult without work' },
  entire: { factor: 1.8, low: 1.6, high: 1.8, because: 'entire adult without work' },
};

/**
 * By how much an adult's resting energy is multiplied.
 * Precedence: prone to gain, then work, then neuter status; growth and weight goals come before all of them elsewhere.
 * Source: AAHA 2021 and common veterinary tables, from memory; the range of light work is ours, from neutered to 2.0.
 */
export function maintenanceFactor(dog: { neutered: boolean; proneToGain: boolean; work: Work }): MaintenanceFactor {
  if (dog.proneToGain) return FACTORS.prone;
  if (dog.work !== 'none') return FACTORS[dog.work];
  return dog.neutered ? FACTORS.neutered : FACTORS.entire;
}
