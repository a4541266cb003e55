'use client';
import { rowOf } from '@/core/design';
import { useAsked, useDesign } from '@/ui/boat/context';

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
        <article className="placard mt-3 max-w-[820px] print:max-w-[720px] border-[3px] border-ink bg-sheet p-6" aria-label="Placard">
          <h2 className="text-[26px] leading-tight font-bold">{design.boat.name}: what can run at the same time</h2>
          {lines.map((l) => (
            <section key={l.setting} className="keep mt-4 border-t-2 border-ink pt-2">
              <h3 className="text-[20px] font-bold">{l.setting}</h3>
              {l.all ? <p className="text-[17px]">Everything at once.</p> : null}
              {l.all ? null : l.rules.length > 0 ? (
                <>
                  <ul>
                    {l.rules.map((rule) => (
                      <li key={`${rule.lead} ${rule.text}`} className="text-[17px] leading-snug">
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
                    <p className="text-[14px]">
                      <b>Also:</b> {l.also.map((set) => set.join(' + ')).join('; or ')}
                    </p>
                  ) : null}
                </>
              ) : (
                l.sets.map((set, i) => (
                  <p key={set.join()} className="text-[16.5px] leading-snug">
                    {i === 0 ? '' : <b>or </b>}
                    {set.join(' + ')}
                  </p>
                ))
              )}
              {!l.all && l.rules.length === 0 && l.more > 0 ? (
                <p className="text-[14px]">Other mixes of these fit too; leave something out when in doubt.</p>
              ) : null}
              {l.never.length > 0 ? (
                <p className="text-[16.5px]">
                  <b>Never here:</b> {l.never.join(', ')}
                </p>
              ) : null}
              {l.wanted !== '' && l.wanted !== 'fits' ? (
                <p className="text-[15px]">
                  <b>For {wanted.join(', ').toLowerCase()}:</b> {l.wanted}
                </p>
              ) : null}
            </section>
          ))}
          <p className="mt-4 border-t-2 border-ink pt-2 text-[15px]">
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
