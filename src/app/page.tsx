import { Home } from '@/stations/home/Home';
import { listBoats } from '@/server/boats';
import { database } from '@/server/database';

export const dynamic = 'force-dynamic';

export default function HomePage() {
  return <Home boats={listBoats(database())} />;
}
