import {
  bendingDirections,
  memberShapes,
  type Elastic,
  type MemberShapes,
  type ShapeWish,
} from './member-shapes.js';

/** The last shapes of a stiffness, and what they were tabulated for beside it. */
interface LastShapes {
  readonly breaks: Float64Array;
  readonly directions: readonly number[];
  readonly shapes: MemberShapes;
}

/** Shapes already tabulated for one wish: members alike in all that shapes depend on share them. */
export class ShapeCache {
  private readonly byNumbers = new Map<string, MemberShapes>();
  /** By the place of the stiffness, which members of one section and length share: found without comparing all numbers. */
  private readonly byStiffness = new Map<number, LastShapes>();

  /**
   * A member's shapes, tabulated where none alike were before.
   *
   * @param breaks segments on which what is integrated against the shapes is smooth, m
   */
  of(elastic: Elastic, m: number, breaks: Float64Array, wish: ShapeWish): MemberShapes {
    const { frame, elements } = elastic;
    if (frame.hinged[m] || frame.tapers.has(m)) return memberShapes(elastic, m, breaks, wish);
    const at = elements.at[m]!;
    // In a plane frame they depend on the member's roll as well
    const directions = bendingDirections(frame, m).flat();
    const last = this.byStiffness.get(at);
    if (last && sameNumbers(last.breaks, breaks) && sameNumbers(last.directions, directions))
      return last.shapes;
    const numbers = [
      ...breaks,
      ...frame.rigidity.subarray(6 * m, 6 * m + 6),
      frame.coupling[m]!,
      ...directions,
    ];
    // Lengths that differ by rounding are the same
    const key = `${frame.axialOnly[m]}|${numbers.map((value) => value.toPrecision(13)).join()}`;
    const shapes = this.byNumbers.get(key) ?? memberShapes(elastic, m, breaks, wish);
    this.byNumbers.set(key, shapes);
    this.byStiffness.set(at, { breaks, directions, shapes });
    return shapes;
  }
}

function sameNumbers(a: ArrayLike<number>, b: ArrayLike<number>): boolean {
  if (a === b) return true;
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}
