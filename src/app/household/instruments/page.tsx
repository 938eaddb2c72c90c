import { drives } from '@/devices/shelf';
import { Instruments } from '@/features/household/Instruments';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Instruments' };

export default function Page() {
  return <Instruments first={drives()} />;
}
