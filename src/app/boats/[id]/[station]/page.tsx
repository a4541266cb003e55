import { notFound } from 'next/navigation';
import { stationOf } from '@/stations/registry';
import { Screen } from '@/stations/Screen';
import { Unbuilt } from '@/stations/unbuilt/Unbuilt';

export default async function StationPage({ params }: { params: Promise<{ station: string }> }) {
  const station = stationOf((await params).station);
  if (!station) notFound();
  return station.built ? <Screen id={station.id} /> : <Unbuilt id={station.id} />;
}
