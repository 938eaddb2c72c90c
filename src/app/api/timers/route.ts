import { runningTimers } from '@/features/batches/bell/queries';

export const dynamic = 'force-dynamic';

/** The timers that run, so that they ring in every room. */
export async function GET(): Promise<Response> {
  return Response.json(await runningTimers());
}
