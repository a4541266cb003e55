import { notFound } from 'next/navigation';
import { stationOf } from '@/stations/registry';
import { Screen } from '@/stations/Screen';

export default async function StationPage({ params }: { params: Promise<{ station: string }> }) {
  const station = stationOf((await params).station);
  if (!station) notFound();
  return <Screen id={station.id} />;
}
