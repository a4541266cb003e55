'use client';
import { CONDUCTORS } from '@/core/rules';
import { useDesign } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';

/** The largest size the firm's tools crimp: what is beyond it leads the list of tools. */
export function LargestCrimp() {
  const { boat, house } = useDesign();
  const put = usePut();
  const { largestCrimp } = house;
  const school = largestCrimp?.school ?? boat.ruleSet;
  return (
    <p className="screen-only mt-1">
      <label>
        our tools crimp up to{' '}
        <select
          className="box"
          value={largestCrimp?.size ?? ''}
          onChange={(e) =>
            put(['house', 'largestCrimp'], e.target.value === '' ? null : { school, size: e.target.value }, 'largest size the tools crimp')
          }
        >
          <option value="">not said</option>
          {CONDUCTORS[school].map(({ size }) => (
            <option key={size} value={size}>
              {size} {school === 'metric' ? 'mm²' : 'AWG'}
            </option>
          ))}
        </select>
      </label>
    </p>
  );
}
