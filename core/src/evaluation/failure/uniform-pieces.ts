import { prepareFrame, splitLoad, type Frame } from '../../analysis/index.js';
import type { FrameModel, FrameNode, Load, Member, Section } from '../../model/types.js';
import { resolveSections, taperedProperties, type ResolvedSection } from '../../sections/sections.js';
import { sectionsBetween } from '../../sections/shapes/between.js';

/** A piece of a member: m from its start, and its number in the model of pieces. */
interface Piece {
  readonly from: number;
  readonly to: number;
  readonly m: number;
}

/** A model in which tapers are cut into uniform pieces. */
export interface UniformModel {
  readonly model: FrameModel;
  /** Pieces of each member of the model as given. */
  readonly pieces: readonly (readonly Piece[])[];
  /** What was cut, in words. */
  readonly notes: readonly string[];
}

/** By how much the depths of neighbouring pieces differ at the most. */
const mostStep = 0.02;
const mostPieces = 200;

/** Cuts tapers into pieces of one section each, with the depth at the piece's middle; other members stay. */
export function uniformPieces(given: FrameModel): UniformModel {
  const frame = prepareFrame(given);
  const resolved = resolveSections(given);
  const nodes: FrameNode[] = [...given.nodes];
  const members: Member[] = [];
  const sections = new Map(given.sections.map((section) => [section.id, section]));
  const notes: string[] = [];
  const pieces = given.members.map((member, m): Piece[] => {
    const length = frame.length[m]!;
    if (member.endSection === undefined || member.endSection === member.section) {
      members.push(member);
      return [{ from: 0, to: length, m: members.length - 1 }];
    }
    const [start, end] = [resolved.get(member.section)!, resolved.get(member.endSection)!];
    const count = countOf(start, end);
    notes.push(`"${member.id}" tapers and is cut into ${count} uniform pieces.`);
    return Array.from({ length: count }, (_, i): Piece => {
      const [from, to] = [(length * i) / count, (length * (i + 1)) / count];
      if (i > 0) nodes.push(nodeAt(frame, m, from, `${member.id}~${i}`));
      const section = between(start, end, (i + 0.5) / count, `${member.id}~${i + 1}`);
      sections.set(section.id, section);
      members.push(pieceOf(member, i, count, section.id));
      return { from, to, m: members.length - 1 };
    });
  });
  const loadsOf = (load: Load): Load[] =>
    'member' in load ? splitLoad(load, pieces[frame.memberIndex.get(load.member)!]!, members, frame) : [load];
  const loadCases = (given.loadCases ?? []).map((one) => ({
    ...one,
    loads: (one.loads ?? []).flatMap(loadsOf),
  }));
  return {
    model:
      notes.length === 0 ? given : { ...given, nodes, members, sections: [...sections.values()], loadCases },
    pieces,
    notes,
  };
}

function countOf(start: ResolvedSection, end: ResolvedSection): number {
  const size = ({ shape, properties }: ResolvedSection) =>
    shape && 'h' in shape
      ? shape.h
      : shape && 'd' in shape
        ? shape.d
        : Math.sqrt((properties.Iy ?? properties.A) / properties.A);
  const [a, b] = [size(start), size(end)];
  return Math.min(mostPieces, Math.max(1, Math.ceil(Math.abs(a - b) / (mostStep * Math.min(a, b)))));
}

/** The section part of the way along a taper, as one of its own. */
function between(start: ResolvedSection, end: ResolvedSection, fraction: number, id: string): Section {
  const head = {
    id,
    material: start.material.id,
    fabrication: start.fabrication,
    shearDeformation: start.shearDeformation,
  };
  return start.shape && end.shape
    ? { ...head, shape: sectionsBetween(start.shape, end.shape)(fraction).shape }
    : { ...head, properties: taperedProperties(start, end)(fraction) };
}

function nodeAt(frame: Frame, m: number, x: number, id: string): FrameNode {
  const from = 3 * frame.start[m]!;
  const [X, Y, Z] = [0, 1, 2].map(
    (k) => frame.xyz[from + k]! + frame.arms[6 * m + k]! + frame.axes[9 * m + k]! * x,
  );
  return frame.plane ? { id, x: X!, z: Z! } : { id, x: X!, y: Y!, z: Z! };
}

function pieceOf(member: Member, i: number, count: number, section: string): Member {
  const { endSection: _, hinges, offsets, ...rest } = member;
  const [first, last] = [i === 0, i === count - 1];
  return {
    ...rest,
    id: `${member.id}~${i + 1}`,
    start: first ? member.start : `${member.id}~${i}`,
    end: last ? member.end : `${member.id}~${i + 1}`,
    section,
    ...(hinges
      ? {
          hinges: {
            ...(first && hinges.start ? { start: hinges.start } : {}),
            ...(last && hinges.end ? { end: hinges.end } : {}),
          },
        }
      : {}),
    ...(offsets
      ? {
          offsets: {
            start: first ? (offsets.start ?? [0, 0, 0]) : [0, 0, 0],
            end: last ? (offsets.end ?? [0, 0, 0]) : [0, 0, 0],
          },
        }
      : {}),
  };
}
