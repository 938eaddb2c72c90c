import { notFound } from 'next/navigation';
import { orUnread, Unreadable } from '@/core/unreadable';
import { UnreadPage } from '@/ui/Unread';
import { PackLarge } from '@/features/store/pack/PackLarge';
import { packView } from '@/features/store/queries';

export const dynamic = 'force-dynamic';

/** A code as it stands in an address; one that is mangled is none. */
function codeIn(text: string): string | undefined {
  try {
    return decodeURIComponent(text).trim().slice(0, 12);
  } catch {
    return undefined;
  }
}

/** What the QR of a label opens: the pack in hand, large. */
export default async function Page({ params }: { params: Promise<{ code: string }> }) {
  const code = codeIn((await params).code);
  if (!code) notFound();
  const pack = await orUnread(packView(code));
  if (pack instanceof Unreadable) return <UnreadPage what={pack.what} />;
  return <PackLarge code={code} pack={pack} />;
}
