import type { StepLog } from '../../check.js';
import type { Diagram } from '../../members/diagram.js';

/** Ratio of the end moments, −1 ≤ ψ ≤ 1, the larger in the denominator. */
export function endRatio(d: Diagram): number {
  const [small, large] = Math.abs(d.start) <= Math.abs(d.end) ? [d.start, d.end] : [d.end, d.start];
  return large === 0 ? 0 : small / large;
}

/** Cm of a straight diagram: 0.6 + 0.4·ψ, 0.4 at least (Table B.3). */
export const straightMoment = (psi: number): number => Math.max(0.4, 0.6 + 0.4 * psi);

/** Equivalent uniform moment factor Cm of EN 1993-1-1 Annex B, Table B.3. */
export function equivalentMoment(d: Diagram, symbol: string, log?: StepLog): number {
  const psi = endRatio(d);
  const size = Math.abs(d.peak.value);
  if (size === 0) return 1;
  if (d.straight) {
    const C = straightMoment(psi);
    log?.('ψ', psi, '', 'ratio of the end moments');
    log?.(symbol, C, '', '0.6 + 0.4·ψ ≥ 0.4', 'Table B.3');
    return C;
  }
  // Uniform load, or concentrated ones; with both the larger factor
  const kinds = [...(d.distributed ? [false] : []), ...(d.concentrated ? [true] : [])];
  const C = Math.max(...kinds.map((concentrated) => loadedMoment(d, psi, concentrated, log)));
  log?.(
    symbol,
    C,
    '',
    kinds.length > 1
      ? 'the larger for uniform and concentrated loads'
      : kinds[0]
        ? 'concentrated loads'
        : 'uniform load',
    'Table B.3',
  );
  return C;
}

function loadedMoment(d: Diagram, psi: number, concentrated: boolean, log?: StepLog): number {
  const Mh = Math.abs(d.start) >= Math.abs(d.end) ? d.start : d.end;
  const Ms = d.middle;
  log?.('Mh', Mh, 'N·m', 'the larger end moment', 'Table B.3');
  log?.('Ms', Ms, 'N·m', 'moment in the middle', 'Table B.3');
  log?.('ψ', psi, '', 'ratio of the end moments', 'Table B.3');
  if (Math.abs(Mh) >= Math.abs(Ms)) {
    const alpha = Ms / Mh;
    log?.('αs', alpha, '', 'Ms/Mh', 'Table B.3');
    if (alpha >= 0) return Math.max(0.4, 0.2 + 0.8 * alpha);
    if (psi >= 0) return Math.max(0.4, (concentrated ? 0 : 0.1) - 0.8 * alpha);
    return Math.max(0.4, (concentrated ? -0.2 * psi : 0.1 * (1 - psi)) - 0.8 * alpha);
  }
  const alpha = Mh / Ms;
  log?.('αh', alpha, '', 'Mh/Ms', 'Table B.3');
  const factor = alpha >= 0 || psi >= 0 ? 1 : 1 + 2 * psi;
  return concentrated ? 0.9 + 0.1 * alpha * factor : 0.95 + 0.05 * alpha * factor;
}

/** How near a diagram must be to one of Table 6.6 to be taken as it. */
const alike = 0.02;

/**
 * Correction factor kc of EN 1993-1-1 Table 6.6 for the diagrams that stand there; of others 1/√C1, which gives the table's
 * values within two digits where it has them.
 */
export function kcOf(d: Diagram, C1: number, log?: StepLog): number {
  const found = d.straight ? straightKc(d) : tabulated(d);
  const { kc, from } = found ?? {
    kc: Math.min(1, 1 / Math.sqrt(C1)),
    from: '1/√C1: the diagram is none of Table 6.6',
  };
  log?.('kc', kc, '', from, 'Table 6.6');
  return kc;
}

function straightKc(d: Diagram): { kc: number; from: string } {
  const psi = endRatio(d);
  return { kc: 1 / (1.33 - 0.33 * psi), from: `1/(1.33 − 0.33·ψ), ψ = ${psi.toFixed(3)}` };
}

function tabulated(d: Diagram): { kc: number; from: string } | undefined {
  if (d.distributed && d.concentrated) return undefined;
  const size = Math.abs(d.peak.value);
  const near = (a: number, b: number) => Math.abs(a - b) < alike * size;
  const [a, b, m] = [d.start, d.end, d.middle];
  const uniform = d.distributed;
  // The line between the ends, and what the load adds in the middle
  const rise = m - (a + b) / 2;
  if (near(a, 0) && near(b, 0) && symmetric(d, near))
    return uniform
      ? { kc: 0.94, from: 'uniform load, no end moments' }
      : { kc: 0.86, from: 'load in the middle, no end moments' };
  if (near(a, b) && symmetric(d, near) && near(a, -rise * (uniform ? 2 / 3 : 1 / 2)))
    return uniform
      ? { kc: 0.9, from: 'uniform load, both ends fixed' }
      : { kc: 0.77, from: 'load in the middle, both ends fixed' };
  const [zero, held] = Math.abs(a) < Math.abs(b) ? [a, b] : [b, a];
  if (near(zero, 0) && near(held, -rise * (uniform ? 1 : 3 / 4)))
    return uniform
      ? { kc: 0.91, from: 'uniform load, one end fixed' }
      : { kc: 0.82, from: 'load in the middle, one end fixed' };
  return undefined;
}

/** One parabola or one kink in the middle: its quarter points agree. */
function symmetric(d: Diagram, near: (a: number, b: number) => boolean): boolean {
  const L = d.to - d.from;
  return near(d.at(d.from + L / 4), d.at(d.to - L / 4)) && near(quarter(d), d.at(d.from + L / 4));
}

function quarter(d: Diagram): number {
  const mean = (d.start + d.end) / 2;
  return d.distributed ? d.middle + (mean - d.middle) / 4 : (d.middle + mean) / 2;
}
