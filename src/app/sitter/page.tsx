import { sitterView } from '@/features/today/sitter/queries';
import { Sitter } from '@/features/today/sitter/Sitter';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Feeding sheet' };

/** A sheet for whoever feeds the dogs for some days. */
export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { from, to } = await searchParams;
  const one = (value: string | string[] | undefined) => (typeof value === 'string' ? value : undefined);
  const view = await sitterView({ from: one(from), to: one(to) });
  return <Sitter key={`${view.typed.from} ${view.typed.to}`} view={view} />;
}
