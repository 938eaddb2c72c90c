import { z } from 'zod';
import { MACHINE_KINDS } from '@/core/preserve/machine-model';
import { logOf, machineActSchema, machines } from '@/devices/machines';
import { machinesNow } from '@/devices/machines-now';

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

const askedSchema = z.object({ kind: kindSchema, do: machineActSchema });

/** Does something to a simulated machine. Answers what all of them say then. */
export async function POST(request: Request): Promise<Response> {
  const asked = askedSchema.safeParse(await request.json().catch(() => undefined));
  if (!asked.success) return Response.json({ error: 'A machine and what is done to it.' }, { status: 400 });
  machines()?.[asked.data.kind].act(asked.data.do, Date.now());
  return Response.json(machinesNow(Date.now()));
}
