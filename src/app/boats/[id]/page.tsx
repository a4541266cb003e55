import { redirect } from 'next/navigation';

export default async function BoatPage({ params }: { params: Promise<{ id: string }> }) {
  redirect(`/boats/${(await params).id}/survey`);
}
