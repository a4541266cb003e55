import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="mx-auto max-w-[560px] p-12">
      <h1 className="text-[18px] font-bold">There is nothing at this address</h1>
      <p className="mt-2">The boat may have been removed, or the address mistyped.</p>
      <Link href="/" className="plain mt-4 inline-block">
        All boats
      </Link>
    </main>
  );
}
