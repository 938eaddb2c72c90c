import { helpFor, type Help } from '@/core/heat/remedies';

/** What the page asks the worker, and what the worker answers: plain data both ways. */
export type HelpQuestion = Parameters<typeof helpFor>;

self.onmessage = (event: MessageEvent<HelpQuestion>) => {
  self.postMessage(helpFor(...event.data) satisfies Help[]);
};
