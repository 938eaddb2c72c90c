import { z } from 'zod';
import { INSTRUMENTS } from '@/core/cook/settled';
import { switchMachines } from '@/devices/machines';
import { drives, instruments, switchInstruments } from '@/devices/shelf';
import { driveSchema } from '@/devices/simulated';
import { readJson } from '@/doors/body';

export const dynamic = 'force-dynamic';

/** ms between two samples. */
const EVERY = 250;

/** What the instruments send, as server-sent events; without any, 204: nobody asks again. */
export function GET(request: Request): Response {
  if (!instruments()) return new Response(null, { status: 204 });
  const encoder = new TextEncoder();
  let end = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const beat = setInterval(() => {
        const now = Date.now();
        const sent = Object.values(instruments() ?? {}).flatMap((each) => each.sample(now) ?? []);
        controller.enqueue(encoder.encode(`data: ${JSON.stringify(sent)}\n\n`));
      }, EVERY);
      end = () => clearInterval(beat);
      request.signal.addEventListener('abort', end);
    },
    cancel: () => end(),
  });
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } });
}

/** Bytes that it takes to say so, and some more. */
const LONGEST = 10_000;

const askedSchema = z.union([
  z.object({ on: z.boolean() }),
  z.object({ kind: z.enum(INSTRUMENTS), drive: driveSchema }),
]);

/** Drives the instruments: on or off, or what lies on one. Answers how they are driven now. */
export async function POST(request: Request): Promise<Response> {
  const sent = await readJson(request, LONGEST);
  if (!sent.ok) return Response.json({ error: 'An instrument and how it is driven.' }, { status: sent.status });
  const asked = askedSchema.safeParse(sent.value);
  if (!asked.success) return Response.json({ error: 'An instrument and how it is driven.' }, { status: 400 });
  if ('on' in asked.data) {
    switchInstruments(asked.data.on);
    switchMachines(asked.data.on);
  } else instruments()?.[asked.data.kind].driveTo(asked.data.drive);
  return Response.json(drives());
}
