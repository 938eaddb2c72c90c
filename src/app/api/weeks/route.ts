import { weeksNow } from '@/features/weeks/now/queries';

export const dynamic = 'force-dynamic';

/** Where solving the weeks is. */
export async function GET(): Promise<Response> {
  return Response.json(await weeksNow());
}
