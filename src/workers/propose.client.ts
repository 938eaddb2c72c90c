'use client';

import { askWorker } from './ask.client';
import type { ProposeAnswer, ProposeQuestion } from './propose';

/** Asks for the additions that balance a recipe. */
export const askForAdditions = (
  question: ProposeQuestion,
  onAnswer: (answer: ProposeAnswer) => void,
  onFailure: () => void,
) => askWorker(new Worker(new URL('./propose.ts', import.meta.url), { type: 'module' }), question, onAnswer, onFailure);
