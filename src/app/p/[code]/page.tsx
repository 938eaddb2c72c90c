import { redirect } from 'next/navigation';

export const dynamic = 'force-dynamic';

/** What the QR of a label opens: the pack in hand, in the store. */
export default async function Page({ params }: { params: Promise<{ code: string }> }) {
  const { code } = await params;
  redirect(`/store?pack=${encodeURIComponent(decodeURIComponent(code).slice(0, 12))}`);
}
