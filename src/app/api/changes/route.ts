import { onChange } from '@/data/changes';

export const dynamic = 'force-dynamic';

/** Longer than a quiet line may be silent, in ms: proxies and sleeping tablets drop it then. */
const BEAT = 15_000;

/** A stream of server-sent events: one for each change that was kept, so that a second device shows it too. */
export function GET(request: Request): Response {
  const encoder = new TextEncoder();
  let end = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const say = (text: string) => controller.enqueue(encoder.encode(text));
      const stop = onChange(() => say('data: changed\n\n'));
      const beat = setInterval(() => say(': still here\n\n'), BEAT);
      end = () => {
        stop();
        clearInterval(beat);
      };
      request.signal.addEventListener('abort', () => {
        end();
        // The stream may have been cancelled before its request was.
        try {
          controller.close();
        } catch {
          // It is closed.
        }
      });
      say('retry: 1000\n\n');
    },
    cancel: () => end(),
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
}
