'use client';
/** The outputs of a charger: which battery each goes to, the most it gives, its lead and its fuse. */
import { addOp, anotherOutput, furtherOutputs, machineOfOutput, outputA, removeMachines, rowOf, setOp, type Source } from '@/core/design';
import { round3, sizeName } from '@/core/quantity';
import { useAnalysis, useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { Choice, OptionalFigure } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';

export function Outputs({ source }: { source: Source }) {
  const design = useDesign();
  const { leads } = useAnalysis();
  const store = useStore();
  const fresh = useFreshId();
  const machine = machineOfOutput(design.sources, source);
  if (machine !== source)
    return (
      <p className="mt-3">
        An output of <b className="font-semibold">{machine.name}</b>: what it draws of AC, its mass and its price are there.
      </p>
    );
  const outputs = [machine, ...furtherOutputs(design.sources, machine.id)];
  const free = design.banks.find((b) => outputs.every((s) => s.bankId !== b.id));
  const set = (id: string, path: readonly string[], to: unknown, label: string) =>
    store.edit(`${label} of ${machine.name}`, [setOp(design, ['sources', id, ...path], to)]);
  const another = () => {
    const no = outputs.length + 1;
    const terminals = Math.max(machine.charger?.outputs ?? 1, no);
    store.edit(`another output of ${machine.name}`, [
      setOp(design, ['sources', machine.id, 'charger', 'outputs'], terminals),
      addOp(design, 'sources', anotherOutput(machine, fresh('q'), no, free?.id ?? null)),
    ]);
  };
  /** Size of its positive lead and the fuse in it, as they are chosen. */
  const ledBy = (s: Source): string => {
    const lead = design.leads.find((l) => l.rail === 'positive' && [l.from, l.to].some((e) => e.kind === 'source' && e.id === s.id));
    const result = lead && rowOf(leads, lead.id);
    if (!result) return s.pathMohm === null ? 'no lead yet: Wiring, main side, “propose”' : 'its path is entered';
    const { ratingA, familyName } = result.device?.own.protection ?? { ratingA: null, familyName: '' };
    return `${sizeName(result.conductor.school, result.conductor.size)}${ratingA === null ? ', no fuse' : `, ${ratingA} A ${familyName}`}`;
  };
  return (
    <>
      <h3 className="mt-4 font-semibold">Outputs</h3>
      <Plain
        label={`Outputs of ${machine.name}`}
        columns={[{ title: 'output' }, { title: 'battery' }, { title: 'most it gives' }, { title: 'lead and fuse' }, { title: '' }]}
        rows={outputs.map((s, i) => ({
          id: s.id,
          cells: [
            `${i + 1}`,
            <Choice
              key="b"
              label={`battery of output ${i + 1}`}
              value={s.bankId ?? ''}
              options={['', ...design.banks.map((b) => b.id)]}
              names={{ '': 'none', ...Object.fromEntries(design.banks.map((b) => [b.id, b.name])) }}
              onChange={(v) => set(s.id, ['bankId'], v || null, `battery of output ${i + 1}`)}
            />,
            <OptionalFigure
              key="a"
              label={i === 0 ? 'of output 1 (empty: all)' : `of output ${i + 1}`}
              kind="A"
              value={i === 0 ? (machine.charger?.firstA ?? null) : s.ratedA}
              low={0}
              high={2000}
              onChange={(v) =>
                i === 0
                  ? set(s.id, ['charger', 'firstA'], v, 'most of output 1')
                  : set(s.id, ['ratedA'], v ?? machine.ratedA, `most of output ${i + 1}`)
              }
            />,
            ledBy(s),
            i === 0 ? (
              ''
            ) : (
              <button
                key="x"
                type="button"
                className="plain"
                onClick={() => store.edit(`remove ${s.name}`, removeMachines(design, 'sources', [s.id]))}
              >
                remove output {i + 1}
              </button>
            ),
          ],
        }))}
      />
      <p className="mt-1">
        <button type="button" className="act" disabled={outputs.length >= 6 || design.sources.length >= 24} onClick={another}>
          another output
        </button>{' '}
        {outputs.length > 1 ? (
          <span className="text-[12px] text-quiet">
            {round3(machine.ratedA)} A in all, each up to its own most ({outputs.map((s) => `${round3(outputA(s))} A`).join(', ')}). Where
            there is not enough for all, the days are reckoned with a share by the capacity of each battery.
          </span>
        ) : null}
      </p>
    </>
  );
}
