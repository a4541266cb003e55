import { Home } from '@/stations/home/Home';
import { BOAT_ORDERS, findBoats } from '@/server/boats';
import { backupsTold } from '@/server/care';
import { database } from '@/server/database';

export const dynamic = 'force-dynamic';

const PAGE = 200;

export default async function HomePage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const asked = await searchParams;
  const sought = typeof asked.q === 'string' ? asked.q.slice(0, 120) : '';
  const from = Math.max(0, Math.floor(Number(asked.from ?? 0)) || 0);
  const order = BOAT_ORDERS.find((o) => o === asked.order) ?? 'changed';
  const { boats, total } = findBoats(database(), sought, from, PAGE, order);
  return <Home boats={boats} total={total} sought={sought} order={order} from={from} page={PAGE} backups={backupsTold(process.env)} />;
}
