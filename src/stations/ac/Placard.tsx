'use client';
import type { CSSProperties } from 'react';
import type { PlacardLine } from '@/core/ac';
import { rowOf } from '@/core/design';
import { useAsked, useDesign } from '@/ui/boat/context';

/** Lines of the largest type that a page holds, and characters to a line of it. */
const PAGE_LINES = 32;
const LINE_CHARS = 78;

/** How far the type shrinks so that the page stays one: a crowded boat's lines are many. */
function fitOf(lines: readonly PlacardLine[]): number {
  const rows = (text: string) => Math.max(1, Math.ceil(text.length / LINE_CHARS));
  const asked = lines.reduce(
    (sum, l) =>
      sum +
      2.6 +
      (l.all
        ? 1
        : l.rules.length > 0
          ? l.rules.reduce((n, r) => n + rows(`${r.lead}: ${r.text}`), 0)
          : l.sets.reduce((n, s) => n + rows(s.join(' + ')), 0)) +
      (l.also.length > 0 ? rows(l.also.map((s) => s.join(' + ')).join('; or ')) : 0) +
      (l.never.length > 0 ? 1 : 0) +
      (l.wanted !== '' && l.wanted !== 'fits' ? 2 : 0),
    8,
  );
  // Smaller type also takes more characters to a line.
  return Math.max(0.55, Math.min(1, Math.sqrt(PAGE_LINES / asked) * Math.min(1, (PAGE_LINES / asked) ** 0.15)));
}

/** One page for the owner, to hang beside the panel. */
export function Placard() {
  const design = useDesign();
  const lines = useAsked('placard', (r) => r.placard()) ?? [];
  const wanted = design.acRules.wanted.map((id) => rowOf(design.acLoads, id)?.name).filter(Boolean);
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 pb-8" tabIndex={0} role="region" aria-label="placard">
      <p className="screen-only flex items-baseline gap-4 pt-1">
        <button type="button" className="act" disabled={lines.length === 0} onClick={() => window.print()}>
          print the placard
        </button>
        <span className="text-quiet">One page, to stick beside the panel.</span>
      </p>
      {lines.length === 0 ? (
        <p className="mt-3 max-w-[560px]">With sources and appliances entered, what may run at once is shown here in plain words.</p>
      ) : (
        <article
          style={{ '--fit': fitOf(lines) } as CSSProperties}
          className="placard mt-3 max-w-[820px] print:max-w-[720px] border-[3px] border-ink bg-sheet p-6"
          aria-label="Placard"
        >
          <h2 className="text-[calc(26px*var(--fit))] leading-tight font-bold">{design.boat.name}: what can run at the same time</h2>
          {lines.map((l) => (
            <section key={l.setting} className="keep mt-4 border-t-2 border-ink pt-2">
              <h3 className="text-[calc(20px*var(--fit))] font-bold">{l.setting}</h3>
              {l.all ? <p className="text-[calc(17px*var(--fit))]">Everything at once.</p> : null}
              {l.all ? null : l.rules.length > 0 ? (
                <>
                  <ul>
                    {l.rules.map((rule) => (
                      <li key={`${rule.lead} ${rule.text}`} className="text-[calc(17px*var(--fit))] leading-snug">
                        <b>{rule.lead}:</b> {rule.text}
                      </li>
                    ))}
                  </ul>
                  {l.allowed < 0.95 ? (
                    <p className="screen-only text-[13px] text-quiet">
                      So many appliances on so few amps ask for more rules than anybody reads: these never open a breaker, and leave{' '}
                      {Math.round(100 * l.allowed)} % of the largest mixes that would fit. Fewer appliances on it, or a word under &quot;not
                      with&quot;, make them plainer.
                    </p>
                  ) : null}
                  {l.also.length > 0 ? (
                    <p className="text-[calc(14px*var(--fit))]">
                      <b>Also:</b> {l.also.map((set) => set.join(' + ')).join('; or ')}
                    </p>
                  ) : null}
                </>
              ) : (
                l.sets.map((set, i) => (
                  <p key={set.join()} className="text-[calc(16.5px*var(--fit))] leading-snug">
                    {i === 0 ? '' : <b>or </b>}
                    {set.join(' + ')}
                  </p>
                ))
              )}
              {!l.all && l.rules.length === 0 && l.more > 0 ? (
                <p className="text-[calc(14px*var(--fit))]">Other mixes of these fit too; leave something out when in doubt.</p>
              ) : null}
              {l.never.length > 0 ? (
                <p className="text-[calc(16.5px*var(--fit))]">
                  <b>Never here:</b> {l.never.join(', ')}
                </p>
              ) : null}
              {l.wanted !== '' && l.wanted !== 'fits' ? (
                <p className="text-[calc(15px*var(--fit))]">
                  <b>For {wanted.join(', ').toLowerCase()}:</b> {l.wanted}
                </p>
              ) : null}
            </section>
          ))}
          <p className="mt-4 border-t-2 border-ink pt-2 text-[calc(15px*var(--fit))]">
            <b>If a breaker opens:</b> switch something off, then close it once. Opens again: leave it, and find out why. Shore lead: in
            aboard first, ashore last; breaker off before it is drawn. Tingling in the water or from metal: nobody swims, call an
            electrician.
          </p>
          <p className="mt-1 text-[13px]">
            Figures of {design.boat.name} as designed. Local code and the makers&apos; instructions come first.
          </p>
        </article>
      )}
    </div>
  );
}
