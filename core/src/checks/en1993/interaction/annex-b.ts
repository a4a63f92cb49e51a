import type { StepLog } from '../../check.js';
import { equivalentMoment } from '../buckling/equivalent-moment.js';
import { diagramsOf, type InteractionFactors, type InteractionInput } from './interaction-input.js';

/**
 * Interaction factors of EN 1993-1-1 Annex B: Table B.1 for members not susceptible to torsional deformations (hollow sections,
 * compression flange held), Table B.2 for the others; Cm by Table B.3 from the diagrams, or as given.
 */
export function annexB(i: InteractionInput, log?: StepLog): InteractionFactors {
  const { design, code, section: s } = i.member;
  const d = diagramsOf(i);
  const given = (value: number, symbol: string): number => {
    log?.(symbol, value, '', 'given');
    return value;
  };
  const sway = (symbol: string): number => {
    log?.(symbol, 0.9, '', 'sway buckling mode', 'Table B.3');
    return 0.9;
  };
  const Cmy =
    design.Cmy !== undefined
      ? given(design.Cmy, 'Cmy')
      : design.sway
        ? sway('Cmy')
        : equivalentMoment(d.y, 'Cmy', log);
  const Cmz =
    design.Cmz !== undefined
      ? given(design.Cmz, 'Cmz')
      : design.sway
        ? sway('Cmz')
        : equivalentMoment(d.z, 'Cmz', log);
  const CmLT = i.lateral
    ? design.CmLT !== undefined
      ? given(design.CmLT, 'CmLT')
      : equivalentMoment(d.LT, 'CmLT', log)
    : 1;
  const ny = (i.NEd * code.gammaM1) / (i.y.chi * i.NRk);
  const nz = (i.NEd * code.gammaM1) / (i.z.chi * i.NRk);
  const plastic = i.cls <= 2;
  const hollow = s.kind !== 'i';
  const factors = tableB(plastic, hollow, i.lateral !== undefined, {
    Cmy,
    Cmz,
    CmLT,
    ny,
    nz,
    ly: i.y.lambdaBar,
    lz: i.z.lambdaBar,
  });
  const { kyy, kyz, kzy, kzz } = factors;
  const table = i.lateral ? 'Table B.2' : 'Table B.1';
  log?.('ny', ny, '', 'NEd/(χy·NRk/γM1)');
  log?.('nz', nz, '', 'NEd/(χz·NRk/γM1)');
  log?.(
    'kyy',
    kyy,
    '',
    plastic ? 'Cmy·(1 + (λ̄y − 0.2)·ny) ≤ Cmy·(1 + 0.8·ny)' : 'Cmy·(1 + 0.6·λ̄y·ny) ≤ Cmy·(1 + 0.6·ny)',
    table,
  );
  log?.(
    'kzz',
    kzz,
    '',
    plastic
      ? hollow
        ? 'Cmz·(1 + (λ̄z − 0.2)·nz) ≤ Cmz·(1 + 0.8·nz)'
        : 'Cmz·(1 + (2·λ̄z − 0.6)·nz) ≤ Cmz·(1 + 1.4·nz)'
      : 'Cmz·(1 + 0.6·λ̄z·nz) ≤ Cmz·(1 + 0.6·nz)',
    table,
  );
  log?.('kyz', kyz, '', plastic ? '0.6·kzz' : 'kzz', table);
  log?.('kzy', kzy, '', i.lateral ? 'with CmLT' : plastic ? '0.6·kyy' : '0.8·kyy', table);
  return factors;
}

/** Equivalent moment factors, shares NEd/Nb,Rd and slendernesses that Tables B.1 and B.2 go by. */
interface TableInput {
  readonly Cmy: number;
  readonly Cmz: number;
  readonly CmLT: number;
  readonly ny: number;
  readonly nz: number;
  readonly ly: number;
  readonly lz: number;
}

/** Tables B.1 and, for members that `twist`, B.2. Every factor grows with the Cm that it goes by. */
export function tableB(
  plastic: boolean,
  hollow: boolean,
  twists: boolean,
  { Cmy, Cmz, CmLT, ny, nz, ly, lz }: TableInput,
): InteractionFactors {
  const kyy = plastic
    ? Cmy * Math.min(1 + (ly - 0.2) * ny, 1 + 0.8 * ny)
    : Cmy * Math.min(1 + 0.6 * ly * ny, 1 + 0.6 * ny);
  const kzz = plastic
    ? hollow
      ? Cmz * Math.min(1 + (lz - 0.2) * nz, 1 + 0.8 * nz)
      : Cmz * Math.min(1 + (2 * lz - 0.6) * nz, 1 + 1.4 * nz)
    : Cmz * Math.min(1 + 0.6 * lz * nz, 1 + 0.6 * nz);
  const kyz = plastic ? 0.6 * kzz : kzz;
  const kzy = twists ? torsionKzy(plastic, CmLT, lz, nz) : plastic ? 0.6 * kyy : 0.8 * kyy;
  return { kyy, kyz, kzy, kzz };
}

/** kzy of Table B.2. */
function torsionKzy(plastic: boolean, CmLT: number, lambdaBar: number, nz: number): number {
  const slope = (plastic ? 0.1 : 0.05) / (CmLT - 0.25);
  if (plastic && lambdaBar < 0.4) return Math.min(0.6 + lambdaBar, 1 - slope * lambdaBar * nz);
  return Math.max(1 - slope * lambdaBar * nz, 1 - slope * nz);
}
