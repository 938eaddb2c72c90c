import { comesIn } from '@/doors/come-in';

export const dynamic = 'force-dynamic';

export const GET = comesIn;
export const POST = comesIn;
