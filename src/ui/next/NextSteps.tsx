'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { nextSteps } from '@/core/design';
import { useDesign } from '@/ui/boat/context';

const SHOWN = 3;

/** The next three steps of the work, each leading to its station. */
export function NextSteps() {
  const steps = nextSteps(useDesign(), SHOWN);
  const boat = usePathname().split('/').slice(0, 3).join('/');
  return (
    <div className="mt-4 max-w-[520px]">
      <h2 className="font-semibold">Next</h2>
      <ol className="mt-1 list-decimal space-y-1 pl-5">
        {steps.map((s) => (
          <li key={s.say}>
            <Link href={`${boat}/${s.station}`} prefetch={false} className="plain font-semibold">
              {s.station === 'ac' ? 'AC' : s.station.charAt(0).toUpperCase() + s.station.slice(1)}
            </Link>
            : {s.say}
          </li>
        ))}
      </ol>
    </div>
  );
}
