'use client';
import { useState } from 'react';
import { type Bank, LINK_WAYS, rowOf } from '@/core/design';
import { type Sharing, takeOff, UNEVEN, usualLink } from '@/core/bank';
import { round3, show, sizeName } from '@/core/quantity';
import { CONDUCTORS } from '@/core/rules';
import { useAsked, useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Worked } from '@/ui/working/Worked';
import { TableBeside } from '@/ui/chart/TableBeside';
import { Choice, Figure } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';

const WAYS = {
  'one end': 'in a row, taken off at one end',
  diagonal: 'in a row, taken off diagonally',
  middle: 'in a row, taken off at the middle',
  'bus bars': 'each by its own leads to bus bars',
} as const;
const pct = (x: number) => `${Math.round(100 * x)} %`;

/** How the strings of a bank share its current: links, take-off, and what would share it better. */
export function Links() {
  const design = useDesign();
  const put = usePut();
  const [id, setId] = useState('');
  const [amps, setAmps] = useState(100);
  const banks = design.banks.filter((b) => b.strings > 1);
  const bank = rowOf(banks, id) ?? banks[0];
  const school = design.boat.ruleSet;
  const shared = useAsked(bank ? `sharing:${bank.id}:${amps}` : null, (r) => r.sharing(bank?.id ?? '', amps));
  if (bank && !shared) return <p className="mt-4 text-quiet">Working it out.</p>;
  if (!bank || !shared)
    return (
      <p className="mt-4 max-w-[560px]">
        No bank has two strings or more in parallel: there is nothing to share. Strings are entered under banks.
      </p>
    );
  const to = (key: keyof Bank['links'], value: unknown) => put(['banks', bank.id, 'links', key], value, `links of ${bank.name}`);
  const columns = ['string', 'now, A', 'of an even share', 'after an hour, A', 'drawn in the hour, Ah'];
  const rows = shared.strings.map((s, i) => [String(i + 1), round3(s.amps), pct(s.ofMean), round3(s.afterHourA), round3(s.hourAh)]);
  return (
    <div className="max-w-[980px] pt-2">
      <div className="grid grid-cols-5 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Choice
          label="bank"
          value={bank.id}
          options={banks.map((b) => b.id)}
          names={Object.fromEntries(banks.map((b) => [b.id, b.name]))}
          onChange={setId}
        />
        <Choice label="tied" value={bank.links.way} options={LINK_WAYS} names={WAYS} onChange={(v) => to('way', v)} />
        <Choice
          label={bank.links.way === 'bus bars' ? 'leads' : 'links'}
          value={bank.links.size ?? ''}
          options={['', ...CONDUCTORS[school].map((c) => c.size)]}
          names={{
            '': `usual: ${sizeName(school, usualLink(school))}`,
            ...Object.fromEntries(CONDUCTORS[school].map((c) => [c.size, sizeName(school, c.size)])),
          }}
          onChange={(v) => to('size', v || null)}
        />
        <Figure label="length of each" kind="m" value={bank.links.lengthM} low={0.02} high={20} onChange={(v) => to('lengthM', v)} />
        <Figure label="current drawn" kind="A" value={amps} low={1} high={5000} onChange={setAmps} />
      </div>
      <p className="mt-3 max-w-[760px]" data-verdict>
        {shared.worstOverMean <= UNEVEN ? (
          <>
            Shared well enough: the hardest worked string gives <b className="font-semibold">{pct(shared.worstOverMean)}</b> of an even
            share.
          </>
        ) : (
          <>
            <b className="font-semibold text-lead">Uneven: one string gives {pct(shared.worstOverMean)} of an even share</b> and ages that
            much faster. {remedy(bank, shared, school)}
          </>
        )}
      </p>
      <Picture bank={bank} shared={shared} />
      <div className="mt-4 grid grid-cols-2 gap-10">
        <div>
          <h2 className="font-semibold">String by string</h2>
          <Plain
            label="String by string"
            columns={columns.map((title, i) => ({ title, right: i > 0 }))}
            rows={rows.map(([string = '', now, ...others]) => ({
              id: string,
              cells: [
                string,
                <Worked key="a" at={{ kind: 'links', id: `${bank.id}:${amps}` }} of={`string ${string}`}>
                  {now}
                </Worked>,
                ...others,
              ],
            }))}
          />
          <TableBeside title={`Strings of ${bank.name}`} columns={columns} rows={rows} />
        </div>
        <div>
          <h2 className="font-semibold">The same links, tied otherwise</h2>
          <Plain
            label="Ways to tie the strings"
            columns={[{ title: 'tied' }, { title: 'hardest worked', right: true }]}
            rows={shared.ways.map((w) => ({
              id: w.way,
              cells: [
                <span key="w" className={w.way === shared.way ? 'font-semibold' : ''}>
                  {WAYS[w.way]}
                </span>,
                pct(w.worstOverMean),
              ],
              opens: {
                of: `strings tied ${WAYS[w.way]}`,
                at: 1,
                lines: [
                  ...w.amps.map((a, i) => `string ${i + 1}: ${round3(a)} A`),
                  `the hardest worked, ÷ ${round3(shared.currentA / w.amps.length)} A of an even share`,
                ],
              },
            }))}
          />
          <p className="mt-1 text-[12px] text-quiet">
            Each link {round3(1000 * shared.linkOhm)} mΩ: copper at {show(20, 'C', design.boat)} and two sound joints of 0.03 mΩ. Each
            string {round3(1000 * shared.stringOhm)} mΩ{bank.sheet.mohm === null ? ', typical of its kind' : ", by its maker's figure"}.
            Strings of one age and charge are taken; an older one gives less.
          </p>
        </div>
      </div>
      <p className="caution mt-4 max-w-[760px]">
        A spanner across two posts is a short of thousands of amps: rings off, tools insulated, posts covered. Tie only batteries of one
        kind, age and state of charge, each fully charged and rested first; the maker&apos;s word and local code come first.
      </p>
    </div>
  );
}

function remedy(bank: Bank, shared: Sharing, school: 'awg' | 'metric'): string {
  const better = shared.ways.find((w) => w.way !== bank.links.way && w.way !== 'bus bars' && w.worstOverMean <= UNEVEN);
  const words = [
    ...(better ? [`Moved, so that the bank is tied ${WAYS[better.way]}, it is ${pct(better.worstOverMean)}.`] : []),
    ...(shared.sizeWanted ? [`As it is tied, links of ${sizeName(school, shared.sizeWanted)} would do.`] : []),
    ...(!better && bank.links.way !== 'bus bars' ? ['Own leads of one length to bus bars share evenly.'] : []),
  ];
  return words.join(' ');
}

const W = 940;
const H = 190;
const TOP = 34;
const BOTTOM = 156;

/** The strings side by side, rails above and below, each filled by its share. */
function Picture({ bank, shared }: { bank: Bank; shared: Sharing }) {
  const n = shared.strings.length;
  const pitch = Math.min(150, (W - 120) / n);
  const width = pitch * 0.62;
  const x = (i: number) => (W - pitch * n) / 2 + pitch * (i + 0.5);
  const bars = bank.links.way === 'bus bars';
  const off = takeOff(bank.links.way, n);
  const most = Math.max(...shared.strings.map((s) => s.ofMean), 1);
  const end = x(n - 1);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="chart mt-3 w-full border border-line bg-sheet"
      role="img"
      aria-label={`${bank.name}: ${shared.strings.map((s, i) => `string ${i + 1} gives ${round3(s.amps)} A`).join(', ')}`}
    >
      <g stroke="var(--ink)" strokeWidth={bars ? 4 : 1.5}>
        <line x1={x(0)} x2={end} y1={TOP} y2={TOP} />
        <line x1={x(0)} x2={end} y1={BOTTOM} y2={BOTTOM} />
      </g>
      {shared.strings.map((s, i) => {
        const height = (BOTTOM - TOP - 28) * (s.ofMean / most);
        return (
          <g key={i}>
            <g stroke="var(--ink)" strokeWidth={1.5}>
              <line x1={x(i)} x2={x(i)} y1={TOP} y2={TOP + 14} />
              <line x1={x(i)} x2={x(i)} y1={BOTTOM - 14} y2={BOTTOM} />
            </g>
            <rect
              x={x(i) - width / 2}
              y={BOTTOM - 14 - height}
              width={width}
              height={height}
              fill={s.ofMean > UNEVEN ? 'var(--lead)' : 'var(--verdigris)'}
              opacity={0.25}
            />
            <rect x={x(i) - width / 2} y={TOP + 14} width={width} height={BOTTOM - TOP - 28} fill="none" stroke="var(--ink)" />
            <text x={x(i)} y={(TOP + BOTTOM) / 2 - 3} fontSize={13} textAnchor="middle" fill="var(--ink)" fontWeight={600}>
              {round3(s.amps)} A
            </text>
            <text x={x(i)} y={(TOP + BOTTOM) / 2 + 14} fontSize={12} textAnchor="middle" fill="var(--quiet)">
              {pct(s.ofMean)}
            </text>
          </g>
        );
      })}
      {(
        [
          ['+', TOP, bars ? 0 : off.positiveAt - 1],
          ['−', BOTTOM, bars ? n - 1 : off.negativeAt - 1],
        ] as const
      ).map(([sign, y, at]) => (
        <g key={sign}>
          <circle cx={x(at)} cy={y} r={4.5} fill="var(--copper)" />
          <text x={x(at)} y={sign === '+' ? y - 10 : y + 22} fontSize={13} textAnchor="middle" fill="var(--copper)" fontWeight={600}>
            {sign} taken off here
          </text>
        </g>
      ))}
    </svg>
  );
}
