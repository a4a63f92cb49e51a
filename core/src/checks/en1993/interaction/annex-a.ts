import type { StepLog } from '../../check.js';
import { valueOf, type Diagram } from '../../members/diagram.js';
import { endRatio } from '../buckling/equivalent-moment.js';
import { diagramsOf, type InteractionFactors, type InteractionInput } from './interaction-input.js';
import { torsionalCriticalForce } from '../../members/torsional-force.js';
import { torsionalLength } from '../../members/lengths.js';

/**
 * Interaction factors of EN 1993-1-1 Annex A (Tables A.1 and A.2). Cmi,0 by the end moments where the diagram is straight, else by
 * the deflection that the diagram gives between the ends, or as given (Cmy, Cmz).
 */
export function annexA(i: InteractionInput, log?: StepLog): InteractionFactors {
  const { member, NEd, y, z } = i;
  const { section: s, code, design } = member;
  const d = diagramsOf(i);
  const plastic = i.cls <= 2;
  const muy = (1 - NEd / y.Ncr) / (1 - (y.chi * NEd) / y.Ncr);
  const muz = (1 - NEd / z.Ncr) / (1 - (z.chi * NEd) / z.Ncr);
  const wy = Math.min(1.5, s.p.Wply / s.p.Wely);
  const wz = Math.min(1.5, s.p.Wplz / s.p.Welz);
  const npl = (NEd * code.gammaM1) / i.NRk;
  const Cmy0 = design.Cmy ?? uniformMoment(d.y, NEd / y.Ncr, s.E * s.p.Iy);
  const Cmz0 = design.Cmz ?? uniformMoment(d.z, NEd / z.Ncr, s.E * s.p.Iz);
  const NcrT = torsionalForce(i);
  const { Cmy, Cmz, CmLT, lambda0, bLT, cLT, dLT, eLT } = torsionTerms(i, Cmy0, Cmz0, NcrT);
  const most = Math.max(y.lambdaBar, z.lambdaBar);
  log?.('μy', muy, '', '(1 − NEd/Ncr,y)/(1 − χy·NEd/Ncr,y)', 'Table A.1');
  log?.('μz', muz, '', '(1 − NEd/Ncr,z)/(1 − χz·NEd/Ncr,z)', 'Table A.1');
  log?.('wy', wy, '', 'Wpl,y/Wel,y ≤ 1.5', 'Table A.1');
  log?.('wz', wz, '', 'Wpl,z/Wel,z ≤ 1.5', 'Table A.1');
  log?.('npl', npl, '', 'NEd/(NRk/γM1)', 'Table A.1');
  log?.('λ̄0', lambda0, '', 'for lateral-torsional buckling under a uniform moment', 'Table A.1');
  log?.('Cmy,0', Cmy0, '', design.Cmy === undefined ? 'by the diagram' : 'given', 'Table A.2');
  log?.('Cmz,0', Cmz0, '', design.Cmz === undefined ? 'by the diagram' : 'given', 'Table A.2');
  log?.('Cmy', Cmy, '', 'Table A.1', 'Table A.1');
  log?.('CmLT', CmLT, '', 'Table A.1', 'Table A.1');
  const byY = 1 - NEd / y.Ncr;
  const byZ = 1 - NEd / z.Ncr;
  const raw = {
    kyy: (Cmy * CmLT * muy) / byY,
    kyz: (Cmz * muy) / byZ,
    kzy: (Cmy * CmLT * muz) / byY,
    kzz: (Cmz * muz) / byZ,
  };
  if (!plastic) return logFactors(raw, log);
  const curved = (w: number, Cm: number) => (1.6 / w) * Cm * Cm * most * (1 + most);
  const Cyy = Math.max(s.p.Wely / s.p.Wply, 1 + (wy - 1) * ((2 - curved(wy, Cmy)) * npl - bLT));
  const Czz = Math.max(s.p.Welz / s.p.Wplz, 1 + (wz - 1) * (2 - curved(wz, Cmz) - eLT) * npl);
  const Cyz = Math.max(
    (0.6 * Math.sqrt(wz / wy) * s.p.Welz) / s.p.Wplz,
    1 + (wz - 1) * ((2 - (14 * Cmz ** 2 * most ** 2) / wz ** 5) * npl - cLT),
  );
  const Czy = Math.max(
    (0.6 * Math.sqrt(wy / wz) * s.p.Wely) / s.p.Wply,
    1 + (wy - 1) * ((2 - (14 * Cmy ** 2 * most ** 2) / wy ** 5) * npl - dLT),
  );
  log?.('Cyy', Cyy, '', 'Table A.1', 'Table A.1');
  log?.('Cyz', Cyz, '', 'Table A.1', 'Table A.1');
  log?.('Czy', Czy, '', 'Table A.1', 'Table A.1');
  log?.('Czz', Czz, '', 'Table A.1', 'Table A.1');
  return logFactors(
    {
      kyy: raw.kyy / Cyy,
      kyz: (raw.kyz / Cyz) * 0.6 * Math.sqrt(wz / wy),
      kzy: (raw.kzy / Czy) * 0.6 * Math.sqrt(wy / wz),
      kzz: raw.kzz / Czz,
    },
    log,
  );
}

function logFactors(k: InteractionFactors, log?: StepLog): InteractionFactors {
  for (const [symbol, value] of Object.entries(k) as [string, number][])
    log?.(symbol, value, '', 'Table A.1', 'Table A.1');
  return k;
}

/** Cmi,0 of Table A.2; `n` is NEd/Ncr. */
function uniformMoment(d: Diagram, n: number, EI: number): number {
  if (Math.abs(d.peak.value) === 0) return 1;
  if (d.straight) {
    const psi = endRatio(d);
    return 0.79 + 0.21 * psi + 0.36 * (psi - 0.33) * n;
  }
  const L = d.to - d.from;
  return 1 + ((Math.PI ** 2 * EI * deflectionOver(d, EI)) / (L * L * Math.abs(d.peak.value)) - 1) * n;
}

/** Largest deflection from the chord that a moment diagram gives a uniform member, m. */
function deflectionOver(d: Diagram, EI: number): number {
  const steps = 96;
  const L = d.to - d.from;
  const h = L / steps;
  // Slope and deflection by Simpson on each step, then the chord taken off
  const w = new Float64Array(steps + 1);
  let slope = 0;
  const at = (x: number) => {
    const piece = d.pieces.find((p) => x <= p.to + 1e-12) ?? d.pieces[d.pieces.length - 1]!;
    return valueOf(piece, x);
  };
  for (let k = 0; k < steps; k++) {
    const x = d.from + k * h;
    const [a, m, b] = [at(x), at(x + h / 2), at(x + h)];
    w[k + 1] = w[k]! + slope * h + (h * h * (a + 2 * m)) / 6 / EI;
    slope += (h * (a + 4 * m + b)) / 6 / EI;
  }
  let most = 0;
  for (let k = 0; k <= steps; k++) most = Math.max(most, Math.abs(w[k]! - (w[steps]! * k) / steps));
  return most;
}

function torsionalForce(i: InteractionInput): number {
  const { p, E, G } = i.member.section;
  const LT = torsionalLength(i.member);
  const i0 = Math.sqrt((p.Iy + p.Iz) / p.A + p.ys ** 2 + p.zs ** 2);
  return LT === 0 ? Infinity : (G * p.J + (Math.PI ** 2 * E * p.Iw) / LT ** 2) / i0 ** 2;
}

/** Cm with torsion and the terms b, c, d, e of Table A.1. */
function torsionTerms(i: InteractionInput, Cmy0: number, Cmz0: number, NcrT: number) {
  const { member, NEd, y, z, lateral, chiLT } = i;
  const { section: s, code } = member;
  const none = { Cmy: Cmy0, Cmz: Cmz0, CmLT: 1, lambda0: 0, bLT: 0, cLT: 0, dLT: 0, eLT: 0 };
  if (!lateral) return none;
  const C1 = lateral.C1;
  const NcrTF = torsionalCriticalForce(
    { Nu: y.Ncr, Nv: z.Ncr, NT: NcrT },
    { us: s.p.ys, vs: s.p.zs, i0: Math.sqrt((s.p.Iy + s.p.Iz) / s.p.A) },
  );
  const lambda0 = lateral.lambdaBar * Math.sqrt(lateral.C1);
  const aLT = Math.max(0, 1 - s.p.J / s.p.Iy);
  const limit = 0.2 * Math.sqrt(C1) * ((1 - NEd / z.Ncr) * (1 - NEd / NcrTF)) ** 0.25;
  if (lambda0 <= limit) return { ...none, lambda0 };
  const epsilon = (i.MyEd / NEd) * (i.cls < 4 ? s.p.A / s.p.Wely : i.NRk / i.MyRk);
  const root = Math.sqrt(epsilon) * aLT;
  const Cmy = Cmy0 + ((1 - Cmy0) * root) / (1 + root);
  const CmLT = Math.max(1, (Cmy ** 2 * aLT) / Math.sqrt((1 - NEd / z.Ncr) * (1 - NEd / NcrT)));
  const my = (i.MyEd * code.gammaM1) / (chiLT * i.MyRk);
  const mz = (i.MzEd * code.gammaM1) / i.MzRk;
  const lz = z.lambdaBar;
  const bLT = 0.5 * aLT * lambda0 ** 2 * my * mz;
  const cLT = (10 * aLT * lambda0 ** 2 * my) / ((5 + lz ** 4) * Cmy);
  const dLT = (2 * aLT * lambda0 * my * mz) / ((0.1 + lz ** 4) * Cmy * Cmz0);
  const eLT = (1.7 * aLT * lambda0 * my) / ((0.1 + lz ** 4) * Cmy);
  return { Cmy, Cmz: Cmz0, CmLT, lambda0, bLT, cLT, dLT, eLT };
}
