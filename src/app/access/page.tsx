import { grantsNow } from '@/server/access';
import { database } from '@/server/database';
import { isGuarded } from '@/server/gate';
import { Access } from '@/stations/door/Access';

export const dynamic = 'force-dynamic';

export default function AccessPage() {
  return <Access guarded={isGuarded(process.env)} {...grantsNow(database())} />;
}
