import type { MemberCheckRule, MemberState, StepLog } from '../../check.js';
import { diagram, ofSign, type Diagram } from '../../members/diagram.js';
import { worstOfStretches, type Stretch } from '../../members/lengths.js';
import type { PhysicalMember } from '../../members/physical-member.js';
import { principalDiagram } from '../../members/principal-axes.js';
import { logSteel, phi, smallMoment } from '../common.js';
import { bendingStretch, type FlexureRule } from './flexure-rule.js';
import { channelAndCompactI } from './f2.js';
import { noncompactFlanges } from './f3.js';
import { otherI } from './f4.js';
import { slenderWebs } from './f5.js';
import { minorAxis } from './f6.js';
import { boxes } from './f7.js';
import { tubes } from './f8.js';
import { tees } from './f9.js';
import { angleMajor, angleMinor } from './f10.js';
import { solidBars } from './f11.js';

/** Every section of chapter F. */
const rules: readonly FlexureRule[] = [
  channelAndCompactI,
  noncompactFlanges,
  otherI,
  slenderWebs,
  minorAxis,
  ...boxes,
  ...tubes,
  ...tees,
  angleMajor,
  angleMinor,
  ...solidBars,
];

/** Cb from the moments at the quarters of a stretch, F1 eq. F1-1, 1 of a cantilever with a free tip; or C1 as given. */
function cbOf(member: PhysicalMember, d: Diagram, { free }: Stretch, log?: StepLog): number {
  const { C1 } = member.design;
  if (C1 !== undefined) {
    log?.('Cb', C1, '', 'given as C1', 'F1');
    return C1;
  }
  if (free) {
    log?.('Cb', 1, '', 'cantilever or overhang with an unbraced free end', 'F1');
    return 1;
  }
  const L = d.to - d.from;
  const [A, B, C] = [0.25, 0.5, 0.75].map((share) => Math.abs(d.at(d.from + share * L))) as [
    number,
    number,
    number,
  ];
  const most = Math.abs(d.peak.value);
  const Cb = most === 0 ? 1 : (12.5 * most) / (2.5 * most + 3 * A + 4 * B + 3 * C);
  log?.('Mmax', most, 'N·m', 'largest in the stretch');
  log?.('MA', A, 'N·m', 'first quarter');
  log?.('MB', B, 'N·m', 'middle');
  log?.('MC', C, 'N·m', 'third quarter');
  log?.('Cb', Cb, '', '12.5·Mmax/(2.5·Mmax + 3·MA + 4·MB + 3·MC)', 'F1 eq. F1-1');
  return Cb;
}

/** The moments of a stretch about the rule's axis; of one that holds a single flange those that compress it. */
function diagramIn(
  rule: FlexureRule,
  { section }: PhysicalMember,
  { field }: MemberState,
  { from, to, flange }: Stretch,
): Diagram {
  if (section.kind === 'angle')
    return principalDiagram(section, rule.axis === 'u' ? 'u' : 'v', field, from, to);
  if (rule.axis === 'z') return diagram(field, 'Mz', from, to);
  const whole = diagram(field, 'My', from, to);
  return flange ? ofSign(whole, flange === 'top' ? 1 : -1) : whole;
}

/** φ·Mn of a stretch and the moment in it. */
function strengthIn(
  rule: FlexureRule,
  member: PhysicalMember,
  state: MemberState,
  stretch: Stretch,
  log?: StepLog,
): { demand: number; capacity: number; x: number } {
  const d = diagramIn(rule, member, state, stretch);
  logSteel(member.section, log);
  if (rule.lateral) log?.('Lb', stretch.length, 'm', stretch.how, 'F2.2');
  const Cb = rule.lateral ? cbOf(member, d, stretch, log) : 1;
  const Mn = rule.strength(member.section, bendingStretch(stretch.length, Cb, d.peak.value), log);
  log?.('φ·Mn', phi * Mn, 'N·m', '0.90·Mn', 'F1(a)');
  log?.('Mr', Math.abs(d.peak.value), 'N·m', 'largest in the stretch, analysis');
  return { demand: Math.abs(d.peak.value), capacity: phi * Mn, x: d.peak.x };
}

interface WorstStretch {
  readonly stretch: Stretch;
  readonly demand: number;
  readonly capacity: number;
  readonly x: number;
}

const heldThroughout = ({ length }: PhysicalMember): Stretch => ({
  from: 0,
  to: length,
  length: 0,
  how: 'held throughout',
});

const holdsOneThroughout = ({ design: { LLT } }: PhysicalMember): boolean =>
  typeof LLT === 'object' && Object.values(LLT).includes(0);

/** The worst stretch by a rule: its demand and φ·Mn; undefined where nothing bends. */
function worst(rule: FlexureRule, member: PhysicalMember, state: MemberState): WorstStretch | undefined {
  const known = state.memo.get(rule) as WorstStretch | undefined;
  if (known) return known;
  const of = (stretch: Stretch): WorstStretch => ({ stretch, ...strengthIn(rule, member, state, stretch) });
  const utilisation = ({ demand, capacity }: WorstStretch) => demand / capacity;
  const between = rule.lateral ? worstOfStretches(member, state, of, utilisation) : undefined;
  // The moments of a flange that is held throughout ask for the section's own strength
  const held = !between || holdsOneThroughout(member) ? of(heldThroughout(member)) : undefined;
  const found =
    between && held ? (utilisation(held) > utilisation(between) ? held : between) : (between ?? held!);
  state.memo.set(rule, found);
  return found;
}

/** The rule that a section bends by about an axis. */
export function flexureRule(member: PhysicalMember, axis: FlexureRule['axis']): FlexureRule | undefined {
  return rules.find((rule) => rule.axis === axis && rule.applies(member.section));
}

/** Demand and φ·Mn about an axis where they are worst, for H1 and H2; undefined where no rule covers the section. */
export function flexuralStrength(
  member: PhysicalMember,
  axis: FlexureRule['axis'],
  state: MemberState,
): { demand: number; capacity: number; x: number } | undefined {
  const rule = flexureRule(member, axis);
  return rule && worst(rule, member, state);
}

const bent = (rule: FlexureRule, member: PhysicalMember, state: MemberState): boolean => {
  const { section: s } = member;
  if (rule.axis === 'u' || rule.axis === 'v')
    return !smallMoment(s, state.My.value, 'y') || !smallMoment(s, state.Mz.value, 'z');
  return !smallMoment(s, rule.axis === 'y' ? state.My.value : state.Mz.value, rule.axis);
};

const check = (rule: FlexureRule): MemberCheckRule => ({
  scope: 'member',
  clause: rule.clause,
  title: rule.title,
  axis: rule.axis,
  covers: (member) => !member.tapered && flexureRule(member, rule.axis) === rule,
  evaluate(member, state, log) {
    if (!bent(rule, member, state)) return undefined;
    const found = worst(rule, member, state);
    if (!found) return undefined;
    if (log) strengthIn(rule, member, state, found.stretch, log);
    const { demand, capacity, x } = found;
    return { demand, capacity, x };
  },
});

/** Flexure, chapter F: one condition for each rule and axis. */
export const flexureChecks: readonly MemberCheckRule[] = rules.map(check);
