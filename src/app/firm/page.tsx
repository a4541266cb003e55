import { FirmPage } from '@/stations/firm/FirmPage';

// Its scripts carry a nonce of the answer they came with.
export const dynamic = 'force-dynamic';

export default function Page() {
  return <FirmPage />;
}
