import { z } from 'zod';
import { MACHINE_KINDS } from '@/core/preserve/machine-model';
import { logOf, machineActSchema, machines } from '@/devices/machines';
import { machinesNow } from '@/devices/machines-now';
import { readJson } from '@/doors/body';

export const dynamic = 'force-dynamic';

const kindSchema = z.enum(MACHINE_KINDS);

/** What the simulated machines say; with `log`, one machine's log as CSV. Without machines 204. */
export function GET(request: Request): Response {
  const all = machines();
  if (!all) return new Response(null, { status: 204 });
  const asked = new URL(request.url).searchParams.get('log');
  if (asked === null) return Response.json(machinesNow(Date.now()));
  const kind = kindSchema.safeParse(asked);
  if (!kind.success) return Response.json({ error: 'Which machine?' }, { status: 400 });
  return new Response(logOf(all[kind.data].says(Date.now())), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${kind.data}.csv"`,
      'cache-control': 'no-store',
    },
  });
}

/** Bytes that it takes to say so, and some more. */
const LONGEST = 10_000;

const askedSchema = z.object({ kind: kindSchema, do: machineActSchema });

/** Does something to a simulated machine. Answers what all of them say then. */
export async function POST(request: Request): Promise<Response> {
  const sent = await readJson(request, LONGEST);
  if (!sent.ok) return Response.json({ error: 'A machine and what is done to it.' }, { status: sent.status });
  const asked = askedSchema.safeParse(sent.value);
  if (!asked.success) return Response.json({ error: 'A machine and what is done to it.' }, { status: 400 });
  machines()?.[asked.data.kind].act(asked.data.do, Date.now());
  return Response.json(machinesNow(Date.now()));
}
