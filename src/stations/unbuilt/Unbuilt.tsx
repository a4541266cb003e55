/** Stations that are not built yet: what each will do, and what to do meanwhile. */
const WORDS: Readonly<Record<string, { title: string; will: string; meanwhile: string }>> = {
  monitoring: {
    title: 'Monitoring',
    will: 'Shunt, gauge and alarms: size, place, programming sheet, and what bypasses the shunt.',
    meanwhile: 'List the gauge under Loads as always live, and keep every negative but its own off the battery post.',
  },
  commission: {
    title: 'Commission',
    will: 'Tests with an expected figure beside the measured one: polarity, drop at a stated current, everything that should be dead when the switch is off.',
    meanwhile: 'The working of each circuit on Wiring gives the drop to expect at its working current.',
  },
  log: {
    title: 'Log',
    will: 'The boat’s record: work, parts, readings, photos, yearly checks.',
    meanwhile: 'Every edit is kept with its time. Export the design as a file at each milestone.',
  },
};

export function Unbuilt({ id }: { id: string }) {
  const words = WORDS[id];
  return (
    <div className="max-w-[560px] p-6">
      <h1 className="text-[18px] font-bold">{words?.title ?? id}</h1>
      <p className="mt-1 text-faint">This station is not built yet.</p>
      <h2 className="mt-5 font-semibold">What it will do</h2>
      <p className="mt-1">{words?.will}</p>
      <h2 className="mt-4 font-semibold">Meanwhile</h2>
      <p className="mt-1">{words?.meanwhile}</p>
    </div>
  );
}
