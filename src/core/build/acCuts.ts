/** AC runs for the cut list: one cable of three or four cores each, landed core by core. */
import { type AcCircuitResult, acCircuits, type Core } from '../ac';
import type { AcCircuit, Design } from '../design';
import { sizeName } from '../quantity';
import { AC_COLOURS, AC_JACKET } from '../rules';
import type { Cut } from './cut';
import { endName } from './ends';

/** A run that is cut, with what protects it. */
export interface AcPiece {
  readonly cut: Cut;
  readonly result: AcCircuitResult;
  readonly device: string;
}

const colourOf = ({ boat }: Design, core: Core): string => {
  const { live, neutral, earth } = AC_COLOURS[boat.colourScheme];
  if (core === 'neutral') return neutral;
  if (core === 'earth') return earth;
  return (core === 'live' ? live[0] : (live[1] ?? live[0])) ?? '';
};

/** Every AC run. A breaker decides how cores land at its end; at the other they go into clamps, and into the lead of what has one. */
export function acPieces(design: Design): AcPiece[] {
  const results = new Map(acCircuits(design).map((r) => [r.id, r]));
  return design.acCircuits.flatMap((c) => {
    const result = results.get(c.id);
    return result ? [piece(design, c, result)] : [];
  });
}

function piece(design: Design, c: AcCircuit, r: AcCircuitResult): AcPiece {
  const { school, size, areaMm2, massKgPerKm } = r.conductor;
  const landed = r.family.terminal[school] === 'clamp' ? 'screw clamp' : r.family.terminal[school];
  const far = c.to?.kind === 'panel' && landed !== 'screw clamp' ? landed : 'screw clamp';
  return {
    result: r,
    device: `${r.family.name} ${r.ratingA} A, ${c.poles === 1 ? 'one pole' : `${c.poles} poles`}${c.leakageMa === null ? '' : `, ${c.leakageMa} mA residual`}`,
    cut: {
      circuitId: c.id,
      no: c.no,
      serves: c.name,
      polarity: 'cable',
      size: `${r.cores.length} × ${sizeName(school, size)}`,
      cores: r.cores.length,
      massKgPerKm: massKgPerKm * r.cores.length * AC_JACKET,
      areaMm2,
      colour: r.cores.map((core) => colourOf(design, core)).join(' / '),
      lengthM: r.lengthM,
      taped: c.lengthM !== null,
      fromEnd: endName(landed, school, size),
      toEnd: endName(far, school, size),
      label: `${c.no} AC ${c.name}`,
    },
  };
}
