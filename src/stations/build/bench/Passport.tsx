'use client';
import { aboardSteps, benchSteps, type BenchStep, type MadePiece, PALMS } from '@/core/build';
import { cutTo, round3, show } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { useBook } from '@/ui/boat/useBook';

/** How the two palms of a piece lie to each other, as somebody has noted; '': nobody has. */
export function usePalms(): (pieceId: string) => string {
  const { marks } = useBook();
  return (id) => {
    const noted = marks.get(`palms:${id}`)?.body.state;
    return typeof noted === 'string' && noted !== 'back' ? noted : '';
  };
}

/** One piece: what it is, how it is made, where it lands. */
export function Passport({ piece: p }: { piece: MadePiece }) {
  const design = useDesign();
  const { add } = useBook();
  const palms = usePalms()(p.cut.id);
  const units = design.boat;
  const bench = benchSteps(p, palms, design.house, units);
  const aboard = aboardSteps(p, palms, design.house, units);
  const bothPalms = p.ends.every((e) => /^(lug|ring)/.test(e.terminal));
  return (
    <section aria-label={`Passport of ${p.cut.label}`}>
      <h2 className="text-[15px] font-bold">{p.cut.label}</h2>
      <p>
        <span className="reading">{p.cut.size}</span> {p.cut.colour},{' '}
        {p.cutMm === null ? `${show(p.reservedM, 'm', units)} set aside` : cutTo(p.cutMm, units)}; from {p.ends[0].on.name} to{' '}
        {p.ends[1].on.name}. At {show(20, 'C', units)} <span className="reading">{`${round3(p.mohm)} mΩ`}</span>: at 10 A{' '}
        <span className="reading">{`${round3(p.mohm * 10)} mV`}</span> from end to end.
      </p>
      <p className="mt-1 text-quiet">
        {p.first === 0 ? 'First end' : 'Far end'} first: {p.why}.
      </p>
      {bothPalms ? (
        <label className="mt-1 block">
          palms to each other{' '}
          <select
            className="box"
            value={palms}
            onChange={(e) =>
              add([{ kind: 'mark', thing: `palms:${p.cut.id}`, body: { state: e.target.value === '' ? 'back' : e.target.value } }])
            }
          >
            <option value="">not measured</option>
            {PALMS.map((a) => (
              <option key={a}>{a}</option>
            ))}
          </select>
        </label>
      ) : null}
      <h3 className="mt-3 font-semibold">At the bench</h3>
      <Steps steps={bench} />
      <h3 className="mt-3 font-semibold">Aboard</h3>
      <Steps steps={aboard} />
    </section>
  );
}

export function Steps({ steps }: { steps: readonly BenchStep[] }) {
  return (
    <ol className="mt-1 list-decimal pl-5">
      {steps.map((s) => (
        <li key={s.id} className="mt-[2px]">
          {s.do}
          {s.note ? <span className="block text-[11.5px] text-quiet">{s.note}</span> : null}
          {s.hazard ? <span className="block text-[11.5px] font-semibold text-lead">{s.hazard}</span> : null}
        </li>
      ))}
    </ol>
  );
}
