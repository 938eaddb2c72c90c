import { instruments } from '@/devices/shelf';
import { AT_REST } from '@/devices/simulated';
import { Instruments } from '@/features/household/Instruments';

export const dynamic = 'force-dynamic';
export const metadata = { title: 'Instruments' };

export default function Page() {
  const on = instruments();
  const first = on
    ? { on: true, scale: on.scale.drive(), probe: on.probe.drive() }
    : { on: false, scale: AT_REST.scale, probe: AT_REST.probe };
  return <Instruments first={first} />;
}
