import { notFound } from 'next/navigation';
import { REGISTRY } from '@/stations/registry';
import { Unbuilt } from '@/stations/unbuilt/Unbuilt';

export default async function StationPage({ params }: { params: Promise<{ station: string }> }) {
  const { station } = await params;
  const found = REGISTRY.find((s) => s.id === station);
  if (!found) notFound();
  const { Screen } = found;
  return Screen ? <Screen /> : <Unbuilt id={station} />;
}
