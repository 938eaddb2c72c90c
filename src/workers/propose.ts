import { propose } from '@/core/nutrition/propose';

/** What the page asks the worker, and what the worker answers: plain data both ways. */
export type ProposeQuestion = Parameters<typeof propose>;
export type ProposeAnswer = ReturnType<typeof propose>;

self.onmessage = (event: MessageEvent<ProposeQuestion>) => {
  self.postMessage(propose(...event.data) satisfies ProposeAnswer);
};
