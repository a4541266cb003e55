import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { openBoat } from '@/server/boats';
import { database } from '@/server/database';
import { work } from '@/server/work/pool';
import { STATIONS } from '@/stations/registry';
import { BoatProvider } from '@/ui/boat/context';
import { Frame } from '@/ui/frame/Frame';

export const dynamic = 'force-dynamic';

export default async function BoatLayout({ children, params }: { children: ReactNode; params: Promise<{ id: string }> }) {
  const { id } = await params;
  const boat = openBoat(database(), id);
  if (!boat) notFound();
  return (
    <BoatProvider initial={boat} analysis={await work().run('analysis', boat.design)}>
      <Frame boatId={id} stations={STATIONS}>
        {children}
      </Frame>
    </BoatProvider>
  );
}
