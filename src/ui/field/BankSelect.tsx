'use client';
import { useDesign } from '@/ui/boat/context';

/** One of the boat's banks. @param label what stands before it. */
export function BankSelect({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (id: string) => void;
}) {
  const { banks } = useDesign();
  return (
    <label>
      {label}{' '}
      <select className="box" value={value} onChange={(e) => onChange(e.target.value)}>
        {banks.map((b) => (
          <option key={b.id} value={b.id}>
            {b.name}
          </option>
        ))}
      </select>
    </label>
  );
}
