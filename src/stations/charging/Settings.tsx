'use client';
import dynamic from 'next/dynamic';
import { setpointV, SETTINGS } from '@/core/charging';
import { show, unitOf } from '@/core/quantity';
import { CHEMISTRIES } from '@/core/rules';
import { useAsked, useDesign } from '@/ui/boat/context';
import { Worked } from '@/ui/working/Worked';
import { TableBeside } from '@/ui/chart/TableBeside';

const Curves = dynamic(() => import('@/ui/chart/Curves'), { ssr: false });
const IDS = ['flooded', 'agm', 'gel', 'lfp'] as const;
const WORDS = { right: 'right', note: 'note', fix: 'fix', stop: 'stop' } as const;
const TONES = ['var(--copper)', 'var(--verdigris)', 'var(--quiet)', 'var(--ink)'] as const;
const DASHES = ['6 3', '', '2 2', '9 3 2 3'] as const;

/** Every source's settings against its battery's maker and the BMS, worst first. */
export function Settings() {
  const design = useDesign();
  const answer = useAsked('settings', (r) => r.settings());
  const rows = answer ?? [];
  const units = design.boat;
  const times = units.systemV / 12;
  const degrees = unitOf('C', units);
  const temperatures = Array.from({ length: 12 }, (_, i) => -10 + 5 * i);
  const at = (id: (typeof IDS)[number], t: number) => {
    const c = CHEMISTRIES[id];
    return t < c.chargeMinC ? null : setpointV(c.absorptionV * times, c.slopeMvPerCCell, c.cellsPer12V * times, t);
  };
  const changes = rows.flatMap((r) => r.settings.filter((s) => s.change !== '').map((s) => ({ row: r, s })));
  return (
    <div className="pt-2">
      {answer === null ? (
        <p className="text-quiet">Working it out.</p>
      ) : rows.length === 0 ? (
        <p className="max-w-[560px]">
          No source charges a bank yet. Under sources say which bank each charges: then its settings are laid beside the battery&apos;s
          here.
        </p>
      ) : (
        <>
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Settings matrix">
            <table className="w-full min-w-[960px] text-left" aria-label="Settings against the battery makers' figures">
              <thead>
                <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
                  <th className="pr-3 font-medium">source and bank</th>
                  {SETTINGS.map((s) => (
                    <th key={s} className="pr-3 font-medium">
                      {s}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.map((r) => (
                  <tr key={r.source.id} className="border-b border-line align-top">
                    <td className="py-1 pr-3">
                      <b className="font-semibold">{r.source.name}</b>
                      <br />
                      <span className="text-quiet">{r.bank.name}</span>
                    </td>
                    {SETTINGS.map((name) => {
                      const s = r.settings.find((x) => x.name === name);
                      return (
                        <td key={name} className={`py-1 pr-3 text-[12px] ${s?.verdict === 'stop' ? 'text-lead' : ''}`}>
                          {s ? (
                            <>
                              {s.verdict === 'right' ? null : <b className="font-semibold">{WORDS[s.verdict]}: </b>}
                              <Worked at={{ kind: 'setting', id: `${r.source.id}:${name}` }} of={`${r.source.name}, ${name}`}>
                                {s.now}
                              </Worked>
                              <br />
                              <span className="text-quiet">wants {s.wanted}</span>
                            </>
                          ) : (
                            <span className="text-faint">–</span>
                          )}
                        </td>
                      );
                    })}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <h2 className="mt-4 font-semibold">To change, worst first</h2>
          {changes.length === 0 ? <p>Nothing: every source suits its bank.</p> : null}
          <ol className="max-w-[860px]">
            {changes
              .sort((a, b) =>
                a.s.verdict === b.s.verdict
                  ? 0
                  : ['stop', 'fix', 'note'].indexOf(a.s.verdict) - ['stop', 'fix', 'note'].indexOf(b.s.verdict),
              )
              .map(({ row, s }) => (
                <li key={`${row.source.id}${s.name}`} className="border-b border-line py-1">
                  <b className={`font-semibold ${s.verdict === 'stop' ? 'text-lead' : ''}`}>{WORDS[s.verdict]}</b> {row.source.name},{' '}
                  {s.name}: {s.change}.
                </li>
              ))}
          </ol>
          <TableBeside
            title="Settings matrix"
            columns={['source', 'bank', 'setting', 'now', 'wanted', 'verdict', 'change']}
            rows={rows.flatMap((r) => r.settings.map((s) => [r.source.name, r.bank.name, s.name, s.now, s.wanted, s.verdict, s.change]))}
          />
        </>
      )}
      <h2 className="mt-5 font-semibold">Absorption by the battery&apos;s temperature</h2>
      <div className="max-w-[820px]">
        <Curves
          label="Absorption volts by temperature and chemistry"
          data={temperatures.map((t) => ({ t: degrees.to(t), ...Object.fromEntries(IDS.map((id) => [id, at(id, t)])) }))}
          x={{ key: 't', unit: ` ${degrees.name}` }}
          unit=" V"
          height={210}
          curves={IDS.map((id, i) => ({
            key: id,
            name: CHEMISTRIES[id].name,
            color: TONES[i] ?? 'var(--ink)',
            dash: DASHES[i] ?? '',
            width: 1.8,
          }))}
        />
        <TableBeside
          title="Absorption by temperature"
          columns={['at', ...IDS.map((id) => `${CHEMISTRIES[id].name}, V`)]}
          rows={temperatures.map((t) => [show(t, 'C', units), ...IDS.map((id) => at(id, t)?.toFixed(2) ?? 'no charge')])}
        />
      </div>
      <p className="caution mt-3 max-w-[760px]">
        The sensor goes on the warmest battery of the bank, near its middle, not on a hot surface; batteries of one bank more than{' '}
        {show(5, 'dC', design.boat)}
        apart are the real finding. Others mount it away from engine heat so that it reads true: then the warm battery is overcharged by the
        slope times the difference. Local code, the maker&apos;s instructions and licensed practice come first.
      </p>
    </div>
  );
}
