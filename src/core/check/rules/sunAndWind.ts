/** Rules on solar and wind. */
import { arrayFigures, chargingV } from '../../charging';
import { setOp, type Source, nominalVOf } from '../../design';
import { bankSource } from '../../bank';
import { show } from '../../quantity';
import { SOURCES, when } from '../rule';
import type { ChargingParts } from './reads';
import { bankOf, type ChargingRule, source, sourceOf } from './chargingRule';

const figuresOf = (s: Source, design: ChargingParts) => s.solar && arrayFigures(s.solar, chargingV(design, s));

export const SUN_AND_WIND_RULES: readonly ChargingRule[] = [
  source(
    {
      id: 'cold-volts',
      severity: 'stop',
      reads: ['sources.solar'],
      when: 'the open volts of an array on the coldest morning reach what its controller takes',
      why: 'It is destroyed at sunrise.',
      todo: 'Fewer in series, or a controller for more volts.',
      hazard: 'fire',
      confirm: 'a meter',
      cure: (design, { about }) => {
        const s = sourceOf(design, about.id);
        const f = s && figuresOf(s, design);
        const most = s?.solar && f ? Math.floor((s.solar.series * (s.solar.controllerV - 0.1)) / f.coldVocV) : 0;
        return most >= 1 ? [setOp(design, ['sources', about.id, 'solar', 'series'], most)] : null;
      },
    },
    (s, design) => {
      const f = figuresOf(s, design);
      return when(s.solar !== null && f !== null && f.coldVocV >= s.solar.controllerV, () => ({
        title: `${f?.coldVocV.toFixed(1) ?? ''} V on a morning of ${show(s.solar?.coldC ?? 0, 'C', design.boat)}, the controller takes ${s.solar?.controllerV ?? 0} V`,
      }));
    },
  ),
  source(
    {
      id: 'string-fuse',
      severity: 'fix',
      reads: ['sources.solar.parallel', 'sources.solar.seriesFuseA', 'sources.solar.maxFuseA'],
      when: 'strings in parallel can feed a faulty one with more than its panels bear, without a fuse each: beyond their maker’s fuse, else from three on',
      why: 'The others feed a faulty one: fire.',
      todo: "A fuse in each string, of the panel maker's rating.",
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.dc,
      cure: (design, { about }) => {
        const s = sourceOf(design, about.id);
        const f = s && figuresOf(s, design);
        return f?.stringFuseA != null ? [setOp(design, ['sources', about.id, 'solar', 'seriesFuseA'], Math.ceil(f.stringFuseA))] : null;
      },
    },
    (s, design) => {
      const f = figuresOf(s, design);
      return when(s.solar !== null && f?.stringFuseA != null && s.solar.seriesFuseA === null, () => ({
        title: `${s.solar?.parallel ?? 0} strings in parallel without a fuse each`,
        todo: `A fuse of ${Math.ceil(f?.stringFuseA ?? 0)} A or the panel maker's in each string.`,
      }));
    },
  ),
  source(
    {
      id: 'string-fuse-over',
      severity: 'fix',
      reads: ['sources.solar.seriesFuseA', 'sources.solar.maxFuseA'],
      when: 'the fuse of a string is larger than the panel’s maker allows',
      why: 'The panel burns before the fuse opens.',
      todo: 'The largest its maker allows, or fewer strings in parallel.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.maker,
      cure: (design, { about }) => {
        const max = sourceOf(design, about.id)?.solar?.maxFuseA;
        return max == null ? null : [setOp(design, ['sources', about.id, 'solar', 'seriesFuseA'], max)];
      },
    },
    ({ solar }) =>
      when(solar !== null && solar.maxFuseA !== null && (solar.seriesFuseA ?? 0) > solar.maxFuseA, () => ({
        title: `string fuses of ${solar?.seriesFuseA ?? 0} A, the panel takes ${solar?.maxFuseA ?? 0} A at most`,
      })),
  ),
  source(
    {
      id: 'solar-volts',
      severity: 'fix',
      reads: ['sources.solar.vmpV', 'sources.solar.series', 'banks'],
      when: 'an array works at too few volts to charge its bank',
      why: 'The controller needs some volts above the bank.',
      todo: 'More panels in series.',
      hazard: 'none',
      confirm: 'a meter',
      cure: (design, { about }) => {
        const s = sourceOf(design, about.id);
        const f = s && figuresOf(s, design);
        return s?.solar && f ? [setOp(design, ['sources', about.id, 'solar', 'series'], s.solar.series + 1)] : null;
      },
    },
    (s, design) => {
      const f = figuresOf(s, design);
      const bank = bankOf(s, design);
      const needs = bank ? bankSource(bank).chargingV : nominalVOf(design, s.bankId);
      return when(f !== null && f.vmpV <= needs, () => ({ title: `works at ${f?.vmpV.toFixed(1) ?? ''} V, too little to charge` }));
    },
  ),
  source(
    {
      id: 'brake',
      severity: 'fix',
      reads: ['sources.wind.brake'],
      when: 'a wind generator has no brake',
      why: 'It cannot be stopped in a gale, nor worked on.',
      todo: 'Fit a brake switch that shorts it only as its maker allows.',
      hazard: 'damage',
      confirm: 'eyes',
      cure: (design, { about }) => [setOp(design, ['sources', about.id, 'wind', 'brake'], true)],
    },
    (s) => when(s.wind !== null && !s.wind.brake, () => ({ title: 'has no brake' })),
  ),
];
