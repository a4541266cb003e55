import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { openBoat, type OpenBoat } from '@/server/boats';
import { lastGood } from '@/server/checkpoints';
import { database } from '@/server/database';
import { LOOK_HEADER } from '@/server/gate';
import { DamagedBoat } from '@/server/stored';
import { work } from '@/server/work/pool';
import { Damaged } from '@/stations/home/Damaged';
import { STATIONS } from '@/stations/registry';
import { BoatProvider } from '@/ui/boat/context';
import { Frame } from '@/ui/frame/Frame';

export const dynamic = 'force-dynamic';

export default async function BoatLayout({ children, params }: { children: ReactNode; params: Promise<{ id: string }> }) {
  const { id } = await params;
  let boat: OpenBoat | null;
  try {
    boat = openBoat(database(), id);
  } catch (error) {
    if (!(error instanceof DamagedBoat)) throw error;
    const good = lastGood(database(), id);
    return <Damaged boatId={id} problem={error.problem} good={good && { revision: good.revision, at: good.at }} />;
  }
  if (!boat) notFound();
  return (
    <BoatProvider
      initial={{ ...boat, looksOnly: (await headers()).get(LOOK_HEADER) === '1' }}
      analysis={await work().run('analysis', boat.design)}
    >
      <Frame boatId={id} stations={STATIONS}>
        {children}
      </Frame>
    </BoatProvider>
  );
}
