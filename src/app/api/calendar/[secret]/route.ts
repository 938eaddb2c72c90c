import { timingSafeEqual } from 'node:crypto';
import { agendaCalendar } from '@/core/stock/agenda-calendar';
import { readAgenda } from '@/data/agenda';
import { pageQuery } from '@/data/page';

export const dynamic = 'force-dynamic';

const isSame = (given: string, secret: string) =>
  given.length === secret.length && timingSafeEqual(Buffer.from(given), Buffer.from(secret));

const calendarOf = pageQuery(async (read, given: string): Promise<string | undefined> => {
  const { household, now } = read;
  const { calendarSecret, timeZone } = household;
  if (given !== 'file' && (calendarSecret === null || !isSame(given, calendarSecret))) return undefined;
  return agendaCalendar(await readAgenda(read), { timeZone, made: now });
});

/** What is to be done, as a calendar: a file for the one who is here, or at the address that only the household knows. */
export async function GET(_request: Request, { params }: { params: Promise<{ secret: string }> }): Promise<Response> {
  const { secret } = await params;
  const body = await calendarOf(secret);
  if (body === undefined) return new Response('There is no such calendar.', { status: 404 });
  return new Response(body, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'cache-control': 'no-store',
      ...(secret === 'file' ? { 'content-disposition': 'attachment; filename="hodman.ics"' } : {}),
    },
  });
}
