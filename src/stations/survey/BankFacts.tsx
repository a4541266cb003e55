'use client';
import { MARKS, round3, show } from '@/core/quantity';
import { addOp, type Bank, blankBank, CHEMISTRY_IDS, dropOp, setOp, usualBankPlace } from '@/core/design';
import { CHEMISTRIES } from '@/core/rules';
import { useAnalysis, useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { Choice, Entry, Figure } from '@/ui/field';

const NAMES = Object.fromEntries(CHEMISTRY_IDS.map((id) => [id, CHEMISTRIES[id].name]));

/** A first bank, enough for fault currents, sag and hours; the Bank station goes further. */
export function BankFacts() {
  const design = useDesign();
  const { banks } = useAnalysis();
  const store = useStore();
  const freshId = useFreshId();
  const units = design.boat;
  const put = (bank: Bank, key: keyof Bank, value: unknown, label: string) =>
    store.edit(`${label} of ${bank.name}`, [setOp(design, ['banks', bank.id, key], value)]);
  const optional = (bank: Bank, key: 'cca' | 'shortCircuitA', label: string, high: number) => (
    <Entry
      label={label}
      mono
      value={bank[key] === null ? '' : String(bank[key])}
      parse={(t) => {
        const n = Number(t.replace(',', '.'));
        return t.trim() === '' || (n >= 50 && n <= high) ? { ok: true, value: t } : { ok: false, message: `50 to ${high} A, or empty` };
      }}
      onChange={(t) => put(bank, key, t.trim() === '' ? null : Number(t.replace(',', '.')), label)}
    />
  );
  return (
    <>
      {design.banks.map((bank) => {
        const source = banks.find((b) => b.bankId === bank.id);
        const used = design.circuits.some((c) => c.from.kind === 'bank' && c.from.id === bank.id);
        return (
          <div key={bank.id} className="space-y-3 border-b border-ink pb-3">
            <Entry
              label="bank"
              value={bank.name}
              parse={(t) => (t.trim() === '' ? { ok: false, message: 'a name is needed' } : { ok: true, value: t })}
              onChange={(t) => put(bank, 'name', t.trim().slice(0, 120), 'name')}
            />
            <div className="grid grid-cols-2 gap-3">
              <Choice
                label="chemistry"
                value={bank.chemistry}
                options={CHEMISTRY_IDS}
                names={NAMES}
                onChange={(v) => put(bank, 'chemistry', v, 'chemistry')}
              />
              <Choice
                label="place"
                value={bank.placeId ?? ''}
                options={['', ...design.places.map((p) => p.id)]}
                names={{ '': 'none yet', ...Object.fromEntries(design.places.map((p) => [p.id, p.name])) }}
                onChange={(v) => put(bank, 'placeId', v === '' ? null : v, 'place')}
              />
              <Choice
                label="block, V"
                value={String(bank.blockV)}
                options={['2', '6', '12', '24', '48']}
                onChange={(v) => put(bank, 'blockV', Number(v), 'block volts')}
              />
              <Figure
                label="block"
                kind="Ah"
                value={bank.blockAh}
                low={1}
                high={5000}
                onChange={(v) => put(bank, 'blockAh', v, 'capacity')}
              />
              <Figure
                label="blocks in series"
                kind="none"
                value={bank.series}
                low={1}
                high={24}
                onChange={(v) => put(bank, 'series', Math.round(v), 'series')}
              />
              <Figure
                label="strings in parallel"
                kind="none"
                value={bank.strings}
                low={1}
                high={16}
                onChange={(v) => put(bank, 'strings', Math.round(v), 'strings')}
              />
              {optional(bank, 'cca', 'cranking amps, if stated', 20000)}
              {optional(bank, 'shortCircuitA', 'short-circuit A, if stated', 200000)}
              <Choice label="figures are" value={bank.mark} options={MARKS} onChange={(v) => put(bank, 'mark', v, 'source of figures')} />
            </div>
            {source ? (
              <dl className="grid grid-cols-[1fr_auto] gap-y-1">
                <dt className="text-quiet">bank</dt>
                <dd className="reading text-right">
                  {round3(source.nominalV)} V, {round3(source.capacityAh)} Ah
                </dd>
                <dt className="text-quiet">usable</dt>
                <dd className="reading tone-typical text-right">{show(source.usableAh, 'Ah', units)}</dd>
                <dt className="text-quiet">resistance</dt>
                <dd className="reading tone-typical text-right">{show(source.ohm, 'ohm', units)}</dd>
                <dt className="text-quiet">into a dead short</dt>
                <dd className={`reading text-right ${source.faultIsMakers ? '' : 'tone-typical'}`}>
                  {show(source.largestFaultA, 'A', units)}
                </dd>
              </dl>
            ) : null}
            <button
              type="button"
              className="plain"
              disabled={used}
              aria-description={used ? 'Circuits start at it: move them first' : undefined}
              onClick={() => store.edit(`remove ${bank.name}`, [dropOp(design, 'banks', bank.id)])}
            >
              remove {bank.name}
            </button>
          </div>
        );
      })}
      {design.banks.length === 0 ? (
        <p className="text-quiet">
          A first bank gives fault currents, sag at the posts and hours without a source. Typical figures stand in until the maker&apos;s
          are known.
        </p>
      ) : null}
      <button
        type="button"
        className="act"
        onClick={() =>
          store.edit('add a bank', [addOp(design, 'banks', blankBank(freshId('b'), design.boat.systemV, usualBankPlace(design.places)))])
        }
      >
        add a bank
      </button>
      <p className="caution">
        A bank short-circuited by a ring or a spanner burns at thousands of amps. Rings and watches off, insulated tools, posts covered;
        lead-acid gas explodes. Local code, the maker&apos;s instructions and licensed practice come first.
      </p>
    </>
  );
}
