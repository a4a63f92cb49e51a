import type { BuiltFrame } from '../../build/build.js';
import type { Namer } from '../../geometry/names.js';
import type { Fix } from '../../edits/compound/fixes.js';

/** Something in a frame that is probably not meant. Plain data. */
export interface Warning {
  readonly code: string;
  /** A sentence in words that people use for members and nodes. */
  readonly message: string;
  /** Where it is: ids of nodes, members and rules. */
  readonly nodes: readonly string[];
  readonly members: readonly string[];
  readonly rule?: string;
  /** The change that fixes it, where one is clear. */
  readonly fix?: Fix;
}

/** One thing to look for. */
export interface RemarkKind {
  readonly code: string;
  find(built: BuiltFrame, names: Namer): Warning[];
}

/** Places named in a sentence at the most; the warning has all of them. */
const mostNamed = 3;

/** "a, b, c and 4 more". */
export function listed(names: readonly string[]): string {
  const more = names.length - mostNamed;
  return more > 0
    ? `${names.slice(0, mostNamed).join('; ')} and ${more} more`
    : names.slice(0, mostNamed).join('; ');
}
