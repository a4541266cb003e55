'use client';
import Link from 'next/link';
import { useState } from 'react';
import { QuickChecks } from '@/ui/quick/QuickChecks';
import { View, Viewed, Views } from '@/ui/views/Views';
import { SketchedPath } from '@/ui/path/SketchedPath';
import { UNITS } from '@/ui/schoolUnits';

const VIEWS = ['three checks', 'what is wrong on a path'] as const;

/** The three checks without a boat on file. */
export function FiveMinutes() {
  const [view, setView] = useState<(typeof VIEWS)[number]>('three checks');
  const [school, setSchool] = useState<'awg' | 'metric'>('metric');
  return (
    <main className="mx-auto max-w-[1040px] p-6">
      <p className="screen-only flex items-baseline gap-4">
        <Link className="plain" href="/" prefetch={false}>
          boats
        </Link>
        <label className="ml-auto">
          school{' '}
          <select className="box" value={school} onChange={(e) => setSchool(e.target.value as typeof school)}>
            <option value="metric">mm², metres</option>
            <option value="awg">AWG, feet</option>
          </select>
        </label>
      </p>
      <h1 className="screen-only mt-2 text-[22px] font-bold">Five minutes on any boat</h1>
      <Viewed showing={view} onShow={setView}>
        <p className="screen-only mt-1 flex gap-4">
          <Views views={VIEWS} label="What to look into" />
        </p>
        <View of={view} className="mt-2">
          {view === 'three checks' ? (
            <QuickChecks units={UNITS[school]} where="any" />
          ) : (
            <SketchedPath key={school} units={UNITS[school]} />
          )}
        </View>
      </Viewed>
    </main>
  );
}
