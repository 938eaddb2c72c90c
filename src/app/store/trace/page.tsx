import { traceAsked, traceView } from '@/features/store/trace/queries';
import { Trace } from '@/features/store/trace/Trace';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Where it went' };

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  return <Trace view={await traceView(traceAsked(await searchParams))} />;
}
