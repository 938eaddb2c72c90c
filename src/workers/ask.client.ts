'use client';

/** Asks a worker once. `stop` ends it at once, whatever it is doing; the answer then never comes. */
export function askWorker<Question, Answer>(
  worker: Worker,
  question: Question,
  onAnswer: (answer: Answer) => void,
  onFailure: () => void,
): { readonly stop: () => void } {
  worker.onmessage = (event: MessageEvent<Answer>) => {
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
