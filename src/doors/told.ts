/** What a request is told while it waits: how far it is, then the answer. One line of JSON each. */
export type Told<Answer> = { readonly read: number; readonly of: number } | { readonly answer: Answer };

/** Milliseconds between two words about how far it is. */
const OFTEN = 150;

/**
 * Answers while the work goes on: lines of JSON, the last of which is the answer. `signal` is aborted when the client has left.
 */
export function tellWhile<Answer>(
  request: Request,
  work: (how: { readonly signal: AbortSignal; readonly tell: (read: number, of: number) => void }) => Promise<Answer>,
  onError: Answer,
): Response {
  const gone = new AbortController();
  request.signal.addEventListener('abort', () => gone.abort());
  const encoder = new TextEncoder();
  let last = 0;
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (told: Told<Answer>) => {
        if (!gone.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(told)}\n`));
      };
      const tell = (read: number, of: number) => {
        if (performance.now() - last < OFTEN) return;
        last = performance.now();
        say({ read, of });
      };
      try {
        say({ answer: await work({ signal: gone.signal, tell }) });
      } catch (error) {
        if (!gone.signal.aborted) console.error(error);
        say({ answer: onError });
      }
      if (!gone.signal.aborted) controller.close();
    },
    cancel() {
      gone.abort();
    },
  });
  return new Response(body, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } });
}
