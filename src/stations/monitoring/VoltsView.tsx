'use client';
import { useState } from 'react';
import { type Gauge, rowOf } from '@/core/design';
import { show } from '@/core/quantity';
import { voltCard } from '@/core/monitoring';
import { useDesign } from '@/ui/boat/context';
import { Plain } from '@/ui/table/Plain';

/** What volts say of the charge: at rest, and while something is drawn. */
export function VoltsView({ gauge }: { gauge: Gauge }) {
  const design = useDesign();
  const [amps, setAmps] = useState('10');
  const bank = rowOf(design.banks, gauge.bankId);
  if (!bank) return <p className="pt-3 text-quiet">Its bank is not in the design.</p>;
  const loadA = Number(amps.replace(',', '.'));
  const known = Number.isFinite(loadA) && loadA >= 0 && loadA <= 2000;
  const lines = voltCard(bank, known ? loadA : 0, design.boat);
  return (
    <div className="max-w-[520px] pt-2">
      <label>
        drawn while it is read, A{' '}
        <input
          className="box reading w-[70px]"
          inputMode="decimal"
          value={amps}
          aria-invalid={!known}
          onChange={(e) => setAmps(e.target.value)}
        />
      </label>
      <Plain
        label="Charge by volts"
        columns={[
          { title: 'charge', right: true },
          { title: 'at rest, V', right: true },
          { title: 'under that load, V', right: true },
        ]}
        rows={lines.map((l) => ({
          id: String(l.soc),
          cells: [`${Math.round(l.soc * 100)} %`, l.restV.toFixed(2), l.loadedV.toFixed(2)],
          opens: { of: `volts at ${Math.round(l.soc * 100)} %`, at: 2, lines: l.of },
        }))}
      />
      <p className="mt-2 text-[12px] text-quiet">
        At rest means hours after charging and drawing, at {show(25, 'C', design.boat)}.{' '}
        {bank.chemistry === 'lfp' ? 'Of iron phosphate volts say little between 20 and 90 %: count amps.' : 'Cold and age lower them.'}
        {gauge.behindSwitch ? ' This one reads behind the house switch: what the switch and its cable lose is not counted here.' : ''}
      </p>
    </div>
  );
}
