'use client';

import type { Help } from '@/core/heat/remedies';
import { askWorker } from './ask.client';
import type { HelpQuestion } from './pan-help';

/** Asks what helps a pan that cools too slowly. */
export const askForHelp = (question: HelpQuestion, onAnswer: (answer: Help[]) => void, onFailure: () => void) =>
  askWorker(new Worker(new URL('./pan-help.ts', import.meta.url), { type: 'module' }), question, onAnswer, onFailure);
