import { goingTo } from '@/server/gate';
import { Enter } from '@/stations/door/Enter';

export default async function EnterPage({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) {
  const { to } = await searchParams;
  return <Enter to={goingTo(typeof to === 'string' ? to : null)} />;
}
