'use client';
import { useState } from 'react';
import { type Boat, HULLS, placesAlongOps, ruleSetOps, setOp } from '@/core/design';
import { RULE_SETS } from '@/core/rules';
import { useDesign, useStore } from '@/ui/boat/context';
import { Choice, Entry, Figure } from '@/ui/field';

/** Her figures and conventions. Units may be switched at any time: what is stored stays as it was entered. */
export function BoatFacts() {
  const design = useDesign();
  const store = useStore();
  const { boat } = design;
  const put = (key: keyof Boat, value: unknown, label: string) => store.edit(label, [setOp(design, ['boat', key], value)]);
  const [hullWas, setHullWas] = useState<Pick<Boat, 'lengthM' | 'beamM'> | null>(null);
  const moves = hullWas ? placesAlongOps(design, hullWas) : [];
  const putHull = (key: 'lengthM' | 'beamM', value: number, label: string) => {
    if (value === boat[key]) return;
    setHullWas(moves.length > 0 ? hullWas : { lengthM: boat.lengthM, beamM: boat.beamM });
    put(key, value, label);
  };
  const putRuleSet = (to: 'awg' | 'metric') => {
    const { ops, said } = ruleSetOps(design, to);
    if (ops.length === 0) return;
    store.edit('rule set', [...ops]);
    if (said.length > 0) store.say('said', `With the rules went ${said.join(', ')}: each can be set back by itself, or all taken back.`);
  };
  return (
    <>
      <Entry
        label="name"
        value={boat.name}
        parse={(t) =>
          t.trim() === ''
            ? { ok: false, message: 'a name is needed' }
            : t.length > 120
              ? { ok: false, message: 'at most 120 letters' }
              : { ok: true, value: t }
        }
        onChange={(t) => put('name', t.trim(), 'name of the boat')}
      />
      <div className="grid grid-cols-2 gap-3">
        <Figure label="length" kind="m" value={boat.lengthM} low={3} high={60} onChange={(v) => putHull('lengthM', v, 'length')} />
        <Figure label="beam" kind="m" value={boat.beamM} low={1} high={20} onChange={(v) => putHull('beamM', v, 'beam')} />
        <Figure label="draft" kind="m" value={boat.draftM} low={0.2} high={6} onChange={(v) => put('draftM', v, 'draft')} />
        <Figure label="freeboard" kind="m" value={boat.freeboardM} low={0.3} high={6} onChange={(v) => put('freeboardM', v, 'freeboard')} />
        <Choice label="hull" value={boat.hull} options={HULLS} onChange={(v) => put('hull', v, 'hull')} />
        <Choice
          label="DC system, V"
          value={String(boat.systemV)}
          options={['12', '24', '48']}
          onChange={(v) => put('systemV', Number(v), 'system voltage')}
        />
        <Choice
          label="shore power"
          value={boat.acRegion}
          options={['120 V', '120/240 V', '230 V']}
          onChange={(v) => put('acRegion', v, 'AC region')}
        />
        <Choice
          label="rule set"
          value={boat.ruleSet}
          options={['awg', 'metric']}
          names={{ awg: RULE_SETS.awg.name, metric: RULE_SETS.metric.name }}
          onChange={(v) => putRuleSet(v === 'awg' ? 'awg' : 'metric')}
        />
        <Choice label="lengths in" value={boat.lengthUnit} options={['m', 'ft']} onChange={(v) => put('lengthUnit', v, 'unit of length')} />
        <Choice
          label="temperatures in"
          value={boat.tempUnit}
          options={['C', 'F']}
          names={{ C: '°C', F: '°F' }}
          onChange={(v) => put('tempUnit', v, 'unit of temperature')}
        />
        <Choice label="masses in" value={boat.massUnit} options={['kg', 'lb']} onChange={(v) => put('massUnit', v, 'unit of mass')} />
        <Choice
          label="wire colours"
          value={boat.colourScheme}
          options={['north-american', 'international']}
          names={{ 'north-american': 'North American' }}
          onChange={(v) => put('colourScheme', v, 'colour scheme')}
        />
      </div>
      {moves.length > 0 ? (
        <p role="status" className="border-l-2 border-copper pl-2">
          {moves.length} {moves.length === 1 ? 'place stands' : 'places stand'} where the hull as it was put{' '}
          {moves.length === 1 ? 'it' : 'them'}.{' '}
          <button
            type="button"
            className="plain font-semibold"
            onClick={() => {
              store.edit('places with the hull', [...moves]);
              setHullWas(null);
            }}
          >
            move {moves.length === 1 ? 'it' : 'them'} along
          </button>{' '}
          <button type="button" className="plain" onClick={() => setHullWas(null)}>
            leave {moves.length === 1 ? 'it' : 'them'}
          </button>
        </p>
      ) : null}
      <Entry
        label="notes"
        value={boat.note}
        parse={(t) => (t.length > 2000 ? { ok: false, message: 'at most 2000 letters' } : { ok: true, value: t })}
        onChange={(t) => put('note', t, 'notes')}
      />
      <p className="text-[12px] text-quiet">{RULE_SETS[boat.ruleSet].source}.</p>
    </>
  );
}
