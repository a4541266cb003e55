import { FiveMinutes } from '@/stations/home/FiveMinutes';

// Its scripts carry a nonce of the answer they came with.
export const dynamic = 'force-dynamic';

export default function Page() {
  return <FiveMinutes />;
}
