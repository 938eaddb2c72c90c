'use client';

import type { ProposeAnswer, ProposeQuestion } from './propose';

/** Asks the worker once. `stop` ends it at once, whatever it is doing; the answer then never comes. */
export function askForAdditions(
  question: ProposeQuestion,
  onAnswer: (answer: ProposeAnswer) => void,
  onFailure: () => void,
): { readonly stop: () => void } {
  const worker = new Worker(new URL('./propose.ts', import.meta.url), { type: 'module' });
  worker.onmessage = (event: MessageEvent<ProposeAnswer>) => {
    worker.terminate();
    onAnswer(event.data);
  };
  worker.onerror = () => {
    worker.terminate();
    onFailure();
  };
  worker.postMessage(question);
  return { stop: () => worker.terminate() };
}
