'use client';
import { useEffect, useState } from 'react';
import { aboardSteps, benchSteps, briefly, type MadePiece } from '@/core/build';
import { cutTo, show } from '@/core/quantity';
import { useDesign, useStore } from '@/ui/boat/context';
import { Steps, usePalms } from './Passport';

/** Cards of pieces, four to a page: each can be cut out and taken along. */
export function Cards({ pieces }: { pieces: readonly MadePiece[] }) {
  return (
    <div className="mt-3 grid grid-cols-2 gap-3 max-[900px]:grid-cols-1 print:grid-cols-2">
      {pieces.map((p) => (
        <Card key={p.cut.id} piece={p} />
      ))}
    </div>
  );
}

function Card({ piece: p }: { piece: MadePiece }) {
  const design = useDesign();
  const store = useStore();
  const palms = usePalms()(p.cut.id);
  const units = design.boat;
  return (
    <article className="keep border border-ink p-3 print:text-[10.5px]" aria-label={`Card of ${p.cut.label}`}>
      <div className="flex items-start justify-between gap-2">
        <div>
          <h3 className="text-[14px] font-bold">{p.cut.label}</h3>
          <p>
            <span className="reading">{p.cut.size}</span> {p.cut.colour},{' '}
            <b>{p.cutMm === null ? `${show(p.reservedM, 'm', units)} set aside` : cutTo(p.cutMm, units)}</b>
          </p>
          <p className="text-quiet">
            {p.ends[0].on.name} → {p.ends[1].on.name}
          </p>
        </div>
        <Code address={`/boats/${store.boatId}/build?piece=${encodeURIComponent(p.cut.id)}`} label={p.cut.label} />
      </div>
      <Steps steps={briefly([...benchSteps(p, palms, design.house, units), ...aboardSteps(p, palms, design.house, units)])} />
    </article>
  );
}

/** The address of the row, for a camera. */
function Code({ address, label }: { address: string; label: string }) {
  const [path, setPath] = useState<{ d: string; size: number } | null>(null);
  useEffect(() => {
    let live = true;
    void import('qrcode').then(({ create }) => {
      const { modules } = create(`${window.location.origin}${address}`, { errorCorrectionLevel: 'M' });
      let d = '';
      for (let y = 0; y < modules.size; y++) for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) d += `M${x} ${y}h1v1h-1z`;
      if (live) setPath({ d, size: modules.size });
    });
    return () => {
      live = false;
    };
  }, [address]);
  if (!path) return <span className="inline-block h-[72px] w-[72px]" />;
  return (
    <svg
      role="img"
      aria-label={`Code of ${label}`}
      width={72}
      height={72}
      viewBox={`-2 -2 ${path.size + 4} ${path.size + 4}`}
      className="flex-none"
    >
      {/* Black on white whatever the scheme: a camera reads nothing else. */}
      <rect x={-2} y={-2} width={path.size + 4} height={path.size + 4} fill="#fff" />
      <path d={path.d} fill="#000" />
    </svg>
  );
}
